/** Display unit of pages outside a project: chosen there, kept in this browser. */
import type { DisplayUnit } from '@keen/core';
import { useState } from 'react';
import { storedText, storeText } from './storage.ts';

const KEY = 'keen-unit';

export function useOwnUnit(): readonly [DisplayUnit, (unit: DisplayUnit) => void] {
  const [unit, setUnit] = useState<DisplayUnit>(kept);
  return [
    unit,
    (next) => {
      setUnit(next);
      storeText(KEY, next);
    },
  ];
}

const kept = (): DisplayUnit => (storedText(KEY) === 'in' ? 'in' : 'mm');
