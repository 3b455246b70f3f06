/** A sheet merchant's offers, with their date. */
import { offersCodec, type Offer, type Problem } from '@keen/core';
import { request } from './api.ts';

export interface Catalogue {
  readonly merchant: string;
  readonly offers: readonly Offer[];
  readonly heardAt: string;
  /** Why the offers are not current; null when they are. */
  readonly why: string | null;
}

/** The catalog, or a message that says why there is none. */
export async function merchantCatalogue(): Promise<Catalogue | string> {
  try {
    const { status, body } = await request<Omit<Catalogue, 'offers'> & { readonly offers: unknown } & Problem>('merchant/catalogue');
    return status === 200 ? { ...body, offers: offersCodec.read(body.offers, 'offers') } : `${body.message}: ${body.accepted}`;
  } catch {
    return 'the server does not answer';
  }
}

/** Past prices of the offers, oldest first. */
export interface PriceRow {
  readonly offer: string;
  readonly price: number;
  readonly heardAt: string;
}

/** Empty where nobody answers: prices are then shown without their past. */
export async function merchantPrices(): Promise<readonly PriceRow[]> {
  try {
    const { status, body } = await request<readonly PriceRow[]>('merchant/prices');
    return status === 200 ? body : [];
  } catch {
    return [];
  }
}
