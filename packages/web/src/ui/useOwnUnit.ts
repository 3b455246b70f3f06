/** The unit of pages that belong to no project: chosen there, kept in this browser. */
import type { DisplayUnit } from '@keen/core';
import { useState } from 'react';

const KEY = 'keen-unit';

export function useOwnUnit(): readonly [DisplayUnit, (unit: DisplayUnit) => void] {
  const [unit, setUnit] = useState<DisplayUnit>(kept);
  return [
    unit,
    (next) => {
      setUnit(next);
      try {
        localStorage.setItem(KEY, next);
      } catch {
        // A browser that keeps nothing shows it all the same.
      }
    },
  ];
}

function kept(): DisplayUnit {
  try {
    return localStorage.getItem(KEY) === 'in' ? 'in' : 'mm';
  } catch {
    return 'mm';
  }
}
