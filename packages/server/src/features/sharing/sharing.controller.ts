import { Body, Controller, Delete, Get, HttpCode, Param, Post, Res } from '@nestjs/common';
import type { Response } from 'express';
import { PairDto } from './sharing.dto.ts';
import { DEVICE_COOKIE } from './lan-guard.ts';
import { SharingService, type Shared } from './sharing.service.ts';

const YEAR_S = 365 * 86_400;

@Controller('api/sharing')
export class SharingController {
  constructor(private readonly sharing: SharingService) {}

  /** For the desk alone: the guard lets no other device here. */
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
  @Post('pair')
  @HttpCode(200)
  async pair(@Body() { code, name }: PairDto, @Res({ passthrough: true }) response: Response): Promise<{ paired: true }> {
    const token = await this.sharing.pair(code, name);
    response.setHeader('Set-Cookie', `${DEVICE_COOKIE}=${token}; Path=/; Max-Age=${YEAR_S}; HttpOnly; Secure; SameSite=Strict`);
    return { paired: true };
  }
}
