/** A polite live region for screen readers: 600 ms after the last change, the size and new findings. */
import { findingWords, tapeTextWithUnit } from '@keen/core';
import { useEffect, useRef, useState } from 'react';
import { useCabinet } from './selectors.ts';

const QUIET_MS = 600;

export function LiveRegion() {
  const shown = useCabinet();
  const [words, setWords] = useState('');
  const known = useRef<ReadonlySet<string>>(new Set());
  const plan = shown?.plan;
  const unit = shown?.unit ?? 'mm';
  useEffect(() => {
    if (!plan) return;
    const timer = setTimeout(() => {
      const texts = plan.findings.map((finding) => findingWords(finding, unit).says);
      const fresh = texts.filter((text) => !known.current.has(text));
      const first = known.current.size === 0;
      known.current = new Set(['', ...texts]);
      const { width, height, depth } = plan.cabinet.outside;
      const size = [width, height, depth].map(({ value }) => tapeTextWithUnit(value, unit)).join(' by ');
      setWords(first ? '' : `${size}. ${fresh.join(' ')}`);
    }, QUIET_MS);
    return () => clearTimeout(timer);
  }, [plan, unit]);
  return (
    <div className="sr" aria-live="polite">
      {words}
    </div>
  );
}
