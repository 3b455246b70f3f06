import { Body, Controller, Delete, Get, HttpCode, Param, Post, Req, Res } from '@nestjs/common';
import type { Request, Response } from 'express';
import { callerOf } from '../../access/caller.ts';
import { deviceCookie } from '../../access/network-gate.ts';
import { endAnswersOf } from '../../access/open-answers.ts';
import { OpenTo } from '../../access/open-to.ts';
import { PairDto } from './sharing.dto.ts';
import { SharingService, type Shared } from './sharing.service.ts';

/** The caller as the pages see it. */
export interface OwnAccess {
  readonly kind: 'desk' | 'device' | 'stranger';
  /** What a paired device is called; null for the others. */
  readonly name: string | null;
}

@Controller('api/sharing')
export class SharingController {
  constructor(private readonly sharing: SharingService) {}

  @Get()
  state(): Promise<Shared> {
    return this.sharing.state();
  }

  @Post('code')
  offer(): Promise<Shared> {
    return this.sharing.offer();
  }

  @Delete('devices/:id')
  forget(@Param('id') id: string): Promise<Shared> {
    return this.sharing.forget(id);
  }

  /** For a device that is not paired yet. */
  @OpenTo('anyone')
  @Post('pair')
  @HttpCode(200)
  async pair(@Body() { code, name }: PairDto, @Res({ passthrough: true }) response: Response): Promise<{ paired: true }> {
    const { token, maxAgeS } = await this.sharing.pair(code, name);
    response.setHeader('Set-Cookie', deviceCookie(token, maxAgeS));
    return { paired: true };
  }

  @OpenTo('anyone')
  @Get('own')
  own(@Req() request: Request): OwnAccess {
    const caller = callerOf(request);
    return { kind: caller.kind, name: caller.kind === 'device' ? caller.name : null };
  }

  /** Signs the calling device out. */
  @OpenTo('device')
  @Delete('own')
  @HttpCode(204)
  async leave(@Req() request: Request, @Res() response: Response): Promise<void> {
    const caller = callerOf(request);
    if (caller.kind === 'device') {
      await this.sharing.leave(caller.id);
      // Only now: this answer is one of the device's own.
      response.once('finish', () => endAnswersOf(caller.id));
    }
    response.setHeader('Set-Cookie', deviceCookie('', 0));
    response.status(204).end();
  }
}
