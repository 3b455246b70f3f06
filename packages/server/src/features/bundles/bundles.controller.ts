import { Controller, Get, Inject, Param, Post, Req, Res } from '@nestjs/common';
import { MAX_BUNDLE_BYTES } from '@keen/exchange';
import type { Request, Response } from 'express';
import { OpenTo } from '../../access/open-to.ts';
import { DATA_FOLDER } from '../../config.ts';
import { ProblemException } from '../../problems/problem.exception.ts';
import { withBodyFile } from '../../problems/raw-body.ts';
import type { StoredProject } from '../projects/projects.service.ts';
import { BundlesService } from './bundles.service.ts';

const tooLarge = (): ProblemException =>
  new ProblemException(413, {
    code: 'too-large',
    message: `the file is larger than ${MAX_BUNDLE_BYTES / 1e6} MB`,
    where: 'file',
    accepted: `at most ${MAX_BUNDLE_BYTES / 1e6} MB`,
  });

/** Projects as files: alone, or with their pictures and their journal in one archive. */
@Controller('api')
export class BundlesController {
  constructor(
    private readonly bundles: BundlesService,
    @Inject(DATA_FOLDER) private readonly dataFolder: string,
  ) {}

  @OpenTo('device')
  @Get('projects/:id/bundle')
  async save(@Param('id') id: string, @Res() response: Response): Promise<void> {
    const { name, bytes } = await this.bundles.bundle(id, response);
    response.type('application/zip').set('Content-Disposition', `attachment; filename="${name}"`).send(Buffer.from(bytes));
  }

  /** The project alone, also where it cannot be read: then as it stands, to be mended by hand. */
  @OpenTo('device')
  @Get('projects/:id/file')
  async file(@Param('id') id: string, @Res() response: Response): Promise<void> {
    const { name, bytes } = await this.bundles.file(id, response);
    response.type('application/json').set('Content-Disposition', `attachment; filename="${name}"`).send(Buffer.from(bytes));
  }

  /** A project file or an archive is the body itself, whatever type it says it has. */
  @Post('bundles')
  async open(@Req() request: Request, @Res({ passthrough: true }) response: Response): Promise<StoredProject> {
    return withBodyFile(request, { dataFolder: this.dataFolder, max: MAX_BUNDLE_BYTES, tooLarge }, (path) => this.bundles.open(path, response));
  }
}
