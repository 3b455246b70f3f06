import { Injectable } from '@nestjs/common';
import { InjectConnection, InjectModel } from '@nestjs/sequelize';
import { designCodec, recordCodec, type Json, type RecordEntry } from '@keen/core';
import { transacted } from '../../database/transacted.ts';
import { Op, type Transaction } from 'sequelize';
import { Sequelize } from 'sequelize-typescript';
import { notFound } from '../../problems/problem.exception.ts';
import { LiveService } from '../live/live.service.ts';
import { ProjectModel } from '../projects/project.model.ts';
import { CutFollower } from '../stock/cut-follower.ts';
import { RecordEntryModel } from './record-entry.model.ts';

export interface StoredEntry {
  readonly sequence: number;
  readonly entry: Json;
}

export interface NextTimeNote {
  readonly family: string;
  readonly unit: string;
  readonly text: string;
  readonly at: string;
}

/** Newest first: older ones have been heard often enough. */
const MOST_NOTES = 400;

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

  async list(projectId: string, after = 0): Promise<StoredEntry[]> {
    const rows = await this.rows.findAll({ where: { projectId, sequence: { [Op.gt]: after } }, order: [['sequence', 'ASC']] });
    return rows.map(({ sequence, body }) => ({ sequence: Number(sequence), entry: body }));
  }

  /** Adds entries; one that is already there is left as it is, so that a queue may be sent again. All or none. */
  async append(projectId: string, values: readonly object[]): Promise<StoredEntry[]> {
    const entries = values.map((value, index) => recordCodec.read(value, `entries[${index}]`));
    await transacted(this.sequelize, async (transaction) => {
      const project = await this.projects.findOne({ where: { id: projectId, deletedAt: null }, transaction });
      if (!project) throw notFound('project', 'id');
      await this.add(projectId, entries, transaction);
      if (entries.some(({ kind, withdraws }) => kind === 'sawn' || withdraws !== undefined)) await this.cuts.follow(projectId, transaction);
    });
    const all = await this.list(projectId);
    this.live.tell({ project: projectId, record: all.at(-1)?.sequence ?? 0 });
    return all;
  }

  async add(projectId: string, entries: readonly RecordEntry[], transaction: Transaction): Promise<void> {
    const rows = entries.map((entry) => ({
      projectId,
      entryId: entry.id,
      kind: entry.kind,
      at: new Date(entry.at),
      receivedAt: new Date(),
      body: recordCodec.write(entry),
    }));
    await this.rows.bulkCreate(rows, { transaction, ignoreDuplicates: true });
  }

  /** Notes for next time that stand, of all projects, with what kind of unit they are of: said again when a similar one is begun. */
  async nextTime(): Promise<NextTimeNote[]> {
    const rows = await this.rows.findAll({ where: { kind: ['note', 'withdrawn'] }, order: [['sequence', 'DESC']], limit: MOST_NOTES });
    const entries = rows.map(({ projectId, body }, index) => ({ projectId, entry: recordCodec.read(body, `entries[${index}]`) }));
    const withdrawn = new Set(entries.map(({ entry }) => entry.withdraws));
    const wanted = entries.filter(({ entry }) => entry.note?.nextTime && !withdrawn.has(entry.id));
    const projects = await this.projects.findAll({ where: { id: [...new Set(wanted.map(({ projectId }) => projectId))], deletedAt: null } });
    const designs = new Map(projects.map(({ id, document }) => [id, designCodec.read(document, 'document')]));
    return wanted.flatMap(({ projectId, entry }): NextTimeNote[] => {
      const unit = designs.get(projectId)?.units[entry.note!.unit ?? ''];
      return unit ? [{ family: unit.family, unit: unit.name, text: entry.note!.text, at: entry.at }] : [];
    });
  }

  /** What one project knows of sheets, wall and cutters, for another that begins as its copy: of what is cut and made, that has nothing. */
  async copy(from: string, to: string, transaction: Transaction): Promise<void> {
    const rows = await this.rows.findAll({ where: { projectId: from }, order: [['sequence', 'ASC']], transaction });
    const entries = rows.map(({ body }, index) => recordCodec.read(body, `entries[${index}]`));
    const kept = entries.filter(({ kind }) => OF_THE_SHOP.includes(kind));
    const ids = new Set(kept.map(({ id }) => id));
    const known = entries.filter(({ id, withdraws }) => ids.has(id) || (withdraws !== undefined && ids.has(withdraws)));
    if (known.length > 0) await this.add(to, known, transaction);
  }
}
