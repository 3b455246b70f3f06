import { Injectable } from '@nestjs/common';
import { InjectConnection, InjectModel } from '@nestjs/sequelize';
import { designCodec, outcomeOf, recordCodec, type Json, type RecordEntry } from '@keen/core';
import { transacted } from '../../database/transacted.ts';
import { Op, type Transaction } from 'sequelize';
import { Sequelize } from 'sequelize-typescript';
import { isThere, missing } from '../projects/missing.ts';
import { LiveService } from '../live/live.service.ts';
import { ProjectModel } from '../projects/project.model.ts';
import { CutFollower } from '../stock/cut-follower.ts';
import { readable } from './readable-entries.ts';
import { RecordEntryModel } from './record-entry.model.ts';

export interface StoredEntry {
  /** Its position in the record: entries become visible in this order, none ever below one that was visible before. */
  readonly sequence: number;
  readonly entry: Json;
}

export interface NextTimeNote {
  readonly family: string;
  readonly unit: string;
  readonly text: string;
  readonly at: string;
}

/** Entries of one answer. */
export const MAX_PAGE = 200;
/** Newest first: older notes have been read often enough. */
const MAX_NOTES = 400;

/** Facts that hold for another project on the same wall, from the same sheets. */
const OF_THE_SHOP: readonly RecordEntry['kind'][] = ['thickness', 'scan', 'test-cut'];

@Injectable()
export class RecordService {
  constructor(
    @InjectModel(RecordEntryModel) private readonly rows: typeof RecordEntryModel,
    @InjectModel(ProjectModel) private readonly projects: typeof ProjectModel,
    @InjectConnection() private readonly sequelize: Sequelize,
    private readonly cuts: CutFollower,
    private readonly live: LiveService,
  ) {}

  /** The next entries after a position, at most MAX_PAGE: whoever gets that many asks again after the last. */
  async page(projectId: string, after = 0): Promise<StoredEntry[]> {
    const rows = await this.rows.findAll({ where: { projectId, position: { [Op.gt]: after } }, order: [['position', 'ASC']], limit: MAX_PAGE });
    return rows.map(stored);
  }

  /** The whole record. */
  async all(projectId: string): Promise<StoredEntry[]> {
    const rows = await this.rows.findAll({ where: { projectId }, order: [['position', 'ASC']] });
    return rows.map(stored);
  }

  /**
   * Adds entries, all or none, and answers them with their positions. An entry whose id is there already is left as it is and answered as it
   * stands, so that a queue may be sent again.
   */
  async append(projectId: string, values: readonly object[]): Promise<StoredEntry[]> {
    const entries = values.map((value, index) => recordCodec.read(value, `entries[${index}]`));
    const rows = await transacted(this.sequelize, async (transaction) => {
      const added = await this.add(projectId, entries, transaction);
      if (added.some(({ kind }) => kind === 'sawn' || kind === 'withdrawn')) await this.cuts.follow(projectId, transaction);
      return this.rows.findAll({ where: { projectId, entryId: entries.map(({ id }) => id) }, order: [['position', 'ASC']], transaction });
    });
    this.live.tell({ project: projectId, record: rows.at(-1)?.position ?? 0 });
    return rows.map(stored);
  }

  /** Adds those entries that are not there yet, and gives them. Positions follow the order of commits: the project's row is locked until then. */
  async add(projectId: string, entries: readonly RecordEntry[], transaction: Transaction): Promise<RecordEntry[]> {
    const project = await this.projects.findByPk(projectId, {
      attributes: ['id', 'recordPosition', 'deletedAt'],
      transaction,
      lock: transaction.LOCK.UPDATE,
    });
    if (!isThere(project)) throw missing(project);
    const known = await this.rows.findAll({
      where: { projectId, entryId: entries.map(({ id }) => id) },
      attributes: ['entryId'],
      transaction,
      // Read as committed, not as it was when the transaction began.
      lock: transaction.LOCK.SHARE,
    });
    const ids = new Set(known.map(({ entryId }) => entryId));
    const fresh = entries.filter(({ id }) => !ids.has(id) && ids.add(id));
    if (fresh.length === 0) return [];
    const receivedAt = new Date();
    await this.rows.bulkCreate(
      fresh.map((entry, n) => ({
        projectId,
        position: project.recordPosition + 1 + n,
        entryId: entry.id,
        kind: entry.kind,
        at: new Date(entry.at),
        receivedAt,
        body: recordCodec.write(entry),
      })),
      { transaction },
    );
    await project.update({ recordPosition: project.recordPosition + fresh.length }, { transaction });
    return fresh;
  }

  /** Notes for next time of all projects, with the kind of cabinet they are about. What cannot be read is passed over. */
  async nextTime(): Promise<NextTimeNote[]> {
    const rows = await this.rows.findAll({ where: { kind: ['note', 'withdrawn'] }, order: [['sequence', 'DESC']], limit: MAX_NOTES });
    const entries = rows.flatMap(({ projectId, body }) => readable(body).map((entry) => ({ projectId, entry })));
    const withdrawn = new Set(entries.flatMap(({ projectId, entry }) => (entry.kind === 'withdrawn' ? [`${projectId} ${entry.withdraws}`] : [])));
    const wanted = entries.flatMap(({ projectId, entry }) =>
      entry.kind === 'note' && entry.note.nextTime && !withdrawn.has(`${projectId} ${entry.id}`) ? [{ projectId, entry }] : [],
    );
    const projects = await this.projects.findAll({ where: { id: [...new Set(wanted.map(({ projectId }) => projectId))], deletedAt: null } });
    const designs = new Map(
      projects.flatMap(({ id, document }) => {
        const read = outcomeOf(() => designCodec.read(document, 'document'));
        return read.ok ? [[id, read.value] as const] : [];
      }),
    );
    return wanted.flatMap(({ projectId, entry }): NextTimeNote[] => {
      const unit = designs.get(projectId)?.units[entry.note.unit ?? ''];
      return unit ? [{ family: unit.family, unit: unit.name, text: entry.note.text, at: entry.at }] : [];
    });
  }

  /** Copies what one project knows about sheets, wall and cutters to another that starts as its copy; not what was cut or made. */
  async copy(from: string, to: string, transaction: Transaction): Promise<void> {
    const rows = await this.rows.findAll({ where: { projectId: from }, order: [['position', 'ASC']], transaction });
    const entries = rows.flatMap(({ body }) => readable(body));
    const kept = entries.filter(({ kind }) => OF_THE_SHOP.includes(kind));
    const ids = new Set(kept.map(({ id }) => id));
    const known = entries.filter((entry) => ids.has(entry.id) || (entry.kind === 'withdrawn' && ids.has(entry.withdraws)));
    if (known.length > 0) await this.add(to, known, transaction);
  }
}

const stored = ({ position, body }: RecordEntryModel): StoredEntry => ({ sequence: position, entry: body });
