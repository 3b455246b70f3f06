/** Lessons from a project's record as sentences: what was caught, and what came true. */
import { fineText as exactly, lengthText } from '../checks/words/amounts.ts';
import { labelWords } from '../checks/words/labels.ts';
import { NM_PER, type DisplayUnit, type Length } from '../length/length.ts';
import type { Lesson } from '../journal/lessons.ts';
import type { LogContext } from './log-words.ts';
import { plural } from './step-texts.ts';

/** To a hundredth of a millimeter: the resolution of a caliper. */
const fineText = (nm: number, unit: DisplayUnit): string => exactly(Math.round(nm / (NM_PER.mm / 100)) * (NM_PER.mm / 100), unit);
const absolute = (nm: number): Length => Math.abs(nm) as Length;

export function lessonWords(lesson: Lesson, { plan, products, cabinetNames, unit, currency }: LogContext & { readonly currency: string }): string {
  const part = (id: string): string => {
    const line = plan.parts.find(({ panels }) => panels.includes(id));
    const solid = plan.cabinets.flatMap((each) => each.cabinet.byId.get(id) ?? [])[0];
    return solid ? `${line ? `${line.mark}, ` : ''}${labelWords(solid.name)}` : 'A part that is no longer in the plan';
  };
  const money = (cost: number): string => `${cost.toFixed(2)} ${currency}`.trim();
  const off = (nm: number, measure: 'length' | 'width'): string => `${lengthText(absolute(nm), unit)} too ${nm > 0 ? long(measure) : short(measure)}`;
  switch (lesson.lesson) {
    case 'sheet-measured':
    case 'sheet-too-late': {
      const { product, nominal, mean, slots, hosts, cost } = lesson;
      const apart = `${fineText(absolute(nominal - mean), unit)} too ${mean < nominal ? 'wide' : 'narrow'}`;
      const name = `${products[product]?.name ?? product} measures ${fineText(mean as Length, unit)}`;
      return lesson.lesson === 'sheet-measured'
        ? `${name}: cut for what it is called, ${plural(slots, 'slot')} would have been ${apart}, in ${plural(hosts, 'part')} that cost ${money(cost)}.`
        : `${name}, read after ${plural(slots, 'slot')} ${slots === 1 ? 'was' : 'were'} cut for what it is called: ${slots === 1 ? 'it is' : 'they are'} ${apart}, in ${plural(hosts, 'part')} that cost ${money(cost)}.`;
    }
    case 'part-put-right': {
      const { panel, measure, how, cost } = lesson;
      return how === 'made-again'
        ? `${part(panel)} came out ${off(lesson.off, measure)} and was made again, for ${money(cost)} of sheet.`
        : `${part(panel)} came out ${off(lesson.off, measure)} and was ${how}: not made again for ${money(cost)} of sheet.`;
    }
    case 'part-used':
      return `${part(lesson.panel)} came out ${off(lesson.off, lesson.measure)} and was used as it is.`;
    case 'squared':
      return `${assembly(lesson.assembly)} stood ${fineText(absolute(lesson.was), unit)} out of square, ${fineText(absolute(lesson.allowed), unit)} being the most, and was pulled to ${fineText(absolute(lesson.is), unit)} while the glue was wet.`;
    case 'out-of-square':
      return `${assembly(lesson.assembly)} was left ${fineText(absolute(lesson.is), unit)} out of square, ${fineText(absolute(lesson.allowed), unit)} being the most.`;
    case 'hung-off':
      return `${cabinetNames[lesson.unit]?.name ?? 'A cabinet'} came ${lengthText(absolute(lesson.lower), unit)} ${lesson.lower > 0 ? 'lower' : 'higher'} than asked: lines of the next are drawn for it.`;
    default:
      return lesson satisfies never;
  }

  function assembly(id: string): string {
    const owner = plan.cabinets.find((each) => each.cabinet.byId.has(id));
    return owner ? `What is glued up with ${part(id)} of ${owner.name}` : 'What is no longer in the plan';
  }
}

const long = (measure: 'length' | 'width'): string => (measure === 'length' ? 'long' : 'wide');
const short = (measure: 'length' | 'width'): string => (measure === 'length' ? 'short' : 'narrow');
