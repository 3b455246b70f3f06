import { Controller, Get, Param, Post, Req, Res } from '@nestjs/common';
import { MOST_BUNDLE_BYTES } from '@keen/exchange';
import type { Request, Response } from 'express';
import { OpenTo } from '../../access/open-to.ts';
import { ProblemException } from '../../problems/problem.exception.ts';
import { rawBody } from '../../problems/raw-body.ts';
import type { StoredProject } from '../projects/projects.service.ts';
import { BundlesService } from './bundles.service.ts';

const tooLarge = (): ProblemException =>
  new ProblemException(413, {
    code: 'too-large',
    message: `the bundle is larger than ${MOST_BUNDLE_BYTES / 1e6} MB`,
    where: 'file',
    accepted: `at most ${MOST_BUNDLE_BYTES / 1e6} MB`,
  });

/** Projects with their pictures and their journal, in one archive. */
@Controller('api')
export class BundlesController {
  constructor(private readonly bundles: BundlesService) {}

  @OpenTo('device')
  @Get('projects/:id/bundle')
  async save(@Param('id') id: string, @Res() response: Response): Promise<void> {
    const { name, zip } = await this.bundles.bundle(id);
    response.type('application/zip').set('Content-Disposition', `attachment; filename="${name}"`).set('Cache-Control', 'no-store').send(Buffer.from(zip));
  }

  /** The archive itself is the body, whatever type it says it has. */
  @Post('bundles')
  async open(@Req() request: Request): Promise<StoredProject> {
    return this.bundles.open(await rawBody(request, MOST_BUNDLE_BYTES, tooLarge));
  }
}
