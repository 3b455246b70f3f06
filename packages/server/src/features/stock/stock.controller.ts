import { Body, Controller, Delete, Get, HttpCode, Inject, Param, Post, Put, Query, Req, Res } from '@nestjs/common';
import type { Request, Response } from 'express';
import { OpenTo } from '../../access/open-to.ts';
import { DATA_FOLDER } from '../../config.ts';
import { withBodyFile } from '../../problems/raw-body.ts';
import { MAX_PHOTO_BYTES, tooLarge } from '../photos/picture.ts';
import type { StoredWorkshop } from '../workshop/workshop.service.ts';
import { CutByDto, KeepForDto } from './stock.dto.ts';
import { StockService, type StockHistory } from './stock.service.ts';

@Controller('api/stock')
export class StockController {
  constructor(
    private readonly stock: StockService,
    @Inject(DATA_FOLDER) private readonly dataFolder: string,
  ) {}

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

  /** The picture itself is the body, whatever type it says it has. */
  @OpenTo('device')
  @Put(':id/picture')
  @HttpCode(204)
  async setPicture(@Param('id') id: string, @Req() request: Request): Promise<void> {
    const limits = { dataFolder: this.dataFolder, max: MAX_PHOTO_BYTES, tooLarge };
    await withBodyFile(request, limits, (path) => this.stock.setPicture(id, path));
  }

  @Delete(':id/picture')
  @HttpCode(204)
  removePicture(@Param('id') id: string): Promise<void> {
    return this.stock.removePicture(id);
  }
}
