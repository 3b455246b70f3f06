import { Injectable } from '@nestjs/common';
import { InjectConnection, InjectModel } from '@nestjs/sequelize';
import { readWorkshop, Refusal, starterWorkshop, workshopCodec, type Json, type Workshop } from '@keen/core';
import { transacted } from '../../database/transacted.ts';
import type { Transaction } from 'sequelize';
import { Sequelize } from 'sequelize-typescript';
import { stale } from '../../problems/problem.exception.ts';
import { StoreService } from '../stock/store.service.ts';
import { ProjectModel } from '../projects/project.model.ts';
import { WorkshopModel } from './workshop.model.ts';

const ROW = 1;

const withoutPieces = (workshop: Workshop): Json => workshopCodec.write({ ...workshop, pieces: {} });

export interface StoredWorkshop {
  readonly revision: number;
  readonly workshop: Json;
}

@Injectable()
export class WorkshopService {
  private known: { readonly of: string; readonly workshop: Workshop } | undefined;

  constructor(
    @InjectModel(WorkshopModel) private readonly rows: typeof WorkshopModel,
    @InjectModel(ProjectModel) private readonly projects: typeof ProjectModel,
    @InjectConnection() private readonly sequelize: Sequelize,
    private readonly store: StoreService,
  ) {}

  async find(transaction?: Transaction): Promise<StoredWorkshop> {
    return this.stored(await this.row(transaction), transaction);
  }

  /** Every save asks for it and few change it: what was read of a row is kept as long as the row is that one. */
  async read(transaction?: Transaction): Promise<Workshop> {
    const row = await this.row(transaction);
    const { revision, updatedAt } = row;
    // The time too: a revision that was rolled back is numbered again.
    const of = `${revision} ${updatedAt.getTime()}`;
    if (this.known?.of !== of) this.known = { of, workshop: readWorkshop((await this.stored(row, transaction)).workshop) };
    return this.known.workshop;
  }

  /** The row's document has no pieces: those are the store's. */
  private async stored({ revision, document }: WorkshopModel, transaction?: Transaction): Promise<StoredWorkshop> {
    return { revision, workshop: { ...(document as object), pieces: await this.store.inStore(transaction) } };
  }

  private async row(transaction?: Transaction): Promise<WorkshopModel> {
    const row = await this.rows.findByPk(ROW, { ...(transaction ? { transaction } : {}) });
    if (!row) throw new Error('the workshop has not been seeded');
    return row;
  }

  /** Creates the starting workshop on a new installation; false when there is one already. */
  async seed(workshop: Workshop = starterWorkshop()): Promise<boolean> {
    return transacted(this.sequelize, async (transaction) => {
      const [, created] = await this.rows.findOrCreate({
        where: { id: ROW },
        defaults: { id: ROW, revision: 1, document: withoutPieces(workshop), updatedAt: new Date() },
        transaction,
      });
      if (created) await this.store.becomes(workshop.pieces, transaction);
      return created;
    });
  }

  async save(base: number, value: object): Promise<StoredWorkshop> {
    const workshop = readWorkshop(value);
    return transacted(this.sequelize, async (transaction) => {
      const row = await this.locked(transaction);
      if (row.revision !== base) throw stale(base, { revision: row.revision, document: (await this.stored(row, transaction)).workshop });
      await this.refuseLosingUsed(row, workshop, transaction);
      await this.store.becomes(workshop.pieces, transaction);
      await row.update({ revision: base + 1, document: withoutPieces(workshop), updatedAt: new Date() }, { transaction });
      return this.stored(row, transaction);
    });
  }

  /** Counts the workshop on because its store changes; whoever else changes it waits for the end of the transaction. */
  async touch(transaction: Transaction): Promise<void> {
    const row = await this.locked(transaction);
    await row.update({ revision: row.revision + 1, updatedAt: new Date() }, { transaction });
  }

  /** Adds products that an imported project brings along; what is here already stays as it is. */
  async adopt(products: Workshop['products'], transaction: Transaction): Promise<void> {
    const row = await this.locked(transaction);
    const workshop = readWorkshop({ ...(row.document as object), pieces: {} });
    const fresh = Object.fromEntries(Object.entries(products).filter(([id]) => !Object.hasOwn(workshop.products, id)));
    if (Object.keys(fresh).length === 0) return;
    await row.update(
      { revision: row.revision + 1, document: withoutPieces({ ...workshop, products: { ...workshop.products, ...fresh } }), updatedAt: new Date() },
      { transaction },
    );
  }

  /** A product some design uses cannot be taken away: its parts would have no sheet. */
  private async refuseLosingUsed(row: WorkshopModel, next: Workshop, transaction: Transaction): Promise<void> {
    const gone = Object.keys(readWorkshop({ ...(row.document as object), pieces: {} }).products).filter((id) => !Object.hasOwn(next.products, id));
    if (gone.length === 0) return;
    for (const project of await this.projects.findAll({ where: { deletedAt: null }, transaction })) {
      const text = JSON.stringify(project.document);
      const used = gone.find((id) => text.includes(`"stock":"${id}"`));
      if (used)
        throw new Refusal('in-use', `'${used}' is used in '${project.name}'`, `workshop.products.${used}`, 'change the project first, or keep the product');
    }
  }

  private async locked(transaction: Transaction): Promise<WorkshopModel> {
    const row = await this.rows.findByPk(ROW, { transaction, lock: transaction.LOCK.UPDATE });
    if (!row) throw new Error('the workshop has not been seeded');
    return row;
  }
}
