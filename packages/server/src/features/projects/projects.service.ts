import { randomUUID } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import { InjectConnection, InjectModel } from '@nestjs/sequelize';
import { checkProducts, designCodec, outcomeOf, readProject, specsInOrder, type Design, type Json, type Problem, type ProjectFile } from '@keen/core';
import { transacted } from '../../database/transacted.ts';
import { Op, type Transaction } from 'sequelize';
import { Sequelize } from 'sequelize-typescript';
import { notFound, stale } from '../../problems/problem.exception.ts';
import { LiveService } from '../live/live.service.ts';
import { RecordService } from '../record/record.service.ts';
import { WorkshopService } from '../workshop/workshop.service.ts';
import { CutFollower } from '../stock/cut-follower.ts';
import { isThere, missing } from './missing.ts';
import { ProjectModel } from './project.model.ts';
import { ProjectUnitModel } from './project-unit.model.ts';
import { RevisionModel } from './revision.model.ts';

export interface ProjectRow {
  readonly id: string;
  readonly name: string;
  readonly demo: boolean;
  readonly revision: number;
  readonly updatedAt: string;
  /** Null where the document cannot be read: `problem` says why, and its file can still be saved. */
  readonly wall: WallSize | null;
  readonly problem: Problem | null;
  readonly units: readonly {
    readonly id: string;
    readonly name: string;
    readonly widthMm: number;
    readonly heightMm: number;
    readonly alongMm: number;
    readonly upMm: number;
    readonly shelves: number;
  }[];
}

interface WallSize {
  readonly widthMm: number;
  readonly ceilingMm: number;
}

/** What a document says of its wall, or why it cannot be read. */
type Readable = { readonly wall: WallSize; readonly problem: null } | { readonly wall: null; readonly problem: Problem };

/** A project about to be inserted. */
interface NewRow {
  readonly id: string;
  readonly demo: boolean;
  readonly revision: number;
  /** Where its record goes on counting; 0 for a new project. */
  readonly recordPosition?: number;
}

export interface StoredProject {
  readonly id: string;
  readonly demo: boolean;
  readonly revision: number;
  readonly document: Json;
}

export interface DeletedRow {
  readonly id: string;
  readonly name: string;
  readonly deletedAt: string;
}

export interface RevisionRow {
  readonly number: number;
  readonly savedAt: string;
  /** The version it brought back; null for one that was edited. */
  readonly restoredFrom: number | null;
}

/** Saves of one tab within this time are one revision in the history. */
const FOLD_MS = 120_000;
const NM_PER_MM = 1_000_000;
const UNIT_COLUMNS: (keyof ProjectUnitModel)[] = ['name', 'position', 'widthNm', 'heightNm', 'alongNm', 'upNm', 'shelves'];

@Injectable()
export class ProjectsService {
  private readonly read = new Map<string, { readonly revision: number; readonly readable: Readable }>();
  /** The revision each project's next save may fold into, by this process's own clock, which nobody can set back. */
  private readonly folding = new Map<string, { readonly revision: number; readonly sinceMs: number }>();

  constructor(
    @InjectModel(ProjectModel) private readonly projects: typeof ProjectModel,
    @InjectModel(ProjectUnitModel) private readonly units: typeof ProjectUnitModel,
    @InjectModel(RevisionModel) private readonly revisions: typeof RevisionModel,
    @InjectConnection() private readonly sequelize: Sequelize,
    private readonly workshop: WorkshopService,
    private readonly record: RecordService,
    private readonly cuts: CutFollower,
    private readonly live: LiveService,
  ) {}

  /** All projects as home draws them, the last touched first. */
  async list(): Promise<ProjectRow[]> {
    const projects = await this.projects.findAll({
      where: { deletedAt: null },
      order: [
        ['updatedAt', 'DESC'],
        ['id', 'ASC'],
      ],
    });
    const units = await this.units.findAll({ where: { projectId: projects.map(({ id }) => id) }, order: [['position', 'ASC']] });
    return projects.map((project) => {
      return {
        id: project.id,
        name: project.name,
        demo: project.demo,
        revision: project.revision,
        updatedAt: project.updatedAt.toISOString(),
        ...this.readable(project),
        units: units
          .filter(({ projectId }) => projectId === project.id)
          .map((unit) => ({
            id: unit.unitId,
            name: unit.name,
            widthMm: unit.widthNm / NM_PER_MM,
            heightMm: unit.heightNm / NM_PER_MM,
            alongMm: unit.alongNm / NM_PER_MM,
            upMm: unit.upNm / NM_PER_MM,
            shelves: unit.shelves,
          })),
      };
    });
  }

  /** Reading a document takes milliseconds, so each revision is read once. */
  private readable({ id, revision, document }: ProjectModel): Readable {
    const known = this.read.get(id);
    if (known?.revision === revision) return known.readable;
    const read = outcomeOf(() => designCodec.read(document, 'document'));
    const readable: Readable = read.ok
      ? { wall: { widthMm: read.value.wall.width.nm / NM_PER_MM, ceilingMm: read.value.wall.ceiling.nm / NM_PER_MM }, problem: null }
      : { wall: null, problem: read.problem };
    this.read.set(id, { revision, readable });
    return readable;
  }

  async find(id: string): Promise<StoredProject> {
    const project = await this.projects.findByPk(id);
    if (!isThere(project)) throw missing(project);
    return { id: project.id, demo: project.demo, revision: project.revision, document: project.document };
  }

  async create(value: object): Promise<StoredProject> {
    const design = designCodec.read(value, 'design');
    return transacted(this.sequelize, async (transaction) => {
      checkProducts(design, await this.workshop.read(transaction));
      return this.insert({ id: randomUUID(), demo: false, revision: 1 }, design, transaction);
    });
  }

  /** A project file becomes a project: products it brings are added to the workshop, its record is kept. All or nothing. */
  async import(value: object): Promise<StoredProject> {
    const file = readProject(value);
    return transacted(this.sequelize, (transaction) => this.insertFile({ id: randomUUID(), demo: false, revision: 1 }, file, transaction));
  }

  async insertFile(row: NewRow, { design, record, workshop }: ProjectFile, transaction: Transaction): Promise<StoredProject> {
    await this.workshop.adopt(workshop.products, transaction);
    const stored = await this.insert(row, design, transaction);
    if (record.length > 0) await this.record.add(row.id, record, transaction);
    return stored;
  }

  /** Takes a project and all that hangs on it out of the tables; false when it was not there. */
  async erase(id: string, transaction: Transaction): Promise<ProjectModel | null> {
    const old = await this.projects.findByPk(id, { transaction, lock: transaction.LOCK.UPDATE });
    await old?.destroy({ transaction });
    return old;
  }

  /**
   * Replaces the document when nobody has since `base`; throws 409 with the current one otherwise, and whose it is: a tab knows its own earlier
   * save by it. `restoredFrom`: the version it brings back; null for an edit.
   */
  async save(id: string, base: number, session: string, value: object, restoredFrom: number | null = null): Promise<{ revision: number }> {
    const design = designCodec.read(value, 'document');
    const saved = await transacted(this.sequelize, async (transaction) => {
      const project = await this.locked(id, transaction);
      if (project.revision !== base) {
        const last = await this.revisions.findOne({ where: { projectId: id }, order: [['number', 'DESC']], attributes: ['session'], transaction });
        throw stale(base, { revision: project.revision, document: project.document, session: last?.session ?? '' });
      }
      checkProducts(design, await this.workshop.read(transaction));
      const revision = await this.write(project, design, session, transaction, restoredFrom);
      // A layout may arrive after the cuts that were ticked on it.
      await this.cuts.follow(id, transaction, design);
      return { revision };
    });
    this.live.tell({ project: id, revision: saved.revision, session });
    return saved;
  }

  async rename(id: string, name: string): Promise<StoredProject> {
    return transacted(this.sequelize, async (transaction) => {
      const project = await this.locked(id, transaction);
      // Read with its new name: what is written can be read again.
      const design = designCodec.read({ ...(project.document as object), name }, 'document');
      await this.write(project, design, 'rename', transaction);
      return { id, demo: project.demo, revision: project.revision, document: project.document };
    });
  }

  async duplicate(id: string): Promise<StoredProject> {
    return transacted(this.sequelize, async (transaction) => {
      const source = await this.locked(id, transaction);
      const design = designCodec.read(source.document, 'document');
      const copy = await this.insert(
        { id: randomUUID(), demo: false, revision: 1 },
        { ...design, layouts: {}, name: `${design.name}, copy`.slice(0, 80) },
        transaction,
      );
      // Readings are facts about the sheets: a copy without them would be cut to nominal thickness.
      await this.record.copy(id, copy.id, transaction);
      return copy;
    });
  }

  async remove(id: string): Promise<void> {
    const [count] = await this.projects.update({ deletedAt: new Date() }, { where: { id, deletedAt: null } });
    if (count === 0) throw missing(await this.projects.findByPk(id, { attributes: ['deletedAt'] }));
  }

  /** What was deleted and comes back when it is asked for, the last first. */
  async deleted(): Promise<DeletedRow[]> {
    const rows = await this.projects.findAll({
      where: { deletedAt: { [Op.ne]: null } },
      attributes: ['id', 'name', 'deletedAt'],
      order: [
        ['deletedAt', 'DESC'],
        ['id', 'ASC'],
      ],
    });
    return rows.map(({ id, name, deletedAt }) => ({ id, name, deletedAt: deletedAt!.toISOString() }));
  }

  async restore(id: string): Promise<StoredProject> {
    await this.projects.update({ deletedAt: null }, { where: { id } });
    return this.find(id);
  }

  async history(id: string): Promise<RevisionRow[]> {
    await this.find(id);
    const rows = await this.revisions.findAll({
      where: { projectId: id },
      order: [['number', 'DESC']],
      limit: 200,
      attributes: ['number', 'savedAt', 'restoredFrom'],
    });
    return rows.map(({ number, savedAt, restoredFrom }) => ({ number, savedAt: savedAt.toISOString(), restoredFrom }));
  }

  async revision(id: string, number: number): Promise<{ number: number; document: Json; restoredFrom: number | null }> {
    const row = await this.revisions.findOne({ where: { projectId: id, number } });
    if (!row) throw notFound('revision', 'number');
    return { number, document: row.document, restoredFrom: row.restoredFrom };
  }

  /** The old document becomes the newest revision: nothing in between is lost. */
  async restoreRevision(id: string, number: number, base: number, session: string): Promise<StoredProject> {
    const { document, restoredFrom } = await this.revision(id, number);
    await this.save(id, base, `${session}-restored`.slice(0, 64), document as object, restoredFrom ?? number);
    return this.find(id);
  }

  private async locked(id: string, transaction: Transaction): Promise<ProjectModel> {
    const project = await this.projects.findByPk(id, { transaction, lock: transaction.LOCK.UPDATE });
    if (!isThere(project)) throw missing(project);
    return project;
  }

  private async insert(row: NewRow, design: Design, transaction: Transaction): Promise<StoredProject> {
    const document = designCodec.write(design);
    const now = new Date();
    await this.projects.create({ ...row, name: design.name, document, createdAt: now, updatedAt: now, deletedAt: null }, { transaction });
    await this.project(row.id, design, transaction);
    await this.keep(row.id, row.revision, 'created', document, transaction);
    return { id: row.id, demo: row.demo, revision: row.revision, document };
  }

  private async write(project: ProjectModel, design: Design, session: string, transaction: Transaction, restoredFrom: number | null = null): Promise<number> {
    const document = designCodec.write(design);
    const revision = project.revision + 1;
    await project.update({ name: design.name, revision, document, updatedAt: new Date() }, { transaction });
    await this.project(project.id, design, transaction);
    await this.keep(project.id, revision, session, document, transaction, restoredFrom);
    return revision;
  }

  /** Writes the rows home is drawn from. */
  private async project(projectId: string, design: Design, transaction: Transaction): Promise<void> {
    const rows = specsInOrder(design).map((unit, position) => ({
      projectId,
      unitId: unit.id,
      name: unit.name,
      position,
      widthNm: unit.width.nm,
      heightNm: unit.height.nm,
      alongNm: unit.place.along.nm,
      upNm: unit.place.up.nm,
      shelves: 'shelves' in unit ? Object.keys(unit.shelves).length : 0,
    }));
    const there = await this.units.findAll({ where: { projectId }, order: [['position', 'ASC']], transaction });
    // Most saves leave them as they are.
    if (rows.length === there.length && rows.every((row, n) => (Object.keys(row) as (keyof typeof row)[]).every((key) => row[key] === there[n]![key]))) return;
    const kept = new Set(rows.map(({ unitId }) => unitId));
    const gone = there.flatMap(({ unitId }) => (kept.has(unitId) ? [] : [unitId]));
    if (gone.length > 0) await this.units.destroy({ where: { projectId, unitId: gone }, transaction });
    if (rows.length > 0) await this.units.bulkCreate(rows, { updateOnDuplicate: UNIT_COLUMNS, transaction });
  }

  private async keep(
    projectId: string,
    number: number,
    session: string,
    document: Json,
    transaction: Transaction,
    restoredFrom: number | null = null,
  ): Promise<void> {
    const { workshop } = await this.workshop.find(transaction);
    const now = new Date();
    const nowMs = performance.now();
    const last = await this.revisions.findOne({
      where: { projectId },
      order: [['number', 'DESC']],
      attributes: ['id', 'session'],
      transaction,
    });
    const fold = this.folding.get(projectId);
    if (last && last.session === session && fold?.revision === Number(last.id) && nowMs - fold.sinceMs < FOLD_MS)
      return void (await last.update({ number, document, workshop, savedAt: now, restoredFrom }, { transaction }));
    const made = await this.revisions.create({ projectId, number, session, document, workshop, startedAt: now, savedAt: now, restoredFrom }, { transaction });
    this.folding.set(projectId, { revision: Number(made.id), sinceMs: nowMs });
  }
}
