/** The pieces that are in the store, as the workshop has them; and changes of them by hand. */
import { Injectable } from '@nestjs/common';
import { InjectModel } from '@nestjs/sequelize';
import { pieceCodec, Refusal, type Json, type StockPiece } from '@keen/core';
import { Op, type Transaction } from 'sequelize';
import { ProjectModel } from '../projects/project.model.ts';
import { StockEventModel, type StockEventKind } from './stock-event.model.ts';
import { StockPieceModel } from './stock-piece.model.ts';

export interface Whose {
  readonly id: string;
  readonly name: string;
}

@Injectable()
export class StoreService {
  constructor(
    @InjectModel(StockPieceModel) private readonly pieces: typeof StockPieceModel,
    @InjectModel(StockEventModel) private readonly events: typeof StockEventModel,
    @InjectModel(ProjectModel) private readonly projects: typeof ProjectModel,
  ) {}

  /** What is in the store, by id; each says who it is kept for. */
  async inStore(transaction?: Transaction): Promise<Record<string, Json>> {
    const rows = await this.pieces.findAll({
      where: { state: 'store' },
      order: [
        ['createdAt', 'ASC'],
        ['id', 'ASC'],
      ],
      ...(transaction ? { transaction } : {}),
    });
    const names = await this.namesOf(
      rows.flatMap(({ reservedFor }) => reservedFor ?? []),
      transaction,
    );
    return Object.fromEntries(
      rows.map(({ id, document, reservedFor }) => {
        const name = reservedFor === null ? undefined : names.get(reservedFor);
        return [id, name === undefined ? document : { ...(document as object), reserved: { project: reservedFor!, name } }];
      }),
    );
  }

  /** Projects that are still there; what is kept for one that is gone is kept for nobody. */
  private async namesOf(ids: readonly string[], transaction?: Transaction): Promise<Map<string, string>> {
    if (ids.length === 0) return new Map();
    const rows = await this.projects.findAll({
      where: { id: [...new Set(ids)], deletedAt: null },
      attributes: ['id', 'name'],
      ...(transaction ? { transaction } : {}),
    });
    return new Map(rows.map(({ id, name }) => [id, name]));
  }

  /** Brings the store to what a person says is in it. The caller holds the workshop's row. */
  async becomes(next: Readonly<Record<string, StockPiece>>, transaction: Transaction): Promise<void> {
    const rows = new Map((await this.pieces.findAll({ where: { id: { [Op.or]: [Object.keys(next), []] } }, transaction })).map((row) => [row.id, row]));
    const there = await this.pieces.findAll({ where: { state: 'store' }, transaction });
    for (const row of there) if (!Object.hasOwn(next, row.id)) await this.moved(row, 'thrown', null, transaction);
    for (const piece of Object.values(next)) {
      const row = rows.get(piece.id);
      const document = documentOf(piece);
      if (!row) await this.put(piece, piece.kind === 'whole' ? 'bought' : 'kept', null, transaction);
      else if (row.state !== 'store') throw gone(piece.id, row.state);
      else if (JSON.stringify(pieceCodec.write(pieceCodec.read(row.document, piece.id))) !== JSON.stringify(document)) {
        await row.update({ document, product: piece.product, updatedAt: new Date() }, { transaction });
        await this.tell(row.id, 'changed', null, transaction);
      }
    }
  }

  /** A new piece in the store. */
  async put(
    piece: StockPiece,
    kind: 'bought' | 'kept',
    whose: Whose | null,
    transaction: Transaction,
    more: Partial<StockPieceModel> = {},
  ): Promise<StockPieceModel> {
    const now = new Date();
    const row = await this.pieces.create(
      {
        id: piece.id,
        product: piece.product,
        state: 'store',
        document: documentOf(piece),
        origin: piece.from ?? null,
        parent: null,
        reservedFor: null,
        cutBy: null,
        createdAt: now,
        updatedAt: now,
        ...more,
      },
      { transaction },
    );
    await this.tell(piece.id, kind, whose, transaction);
    return row;
  }

  /** One more step in a piece's life. */
  async moved(row: StockPieceModel, kind: StockEventKind, whose: Whose | null, transaction: Transaction, more: Partial<StockPieceModel> = {}): Promise<void> {
    const state = kind === 'thrown' ? 'thrown' : kind === 'cut' ? 'cut' : 'store';
    await row.update({ state, updatedAt: new Date(), ...more }, { transaction });
    await this.tell(row.id, kind, whose, transaction);
  }

  /** The next free number of a kind: 'offcut-12', 'sheet-3'. */
  async freeId(stem: 'offcut' | 'sheet', transaction: Transaction): Promise<string> {
    const rows = await this.pieces.findAll({ where: { id: { [Op.like]: `${stem}-%` } }, attributes: ['id'], transaction, lock: transaction.LOCK.UPDATE });
    return `${stem}-${1 + Math.max(0, ...rows.map(({ id }) => Number(id.slice(stem.length + 1)) || 0))}`;
  }

  private async tell(pieceId: string, kind: StockEventKind, whose: Whose | null, transaction: Transaction): Promise<void> {
    await this.events.create({ pieceId, kind, at: new Date(), projectId: whose?.id ?? null, projectName: whose?.name ?? null }, { transaction });
  }
}

/** A piece as it is kept: who it is kept for is the row's to say. */
function documentOf(piece: StockPiece): Json {
  const { reserved: _reserved, ...own } = piece;
  return pieceCodec.write(own);
}

const gone = (id: string, state: string): Refusal =>
  new Refusal(
    'gone',
    `'${id}' is not in the store any more: it is ${state}`,
    `workshop.pieces.${id}`,
    'a piece that is in the store, or another id for a new one',
  );
