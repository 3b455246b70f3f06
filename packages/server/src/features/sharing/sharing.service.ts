import { createHash, randomBytes, randomInt, randomUUID } from 'node:crypto';
import { Inject, Injectable } from '@nestjs/common';
import { InjectModel } from '@nestjs/sequelize';
import { Op } from 'sequelize';
import type { Authenticated } from '../../access/network-gate.ts';
import { endAnswersOf } from '../../access/open-answers.ts';
import type { ServerConfig } from '../../config.ts';
import { notFound, ProblemException } from '../../problems/problem.exception.ts';
import { PairedDeviceModel } from './paired-device.model.ts';

export const SHARE = Symbol('where the desk is reached at');

/** Lifetime of a code, which pairs one device. */
const CODE_MS = 10 * 60_000;
/** Wrong codes, from all devices together, before the code is withdrawn. */
const MAX_TRIES = 5;
const DAY_MS = 86_400_000;
/** A pairing ends this long after the device was last seen. */
const PAIRING_MS = 60 * DAY_MS;
/** A token is replaced after this long. */
const RENEW_MS = DAY_MS;
/** `seenAt` is written at most this often. */
const SEEN_MS = 60_000;

export interface DeviceRow {
  readonly id: string;
  readonly name: string;
  readonly pairedAt: string;
  readonly seenAt: string;
}

export interface Shared {
  /** Null where the desk is reached on loopback alone. */
  readonly address: string | null;
  readonly code: string | null;
  readonly until: string | null;
  readonly devices: readonly DeviceRow[];
}

const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex');
const newToken = (): string => randomBytes(32).toString('base64url');

/** A token for a device's cookie, and for how long the browser should hold it. */
export interface IssuedToken {
  readonly token: string;
  readonly maxAgeS: number;
}

const issued = (token: string): IssuedToken => ({ token, maxAgeS: Math.round(PAIRING_MS / 1000) });

@Injectable()
export class SharingService {
  private code: { readonly text: string; readonly until: number; tries: number } | null = null;

  constructor(
    @InjectModel(PairedDeviceModel) private readonly devices: typeof PairedDeviceModel,
    @Inject(SHARE) private readonly share: ServerConfig['share'],
  ) {}

  async state(): Promise<Shared> {
    const rows = await this.devices.findAll({ where: { expiresAt: { [Op.gt]: new Date() } }, order: [['pairedAt', 'DESC']] });
    const code = this.code && this.code.until > Date.now() ? this.code : null;
    return {
      address: this.share ? `https://${this.share.host}:${this.share.port}` : null,
      code: code?.text ?? null,
      until: code ? new Date(code.until).toISOString() : null,
      devices: rows.map(({ id, name, pairedAt, seenAt }) => ({ id, name, pairedAt: pairedAt.toISOString(), seenAt: seenAt.toISOString() })),
    };
  }

  /** A fresh code for the next device; the code before it is withdrawn. */
  async offer(): Promise<Shared> {
    if (!this.share)
      throw new ProblemException(409, {
        code: 'not-shared',
        message: 'this desk is reached on this machine alone',
        where: 'share',
        accepted: 'a desk started with bin/start --share',
      });
    this.code = { text: String(randomInt(0, 1_000_000)).padStart(6, '0'), until: Date.now() + CODE_MS, tries: 0 };
    return this.state();
  }

  /** Pairs a device by its code and issues its first token. */
  async pair(text: string, name: string): Promise<IssuedToken> {
    const { code } = this;
    const wrong = (why: string): ProblemException =>
      new ProblemException(403, { code: 'pairing', message: why, where: 'code', accepted: 'the six digits the desk shows now' });
    if (!code || code.until < Date.now()) throw wrong('no code is on offer: ask the desk for one');
    if (text !== code.text) {
      code.tries++;
      if (code.tries < MAX_TRIES) throw wrong('that is not the code');
      this.code = null;
      throw wrong('the code was entered wrong too often: ask the desk for a new one');
    }
    this.code = null;
    const token = newToken();
    const now = new Date();
    await this.devices.create({
      id: randomUUID(),
      name,
      tokenHash: hashOf(token),
      previousHash: null,
      renewedAt: now,
      expiresAt: new Date(now.getTime() + PAIRING_MS),
      pairedAt: now,
      seenAt: now,
    });
    return issued(token);
  }

  /**
   * The device a token belongs to, while its pairing lasts. Once a day the token is replaced; the one before stays good until the
   * new one has been used.
   */
  async authenticate(token: string | undefined): Promise<Authenticated | null> {
    if (!token) return null;
    const hash = hashOf(token);
    const now = new Date();
    const device = await this.devices.findOne({ where: { [Op.or]: [{ tokenHash: hash }, { previousHash: hash }], expiresAt: { [Op.gt]: now } } });
    if (!device) return null;
    const isCurrent = device.tokenHash === hash;
    const seen = { seenAt: now, expiresAt: new Date(now.getTime() + PAIRING_MS) };
    const renewed = now.getTime() - device.renewedAt.getTime() > RENEW_MS ? newToken() : null;
    if (renewed) {
      const values = { ...seen, tokenHash: hashOf(renewed), previousHash: hash, renewedAt: now };
      // Of requests that come at once only the first replaces the token; the others still hold a good one.
      const [changed] = await this.devices.update(values, { where: { id: device.id, tokenHash: device.tokenHash } });
      if (changed === 1) return { id: device.id, name: device.name, renewed: issued(renewed) };
    } else if (isCurrent && device.previousHash !== null) await device.update({ ...seen, previousHash: null });
    else if (now.getTime() - device.seenAt.getTime() > SEEN_MS) await device.update(seen);
    return { id: device.id, name: device.name, renewed: null };
  }

  /** Removes a device from the desk: its token is worth nothing from now on, and its open answers are cut. */
  async forget(id: string): Promise<Shared> {
    await this.leave(id);
    endAnswersOf(id);
    return this.state();
  }

  /** Ends a pairing. Throws 404 where there is none. */
  async leave(id: string): Promise<void> {
    const gone = await this.devices.destroy({ where: { id } });
    if (gone === 0) throw notFound('device', 'id');
  }
}
