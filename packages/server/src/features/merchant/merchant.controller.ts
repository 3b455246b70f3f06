import { Body, Controller, Get, HttpCode, Post } from '@nestjs/common';
import { IsIn } from 'class-validator';
import { FaultSwitch } from '../../access/fault-switch.ts';
import { OpenTo } from '../../access/open-to.ts';
import { MerchantService, type Catalogue, type MerchantFault, type PriceRow } from './merchant.service.ts';

export class MerchantFaultDto {
  @IsIn(['slow', 'down', 'price', 'out', 'fine'])
  declare how: MerchantFault;
}

@OpenTo('device')
@Controller('api/merchant')
export class MerchantController {
  constructor(private readonly merchant: MerchantService) {}

  @Get('catalogue')
  catalogue(): Promise<Catalogue> {
    return this.merchant.catalogue();
  }

  @Get('prices')
  prices(): Promise<PriceRow[]> {
    return this.merchant.history();
  }

  @FaultSwitch()
  @Post('fault')
  @HttpCode(204)
  fault(@Body() { how }: MerchantFaultDto): Promise<void> {
    return this.merchant.fail(how);
  }
}
