import { Body, Controller, Get, HttpCode, Post } from '@nestjs/common';
import { IsIn } from 'class-validator';
import { MerchantService, type Catalogue, type MerchantFault, type PriceRow } from './merchant.service.ts';

export class MerchantFaultDto {
  @IsIn(['slow', 'down', 'price', 'out', 'fine'])
  declare how: MerchantFault;
}

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

  @Post('fault')
  @HttpCode(204)
  fault(@Body() { how }: MerchantFaultDto): Promise<void> {
    return this.merchant.fail(how);
  }
}
