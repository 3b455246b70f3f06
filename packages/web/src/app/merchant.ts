/** What the sheet merchant offers, with from when it is. */
import { offersCodec, type Offer, type Problem } from '@keen/core';
import { request } from './api.ts';

export interface Catalogue {
  readonly merchant: string;
  readonly offers: readonly Offer[];
  readonly heardAt: string;
  /** Why it is not from just now; null when it is. */
  readonly why: string | null;
}

/** The catalog, or a sentence that says why there is none. */
export async function merchantCatalogue(): Promise<Catalogue | string> {
  try {
    const { status, body } = await request<Omit<Catalogue, 'offers'> & { readonly offers: unknown } & Problem>('merchant/catalogue');
    return status === 200 ? { ...body, offers: offersCodec.read(body.offers, 'offers') } : `${body.message}: ${body.accepted}`;
  } catch {
    return 'the server does not answer';
  }
}

/** What was asked for offers, from when on, the oldest first. */
export interface PriceRow {
  readonly offer: string;
  readonly price: number;
  readonly heardAt: string;
}

/** Nothing where nobody answers: prices are told without their past then. */
export async function merchantPrices(): Promise<readonly PriceRow[]> {
  try {
    const { status, body } = await request<readonly PriceRow[]>('merchant/prices');
    return status === 200 ? body : [];
  } catch {
    return [];
  }
}
