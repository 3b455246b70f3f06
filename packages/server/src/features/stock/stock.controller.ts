import { Body, Controller, Delete, Get, HttpCode, Param, Post, Put, Query, Req, Res } from '@nestjs/common';
import express, { type Request, type Response } from 'express';
import { OpenTo } from '../../access/open-to.ts';
import { ProblemException } from '../../problems/problem.exception.ts';
import type { StoredWorkshop } from '../workshop/workshop.service.ts';
import { CutByDto, KeepForDto } from './stock.dto.ts';
import { MOST_PICTURE_BYTES, StockService, type StockHistory } from './stock.service.ts';

const rawPicture = express.raw({ type: ['image/jpeg', 'image/png'], limit: MOST_PICTURE_BYTES });

const tooLarge = (): ProblemException =>
  new ProblemException(413, { code: 'too-large', message: 'the picture is too large', where: 'body', accepted: `at most ${MOST_PICTURE_BYTES / 1e6} MB` });

@Controller('api/stock')
export class StockController {
  constructor(private readonly stock: StockService) {}

  @Post('reserve')
  @HttpCode(200)
  reserve(@Body() { project, pieces }: KeepForDto): Promise<StoredWorkshop> {
    return this.stock.reserve(project, pieces);
  }

  @Post('release')
  @HttpCode(200)
  release(@Body() { project, pieces }: KeepForDto): Promise<StoredWorkshop> {
    return this.stock.release(project, pieces);
  }

  /** The piece a sheet of a settled layout is cut from. */
  @OpenTo('device')
  @Get()
  cutBy(@Query() { cutBy }: CutByDto): Promise<StockHistory> {
    return this.stock.cutBy(cutBy);
  }

  @OpenTo('device')
  @Get(':id')
  history(@Param('id') id: string): Promise<StockHistory> {
    return this.stock.history(id);
  }

  @OpenTo('device')
  @Get(':id/picture')
  async picture(@Param('id') id: string, @Res() response: Response): Promise<void> {
    const { type, bytes } = await this.stock.picture(id);
    response.setHeader('X-Content-Type-Options', 'nosniff');
    response.setHeader('Cache-Control', 'no-cache');
    response.type(type).send(bytes);
  }

  @OpenTo('device')
  @Put(':id/picture')
  @HttpCode(204)
  async setPicture(@Param('id') id: string, @Req() request: Request, @Res({ passthrough: true }) response: Response): Promise<void> {
    await new Promise<void>((resolve, reject) => rawPicture(request, response, (error?: unknown) => (error ? reject(tooLarge()) : resolve())));
    await this.stock.setPicture(id, Buffer.isBuffer(request.body) ? request.body : Buffer.alloc(0));
  }

  @Delete(':id/picture')
  @HttpCode(204)
  removePicture(@Param('id') id: string): Promise<void> {
    return this.stock.removePicture(id);
  }
}
