/**
 * What ticked cuts do to the store. The design and the shop record say what is cut; the store is brought to that after every save
 * of either, in its transaction: pieces that are cut into are gone, new sheets were bought, offcuts worth keeping are kept; a tick
 * that is taken back undoes it.
 */
import { Injectable } from '@nestjs/common';
import { InjectModel } from '@nestjs/sequelize';
import { designCodec, enteredFromNm, isNewSheet, sheetStates, type Design, type SheetState } from '@keen/core';
import { Op, type Transaction } from 'sequelize';
import { ProjectModel } from '../projects/project.model.ts';
import { RecordEntryModel } from '../record/record-entry.model.ts';
import { readable } from '../record/readable-entries.ts';
import { WorkshopService } from '../workshop/workshop.service.ts';
import { StockPieceModel } from './stock-piece.model.ts';
import { StoreService, type Whose } from './store.service.ts';

@Injectable()
export class CutFollower {
  constructor(
    @InjectModel(StockPieceModel) private readonly pieces: typeof StockPieceModel,
    @InjectModel(ProjectModel) private readonly projects: typeof ProjectModel,
    @InjectModel(RecordEntryModel) private readonly entries: typeof RecordEntryModel,
    private readonly workshop: WorkshopService,
    private readonly store: StoreService,
  ) {}

  /** Brings the store to what the project says is cut. Nothing is read but the design where it has no settled layout. */
  async follow(projectId: string, transaction: Transaction, known?: Design): Promise<void> {
    const project = await this.projects.findByPk(projectId, { attributes: known ? ['id', 'name'] : ['id', 'name', 'document'], transaction });
    if (!project) return;
    const design = known ?? designCodec.read(project.document, 'document');
    if (Object.keys(design.layouts).length === 0) return;
    const rows = await this.entries.findAll({ where: { projectId }, order: [['position', 'ASC']], transaction });
    // An entry this program cannot read must not stand in the way of a save.
    const record = rows.flatMap(({ body }) => readable(body));
    const states = sheetStates(design, record, await this.workshop.read(transaction));
    const touched = await Promise.all(states.map((state) => this.isBehind(state, transaction)));
    if (!touched.some(Boolean)) return;
    await this.workshop.touch(transaction);
    for (const state of states) await this.bring(state, { id: project.id, name: project.name }, transaction);
  }

  /** Whether the store does not say yet what a sheet's cuts say. */
  private async isBehind({ id, cutInto, left }: SheetState, transaction: Transaction): Promise<boolean> {
    const own = await this.pieces.findOne({ where: { cutBy: id }, attributes: ['id'], transaction });
    if ((own !== null) !== cutInto) return true;
    if (!own) return false;
    const kept = await this.keptOf(own, id, transaction);
    const wanted = new Set(left.map(({ from }) => from));
    return left.some(({ from }) => !kept.some(({ origin }) => origin === from)) || kept.some((row) => !wanted.has(row.origin!) && isUntouched(row));
  }

  private async bring(state: SheetState, whose: Whose, transaction: Transaction): Promise<void> {
    const own = await this.pieces.findOne({ where: { cutBy: state.id }, ...now(transaction) });
    if (!state.cutInto) {
      if (own) await this.takeBack(own, state, whose, transaction);
      return;
    }
    const source = own ?? (await this.cut(state, whose, transaction));
    const kept = await this.keptOf(source, state.id, transaction);
    for (const row of kept) if (!state.left.some(({ from }) => from === row.origin)) await this.forget(row, transaction);
    for (const { from, length, width } of state.left) {
      if (kept.some(({ origin }) => origin === from)) continue;
      const id = await this.store.freeId('offcut', transaction);
      const piece = { id, product: state.product, kind: 'offcut' as const, length: enteredFromNm(length), width: enteredFromNm(width), sawn: true, from };
      await this.store.put(piece, 'kept', whose, transaction, { parent: source.id });
    }
  }

  /** What a layout's sheet has left in the store, or had. */
  private keptOf(source: StockPieceModel, state: string, transaction: Transaction): Promise<StockPieceModel[]> {
    const layout = state.slice(0, state.lastIndexOf('#'));
    return this.pieces.findAll({ where: { parent: source.id, origin: { [Op.startsWith]: `${layout}/` } }, ...now(transaction) });
  }

  /** A piece of the store, a new sheet, or what an earlier layout left is cut into. */
  private async cut({ id, sheet, product, of, length, width }: SheetState, whose: Whose, transaction: Transaction): Promise<StockPieceModel> {
    const isNew = isNewSheet(sheet, product);
    const row = isNew ? null : await this.pieces.findOne({ where: { [Op.or]: [{ id: sheet }, { origin: sheet }] }, ...now(transaction) });
    if (row && row.state === 'store') {
      await this.store.moved(row, 'cut', whose, transaction, { cutBy: id, reservedFor: null });
      return row;
    }
    const parent = of === null ? null : await this.pieces.findOne({ where: { cutBy: of }, ...now(transaction) });
    const piece = {
      id: await this.store.freeId(isNew ? 'sheet' : 'offcut', transaction),
      product,
      kind: isNew ? ('whole' as const) : ('offcut' as const),
      length: enteredFromNm(length),
      width: enteredFromNm(width),
    };
    const fresh = await this.store.put(piece, isNew ? 'bought' : 'kept', whose, transaction, { origin: asCut(id), parent: parent?.id ?? row?.id ?? null });
    await this.store.moved(fresh, 'cut', whose, transaction, { cutBy: id });
    return fresh;
  }

  /** The tick was taken back: what was made for it goes, what was in the store is there again. */
  private async takeBack(row: StockPieceModel, { id }: SheetState, whose: Whose, transaction: Transaction): Promise<void> {
    for (const kept of await this.keptOf(row, id, transaction)) await this.forget(kept, transaction);
    if (row.origin === asCut(id)) await row.destroy({ transaction });
    else await this.store.moved(row, 'uncut', whose, transaction, { cutBy: null });
  }

  /** An offcut that is no longer left: only while nothing has happened to it. */
  private async forget(row: StockPieceModel, transaction: Transaction): Promise<void> {
    if (isUntouched(row)) await row.destroy({ transaction });
  }
}

/** Read as it is now, not as it was when the transaction began: another may have brought the store here meanwhile. */
const now = (transaction: Transaction): { transaction: Transaction; lock: Transaction['LOCK']['UPDATE'] } => ({ transaction, lock: transaction.LOCK.UPDATE });

const isUntouched = ({ state, reservedFor }: StockPieceModel): boolean => state === 'store' && reservedFor === null;

/** Where a piece came from that only a cut told of. */
const asCut = (state: string): string => `${state} as cut`;
