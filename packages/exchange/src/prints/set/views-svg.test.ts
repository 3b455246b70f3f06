import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import { plan, readProjectFile } from '@keen/core';
import { SaxesParser } from 'saxes';
import { viewsSvg, type DrawingId } from './views-svg.ts';

const read = readProjectFile(readFileSync(new URL('../../../../../examples/print-room-back.carcass.json', import.meta.url), 'utf8'));
if (!read.ok) throw new Error(read.problem.message);
const { design, record, workshop } = read.value;
const made = plan(design, record, workshop);

/** Read by another parser: words, and the stretch all lines stand in. */
function read1(svg: string): { readonly words: string[]; readonly paths: number; readonly width: string } {
  const words: string[] = [];
  let [paths, width, text] = [0, '', ''];
  const parser = new SaxesParser();
  parser.on('opentag', ({ name, attributes }) => {
    if (name === 'svg') width = String(attributes['width']);
    if (name === 'path') paths += 1;
    text = '';
  });
  parser.on('text', (said) => (text += said));
  parser.on('closetag', ({ name }) => void (name === 'text' && words.push(text)));
  parser.write(svg).close();
  return { words, paths, width };
}

describe.each(made.cabinets.map((cabinetPlan) => [cabinetPlan.name, cabinetPlan] as const))('%s', (_, cabinetPlan) => {
  const of = (...ids: DrawingId[]) => read1(viewsSvg(ids, { plan: cabinetPlan, parts: made.parts, display: 'mm', open: false }));

  test('each drawing is well-formed, sized in millimeters, to a scale, and names its parts', () => {
    for (const ids of [['front', 'section'], ['right', 'plan'], ['back'], ['apart']] as DrawingId[][]) {
      const { words, paths, width } = of(...ids);
      expect(width).toBe('420mm');
      expect(paths).toBeGreaterThan(3);
      expect(words.filter((text) => /, [\d.]+ : [\d.]+$/.test(text))).toHaveLength(ids.length);
      expect(words.some((text) => text.startsWith(cabinetPlan.letter))).toBe(true);
    }
  });
});

test('nothing is drawn where nothing is asked for', () => {
  expect(() => viewsSvg([], { plan: made.cabinets[0]!, parts: made.parts, display: 'mm', open: false })).toThrow(RangeError);
});
