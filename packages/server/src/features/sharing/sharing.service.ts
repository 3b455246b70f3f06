import { createHash, randomBytes, randomInt, randomUUID } from 'node:crypto';
import { Inject, Injectable } from '@nestjs/common';
import { InjectModel } from '@nestjs/sequelize';
import type { ServerConfig } from '../../config.ts';
import { notFound, ProblemException } from '../../problems/problem.exception.ts';
import { PairedDeviceModel } from './paired-device.model.ts';

export const SHARE = Symbol('where the desk is reached at');

/** A code is good for so long and for one device. */
const CODE_MS = 10 * 60_000;
/** Wrong codes, from all devices together, until the code is thrown away. */
const MOST_TRIES = 5;
/** A device that was seen this lately is not written down again. */
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

@Injectable()
export class SharingService {
  private code: { readonly text: string; readonly until: number; tries: number } | null = null;

  constructor(
    @InjectModel(PairedDeviceModel) private readonly devices: typeof PairedDeviceModel,
    @Inject(SHARE) private readonly share: ServerConfig['share'],
  ) {}

  async state(): Promise<Shared> {
    const rows = await this.devices.findAll({ order: [['pairedAt', 'DESC']] });
    const code = this.code && this.code.until > Date.now() ? this.code : null;
    return {
      address: this.share ? `https://${this.share.host}:${this.share.port}` : null,
      code: code?.text ?? null,
      until: code ? new Date(code.until).toISOString() : null,
      devices: rows.map(({ id, name, pairedAt, seenAt }) => ({ id, name, pairedAt: pairedAt.toISOString(), seenAt: seenAt.toISOString() })),
    };
  }

  /** A fresh code for the next device; the one before it is good no more. */
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

  /** Pairs a device by its code; its token, told once. */
  async pair(text: string, name: string): Promise<string> {
    const { code } = this;
    const wrong = (why: string): ProblemException =>
      new ProblemException(403, { code: 'pairing', message: why, where: 'code', accepted: 'the six digits the desk shows now' });
    if (!code || code.until < Date.now()) throw wrong('no code is on offer: ask the desk for one');
    if (text !== code.text) {
      code.tries++;
      if (code.tries < MOST_TRIES) throw wrong('that is not the code');
      this.code = null;
      throw wrong('that was wrong too often: ask the desk for a new code');
    }
    this.code = null;
    const token = randomBytes(32).toString('base64url');
    const now = new Date();
    await this.devices.create({ id: randomUUID(), name, tokenHash: hashOf(token), pairedAt: now, seenAt: now });
    return token;
  }

  /** Whether a token is of a device that is still paired. */
  async knows(token: string | undefined): Promise<boolean> {
    if (!token) return false;
    const device = await this.devices.findOne({ where: { tokenHash: hashOf(token) } });
    if (!device) return false;
    if (Date.now() - device.seenAt.getTime() > SEEN_MS) await device.update({ seenAt: new Date() });
    return true;
  }

  async forget(id: string): Promise<Shared> {
    const gone = await this.devices.destroy({ where: { id } });
    if (gone === 0) throw notFound('device', 'id');
    return this.state();
  }
}
