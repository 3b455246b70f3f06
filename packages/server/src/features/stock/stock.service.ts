/** The store, beyond what the workshop shows of it: pieces kept for a project, their history, their pictures. */
import { Injectable } from '@nestjs/common';
import { InjectConnection, InjectModel } from '@nestjs/sequelize';
import { pieceName, type Json } from '@keen/core';
import { transacted } from '../../database/transacted.ts';
import type { Transaction } from 'sequelize';
import { Sequelize } from 'sequelize-typescript';
import { notFound, ProblemException } from '../../problems/problem.exception.ts';
import { Pictures } from '../photos/pictures.ts';
import { ProjectModel } from '../projects/project.model.ts';
import { WorkshopService, type StoredWorkshop } from '../workshop/workshop.service.ts';
import { StockEventModel, type StockEventKind } from './stock-event.model.ts';
import { StockPictureModel } from './stock-picture.model.ts';
import { StockPieceModel, type StockState } from './stock-piece.model.ts';
import { StoreService } from './store.service.ts';

export interface StockEventRow {
  readonly kind: StockEventKind;
  readonly at: string;
  readonly project: { readonly id: string; readonly name: string } | null;
}

export interface StockHistory {
  readonly id: string;
  readonly state: StockState;
  readonly piece: Json;
  readonly events: readonly StockEventRow[];
  readonly picture: boolean;
  /** What it was part of, the nearest first. */
  readonly parents: readonly { readonly id: string; readonly state: StockState; readonly piece: Json; readonly events: readonly StockEventRow[] }[];
  /** What was left over from it and kept. */
  readonly kept: readonly { readonly id: string; readonly state: StockState }[];
}

const MAX_GENERATIONS = 20;

@Injectable()
export class StockService {
  constructor(
    @InjectModel(StockPieceModel) private readonly pieces: typeof StockPieceModel,
    @InjectModel(StockEventModel) private readonly events: typeof StockEventModel,
    @InjectModel(StockPictureModel) private readonly pictures: typeof StockPictureModel,
    @InjectModel(ProjectModel) private readonly projects: typeof ProjectModel,
    @InjectConnection() private readonly sequelize: Sequelize,
    private readonly workshop: WorkshopService,
    private readonly store: StoreService,
    private readonly incoming: Pictures,
  ) {}

  /** All of them or none: whoever comes second is told whose they are. Answers the workshop as it is then. */
  reserve(projectId: string, ids: readonly string[]): Promise<StoredWorkshop> {
    return this.changed(projectId, ids, async (row, whose, transaction) => {
      if (row.reservedFor === whose.id) return;
      const other = row.reservedFor === null ? null : await this.projects.findOne({ where: { id: row.reservedFor, deletedAt: null }, transaction });
      if (other) throw taken(row.id, `is kept for '${other.name}'`);
      await this.store.moved(row, 'reserved', whose, transaction, { reservedFor: whose.id });
    });
  }

  /** Gives back what is kept for the project; what is kept for another stays. */
  release(projectId: string, ids: readonly string[]): Promise<StoredWorkshop> {
    return this.changed(projectId, ids, async (row, whose, transaction) => {
      if (row.reservedFor === whose.id) await this.store.moved(row, 'released', whose, transaction, { reservedFor: null });
    });
  }

  async history(id: string): Promise<StockHistory> {
    const own = await this.piece(id);
    const line: StockPieceModel[] = [];
    for (let at = own.parent; at !== null && line.length < MAX_GENERATIONS; at = line.at(-1)!.parent) line.push(await this.piece(at));
    const rows = await this.events.findAll({ where: { pieceId: [id, ...line.map((each) => each.id)] }, order: [['id', 'ASC']] });
    const eventsOf = (of: string): StockEventRow[] =>
      rows
        .filter(({ pieceId }) => pieceId === of)
        .map(({ kind, at, projectId, projectName }) => ({
          kind,
          at: at.toISOString(),
          project: projectId === null ? null : { id: projectId, name: projectName ?? '' },
        }));
    const kept = await this.pieces.findAll({ where: { parent: id }, attributes: ['id', 'state'], order: [['createdAt', 'ASC']] });
    return {
      id,
      state: own.state,
      piece: own.document,
      events: eventsOf(id),
      picture: (await this.pictures.count({ where: { pieceId: id } })) > 0,
      parents: line.map((each) => ({ id: each.id, state: each.state, piece: each.document, events: eventsOf(each.id) })),
      kept: kept.map((each) => ({ id: each.id, state: each.state })),
    };
  }

  /** Where a sheet of a settled layout came from: `of` is the layout and which of its sheets, 'l1#0'. */
  async cutBy(of: string): Promise<StockHistory> {
    const row = await this.pieces.findOne({ where: { cutBy: of }, attributes: ['id'] });
    if (!row) throw notFound('piece that was cut there', 'of');
    return this.history(row.id);
  }

  async picture(id: string): Promise<StockPictureModel> {
    const picture = await this.pictures.findByPk(id);
    if (!picture) throw notFound('picture of that piece', 'id');
    return picture;
  }

  /** `picture`: the path of a file. What is kept of it is drawn anew (photos/picture.ts). */
  async setPicture(id: string, picture: string): Promise<void> {
    await this.piece(id);
    const { full } = await this.incoming.keepable(picture);
    await this.pictures.upsert({ pieceId: id, type: 'image/jpeg', bytes: full });
  }

  async removePicture(id: string): Promise<void> {
    await this.pictures.destroy({ where: { pieceId: id } });
  }

  private async piece(id: string): Promise<StockPieceModel> {
    const row = await this.pieces.findByPk(id);
    if (!row) throw notFound('piece of that name', 'id');
    return row;
  }

  private changed(
    projectId: string,
    ids: readonly string[],
    each: (row: StockPieceModel, whose: { id: string; name: string }, transaction: Transaction) => Promise<void>,
  ): Promise<StoredWorkshop> {
    return transacted(this.sequelize, async (transaction) => {
      // The workshop's row first: whoever comes second waits here, and then sees what the first has done.
      await this.workshop.touch(transaction);
      const project = await this.projects.findOne({ where: { id: projectId, deletedAt: null }, attributes: ['id', 'name'], transaction });
      if (!project) throw notFound('project', 'project');
      for (const id of ids) {
        const row = await this.pieces.findByPk(id, { transaction, lock: transaction.LOCK.UPDATE });
        if (!row) throw notFound(`piece '${id}'`, 'pieces');
        if (row.state !== 'store') throw taken(id, row.state === 'cut' ? 'is cut already' : 'was thrown away');
        await each(row, { id: project.id, name: project.name }, transaction);
      }
      return this.workshop.find(transaction);
    });
  }
}

const taken = (id: string, how: string): ProblemException =>
  new ProblemException(409, {
    code: 'taken',
    message: `${pieceName(id)} ${how}; nothing was kept for this project`,
    where: 'pieces',
    accepted: 'pieces nobody else has',
  });
