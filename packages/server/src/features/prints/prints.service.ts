/** A stored project on paper: planned anew from what is saved, never from what a screen shows. */
import { Injectable } from '@nestjs/common';
import { designCodec, plan, recordCodec } from '@keen/core';
import { isTrueSizeKind, TRUE_SIZE_KINDS, trueSizeDrawings, trueSizePdf } from '@keen/exchange';
import { notFound, ProblemException } from '../../problems/problem.exception.ts';
import { ProjectsService } from '../projects/projects.service.ts';
import { RecordService } from '../record/record.service.ts';
import { WorkshopService } from '../workshop/workshop.service.ts';
import type { PrintQueryDto } from './prints.dto.ts';

export interface Print {
  readonly name: string;
  readonly pdf: Uint8Array;
}

@Injectable()
export class PrintsService {
  constructor(
    private readonly projects: ProjectsService,
    private readonly record: RecordService,
    private readonly workshop: WorkshopService,
  ) {}

  async print(projectId: string, kind: string, { unit, part, paper, units: display, along, up }: PrintQueryDto): Promise<Print> {
    if (!isTrueSizeKind(kind))
      throw new ProblemException(404, {
        code: 'kind',
        message: `'${kind}' cannot be printed`,
        where: 'kind',
        accepted: `one of: ${TRUE_SIZE_KINDS.join(', ')}`,
      });
    const { document, revision } = await this.projects.find(projectId);
    const design = designCodec.read(document, 'document');
    const record = (await this.record.list(projectId)).map(({ entry }, index) => recordCodec.read(entry, `record[${index}]`));
    const workshop = await this.workshop.read();
    const made = plan(design, record, workshop);
    const units = unit === undefined ? made.units : made.units.filter(({ id }) => id === unit);
    if (units.length === 0) throw notFound('unit', 'unit');
    const marks = part === undefined ? null : part.split(',');
    const known = units.flatMap(({ parts }) => parts.map(({ mark }) => mark));
    const strange = marks?.find((mark) => !known.includes(mark));
    if (strange !== undefined)
      throw new ProblemException(404, {
        code: 'part',
        message: `there is no part '${strange}'`,
        where: 'part',
        accepted: `marks with commas between: ${known.join(', ')}`,
      });
    const drawings = trueSizeDrawings(kind, { plan: made, units, shop: workshop.shop, display, marks });
    if (drawings.length === 0)
      throw new ProblemException(404, {
        code: 'nothing',
        message: `nothing of it asks for ${kind}`,
        where: 'kind',
        accepted: 'another kind, or another cabinet',
      });
    const pdf = await trueSizePdf(drawings, { paper, correction: { along, up }, project: design.name, revision: `revision ${revision}` });
    return { name: `${unit ?? 'all'}-${kind}.pdf`, pdf };
  }
}
