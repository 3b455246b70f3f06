/** Sheets of a print, laid out here as the server does; the drawing code is loaded with the first. */
import type { PaperId, SheetPicture } from '@keen/exchange';
import { useEffect, useMemo, useState } from 'react';
import { useAppSelector } from '../../app/store.ts';
import { selectAvailable, selectOpen, selectPlan, type ShownCabinet } from '../project/selectors.ts';
import type { Printer } from './printers.ts';

type Exchange = typeof import('@keen/exchange');
export type Printed = 'sticks' | 'templates' | 'wedges';

export interface TrueSizeWish {
  readonly kind: Printed;
  /** Mark of one part; '' for all. */
  readonly part: string;
  readonly paper: PaperId;
  readonly printer: Printer;
}

/** Null while the drawing code loads; 'away' when it cannot be loaded. */
export function useTrueSize({ plan: own, unit }: ShownCabinet, { kind, part, paper, printer }: TrueSizeWish): readonly SheetPicture[] | null | 'away' {
  const [exchange, setExchange] = useState<Exchange | 'away' | null>(null);
  const { design } = useAppSelector(selectOpen);
  const plan = useAppSelector(selectPlan);
  const { shop } = useAppSelector(selectAvailable);
  useEffect(() => {
    let gone = false;
    import('@keen/exchange').then(
      (made) => !gone && setExchange(made),
      () => !gone && setExchange('away'),
    );
    return () => void (gone = true);
  }, []);
  return useMemo(() => {
    if (exchange === null || exchange === 'away') return exchange;
    const marks = kind === 'templates' && part !== '' ? [part] : null;
    const drawings = exchange.trueSizeDrawings(kind, { plan, cabinets: [own], shop, display: unit, marks });
    return exchange.trueSizeSheets(drawings, { paper, correction: printer, project: design.name, revision: 'as it is now' });
  }, [exchange, plan, own, shop, unit, kind, part, paper, printer, design.name]);
}
