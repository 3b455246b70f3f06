import { Injectable } from '@nestjs/common';
import { InjectConnection, InjectModel } from '@nestjs/sequelize';
import { readWorkshop, Refusal, starterWorkshop, workshopCodec, type Json, type Workshop } from '@keen/core';
import type { Transaction } from 'sequelize';
import { Sequelize } from 'sequelize-typescript';
import { stale } from '../../problems/problem.exception.ts';
import { ProjectModel } from '../projects/project.model.ts';
import { WorkshopModel } from './workshop.model.ts';

const ROW = 1;

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
  ) {}

  async find(transaction?: Transaction): Promise<StoredWorkshop> {
    const { revision, document } = await this.row(transaction);
    return { revision, workshop: document };
  }

  /** Every save asks for it and few change it: what was read of a row is kept as long as the row is that one. */
  async read(transaction?: Transaction): Promise<Workshop> {
    const { revision, updatedAt, document } = await this.row(transaction);
    // The time too: a revision that was rolled back is numbered again.
    const of = `${revision} ${updatedAt.getTime()}`;
    if (this.known?.of !== of) this.known = { of, workshop: readWorkshop(document) };
    return this.known.workshop;
  }

  private async row(transaction?: Transaction): Promise<WorkshopModel> {
    const row = await this.rows.findByPk(ROW, { ...(transaction ? { transaction } : {}) });
    if (!row) throw new Error('the workshop has not been seeded');
    return row;
  }

  /** Creates the starting workshop on a new installation; false when there is one already. */
  async seed(workshop: Workshop = starterWorkshop()): Promise<boolean> {
    const [, created] = await this.rows.findOrCreate({
      where: { id: ROW },
      defaults: { id: ROW, revision: 1, document: workshopCodec.write(workshop), updatedAt: new Date() },
    });
    return created;
  }

  async save(base: number, value: object): Promise<StoredWorkshop> {
    const workshop = readWorkshop(value);
    return this.sequelize.transaction(async (transaction) => {
      const row = await this.locked(transaction);
      if (row.revision !== base) throw stale(base, { revision: row.revision, document: row.document });
      await this.refuseLosingUsed(row, workshop, transaction);
      const document = workshopCodec.write(workshop);
      await row.update({ revision: base + 1, document, updatedAt: new Date() }, { transaction });
      return { revision: base + 1, workshop: document };
    });
  }

  /** Adds products that an imported project brings along; what is here already stays as it is. */
  async adopt(products: Workshop['products'], transaction: Transaction): Promise<void> {
    const row = await this.locked(transaction);
    const workshop = readWorkshop(row.document);
    const fresh = Object.fromEntries(Object.entries(products).filter(([id]) => !Object.hasOwn(workshop.products, id)));
    if (Object.keys(fresh).length === 0) return;
    await row.update(
      { revision: row.revision + 1, document: workshopCodec.write({ ...workshop, products: { ...workshop.products, ...fresh } }), updatedAt: new Date() },
      { transaction },
    );
  }

  /** A product some design uses cannot be taken away: its parts would have no sheet. */
  private async refuseLosingUsed(row: WorkshopModel, next: Workshop, transaction: Transaction): Promise<void> {
    const gone = Object.keys(readWorkshop(row.document).products).filter((id) => !Object.hasOwn(next.products, id));
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
