import { Controller, Get, Param, Put, Req, Res } from '@nestjs/common';
import type { Request, Response } from 'express';
import { rawBody } from '../../problems/raw-body.ts';
import { OpenTo } from '../../access/open-to.ts';
import { MOST_PHOTO_BYTES, tooLarge } from './picture.ts';
import { PhotoDto } from './photos.dto.ts';
import { PhotosService, type StoredPhoto } from './photos.service.ts';

@OpenTo('device')
@Controller('api/projects/:id/photos/:photo')
export class PhotosController {
  constructor(private readonly photos: PhotosService) {}

  /** The picture itself is the body, whatever type it says it has. */
  @Put()
  async keep(@Param() { id, photo }: PhotoDto, @Req() request: Request): Promise<StoredPhoto> {
    return this.photos.keep(id, photo, await rawBody(request, MOST_PHOTO_BYTES, tooLarge));
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

/** A picture never changes under its id. */
const send = (response: Response, path: string): void =>
  void response.sendFile(path, {
    headers: { 'Content-Type': 'image/jpeg', 'Cache-Control': 'private, max-age=31536000, immutable', 'X-Content-Type-Options': 'nosniff' },
  });
