/** The adapter to a sheet merchant. Where the stand-in listens, a real one could; what it says is read like any document from elsewhere. */
import { Inject, Injectable } from '@nestjs/common';
import { InjectConnection, InjectModel } from '@nestjs/sequelize';
import { offersCodec, outcomeOf, type Json, type Offer } from '@keen/core';
import type { Transaction } from 'sequelize';
import { Sequelize } from 'sequelize-typescript';
import { transacted } from '../../database/transacted.ts';
import { ProblemException } from '../../problems/problem.exception.ts';
import { CatalogueModel } from './catalogue.model.ts';
import { PriceModel } from './price.model.ts';

export const MERCHANT_PORT = Symbol('where the merchant listens');

/** Longer than this nobody waits at a shelf. */
const PATIENCE_MS = 2500;
const MAX_BYTES = 500_000;
const ROW = 1;
/** Changes of price that are kept. */
const MAX_PRICES = 5000;

export type MerchantFault = 'slow' | 'down' | 'price' | 'out' | 'fine';

export interface Catalogue {
  readonly merchant: string;
  readonly offers: Json;
  /** When the merchant said so. */
  readonly heardAt: string;
  /** Why it is not from just now; null when it is. */
  readonly why: string | null;
}

export interface PriceRow {
  readonly offer: string;
  readonly price: number;
  readonly heardAt: string;
}

@Injectable()
export class MerchantService {
  constructor(
    @Inject(MERCHANT_PORT) private readonly port: number | undefined,
    @InjectModel(CatalogueModel) private readonly rows: typeof CatalogueModel,
    @InjectModel(PriceModel) private readonly prices: typeof PriceModel,
    @InjectConnection() private readonly sequelize: Sequelize,
  ) {}

  /** What it sells now; what it said last, with when, where it does not answer. Throws 503 when nothing was ever heard. */
  async catalogue(): Promise<Catalogue> {
    const heard = await this.ask();
    if (typeof heard !== 'string') {
      const row = { id: ROW, merchant: heard.merchant, offers: offersCodec.write(heard.offers), heardAt: new Date() };
      await transacted(this.sequelize, async (transaction) => {
        await this.rows.upsert(row, { transaction });
        await this.note(heard.offers, row.heardAt, transaction);
      });
      return { merchant: row.merchant, offers: row.offers, heardAt: row.heardAt.toISOString(), why: null };
    }
    const known = await this.rows.findByPk(ROW);
    if (!known)
      throw new ProblemException(503, { code: 'merchant', message: heard, where: 'merchant', accepted: 'try again later; sheets can be priced by hand' });
    return { merchant: known.merchant, offers: known.offers, heardAt: known.heardAt.toISOString(), why: heard };
  }

  /** What was asked for each offer, from when on, the oldest first. */
  async history(): Promise<PriceRow[]> {
    const rows = await this.prices.findAll({ order: [['id', 'ASC']], limit: MAX_PRICES });
    return rows.map(({ offer, price, heardAt }) => ({ offer, price, heardAt: heardAt.toISOString() }));
  }

  /** A price that is not the last one that was heard is a row. */
  private async note(offers: readonly Offer[], heardAt: Date, transaction: Transaction): Promise<void> {
    const rows = await this.prices.findAll({ order: [['id', 'ASC']], transaction, lock: transaction.LOCK.UPDATE });
    const last = new Map(rows.map(({ offer, price }) => [offer, price]));
    const changed = offers.filter(({ id, price }) => last.get(id) !== price).map(({ id, price }) => ({ offer: id, price, heardAt }));
    if (changed.length > 0) await this.prices.bulkCreate(changed, { transaction });
    // A merchant that changes its mind every minute fills no disk.
    const over = rows.length + changed.length - MAX_PRICES;
    if (over > 0) await this.prices.destroy({ where: { id: rows.slice(0, over).map(({ id }) => id as number) }, transaction });
  }

  /** Faults of the stand-in on demand. */
  async fail(how: MerchantFault): Promise<void> {
    if (this.port === undefined)
      throw new ProblemException(503, { code: 'merchant', message: 'no merchant is known', where: 'merchant', accepted: 'bin/start' });
    await fetch(`http://127.0.0.1:${this.port}/fault`, { method: 'POST', body: JSON.stringify({ how }), signal: AbortSignal.timeout(PATIENCE_MS) });
  }

  /** Its catalog, or why there is none. */
  private async ask(): Promise<{ readonly merchant: string; readonly offers: readonly Offer[] } | string> {
    if (this.port === undefined) return 'no merchant is known here';
    try {
      const answer = await fetch(`http://127.0.0.1:${this.port}/catalogue`, { signal: AbortSignal.timeout(PATIENCE_MS) });
      if (!answer.ok) return `the merchant answers ${answer.status}`;
      const text = await answer.text();
      if (text.length > MAX_BYTES) return 'the merchant sent far too much';
      const { merchant, sheets } = JSON.parse(text) as { merchant?: unknown; sheets?: unknown };
      const offers = outcomeOf(() => offersCodec.read(sheets, 'sheets'));
      if (!offers.ok) return `the merchant sent what cannot be used: ${offers.problem.where}: ${offers.problem.message}`;
      return { merchant: typeof merchant === 'string' ? merchant.slice(0, 80) : 'merchant', offers: offers.value };
    } catch (error) {
      return (error as { name?: string } | null)?.name === 'TimeoutError' ? 'the merchant takes too long to answer' : 'the merchant does not answer';
    }
  }
}
