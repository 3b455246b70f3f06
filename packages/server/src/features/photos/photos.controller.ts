import { Controller, Get, Inject, Param, Put, Req, Res } from '@nestjs/common';
import type { Request, Response } from 'express';
import { DATA_FOLDER } from '../../config.ts';
import { withBodyFile } from '../../problems/raw-body.ts';
import { OpenTo } from '../../access/open-to.ts';
import { notFound } from '../../problems/problem.exception.ts';
import { MAX_PHOTO_BYTES, tooLarge } from './picture.ts';
import { PhotoDto } from './photos.dto.ts';
import { PhotosService, type StoredPhoto } from './photos.service.ts';

@OpenTo('device')
@Controller('api/projects/:id/photos/:photo')
export class PhotosController {
  constructor(
    private readonly photos: PhotosService,
    @Inject(DATA_FOLDER) private readonly dataFolder: string,
  ) {}

  /** The picture itself is the body, whatever type it says it has. */
  @Put()
  async keep(@Param() { id, photo }: PhotoDto, @Req() request: Request): Promise<StoredPhoto> {
    const limits = { dataFolder: this.dataFolder, max: MAX_PHOTO_BYTES, tooLarge };
    return withBodyFile(request, limits, (path) => this.photos.keep(id, photo, path));
  }

  @Get()
  async full(@Param() { id, photo }: PhotoDto, @Res() response: Response): Promise<void> {
    send(response, await this.photos.find(id, photo, 'full'));
  }

  @Get('small')
  async small(@Param() { id, photo }: PhotoDto, @Res() response: Response): Promise<void> {
    send(response, await this.photos.find(id, photo, 'thumbnail'));
  }
}

const send = (response: Response, path: string): void =>
  void response.sendFile(path, { cacheControl: false, lastModified: false, etag: false, headers: { 'Content-Type': 'image/jpeg' } }, (error?: Error) => {
    if (error && !response.headersSent) response.status(404).json(notFound('picture on the disk', 'photo').problem);
  });
