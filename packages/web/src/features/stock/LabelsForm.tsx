/** What the bottle of a glue and the tin of a finish say, where somebody read it: the usual figures of the kind stand until then. */
import { FINISHES, LITERS_PER_QUART, finishOf, GLUES, glueOf, type DisplayUnit, type Finish, type GlueId, type Shop } from '@keen/core';
import { Button } from '@mui/material';
import { NumberField } from '../../ui/NumberField.tsx';

export interface LabelsFormProps {
  readonly shop: Shop;
  readonly unit: DisplayUnit;
  readonly onChange: (labels: Shop['labels']) => void;
}

/** A fortnight, minutes. */
const LONGEST = 14 * 24 * 60;
const inF = (celsius: number): number => (celsius * 9) / 5 + 32;
const inC = (fahrenheit: number): number => Math.round((((fahrenheit - 32) * 5) / 9) * 100) / 100;
/** m² a liter, and square feet a quart. */
const FT2_PER_QUART = LITERS_PER_QUART / 0.09290304;

type Row = Readonly<Record<string, number>>;

export function LabelsForm({ shop, unit, onChange }: LabelsFormProps) {
  const { glues, finishes } = shop.labels;
  return (
    <section aria-labelledby="shop-labels">
      <h3 id="shop-labels">What labels say</h3>
      <p className="quiet">Minutes and hours at 20 °C. What is not read off a label goes by the usual figures of its kind, on the slow side.</p>
      {(Object.keys(GLUES) as GlueId[]).map((id) => {
        const { name, openMin, clampMin, cureMin, leastC } = glueOf(id, shop);
        return (
          <Label
            key={id}
            id={`glue.${id}`}
            name={name}
            text={`open ${openMin} min, ${clampMin} min in the clamps, strong after ${cureMin / 60} h`}
            read={Object.hasOwn(glues, id)}
            values={{ openMin, clampMin, cureMin, leastC }}
            unit={unit}
            onChange={(row) => onChange({ ...shop.labels, glues: changed(glues, id, row) })}
          />
        );
      })}
      {(Object.keys(FINISHES) as Finish['id'][]).map((id) => {
        const { name, coats, recoatMin, dryMin, coversM2, leastC } = finishOf({ kind: id }, shop)!;
        return (
          <Label
            key={id}
            id={`finish.${id}`}
            name={name}
            text={`${coats} coats, ${recoatMin / 60} h between them, dry after ${dryMin / 60} h`}
            read={Object.hasOwn(finishes, id)}
            values={{ coats, recoatMin, dryMin, coversM2, leastC }}
            unit={unit}
            onChange={(row) => onChange({ ...shop.labels, finishes: changed(finishes, id, row) })}
          />
        );
      })}
    </section>
  );
}

/** A row put in, or taken back. */
function changed<T>(rows: Readonly<Record<string, T>>, id: string, row: Row | null): Readonly<Record<string, T>> {
  const others = Object.fromEntries(Object.entries(rows).filter(([each]) => each !== id));
  return row === null ? others : { ...others, [id]: row as unknown as T };
}

interface LabelProps {
  readonly id: string;
  readonly name: string;
  readonly text: string;
  /** Somebody read it. */
  readonly read: boolean;
  readonly values: Row;
  readonly unit: DisplayUnit;
  readonly onChange: (row: Row | null) => void;
}

/** How a figure of a label is asked for. */
interface Asked {
  readonly words: string;
  readonly unit: string;
  readonly least: number;
  readonly most: number;
  readonly whole?: boolean;
  /** From what is kept to what is typed, and back. */
  readonly shown?: (kept: number) => number;
  readonly kept?: (shown: number) => number;
}

const hours = { shown: (min: number) => min / 60, kept: (h: number) => h * 60, least: 1 / 60, most: LONGEST / 60, unit: 'h' };

const asked = (unit: DisplayUnit): Readonly<Record<string, Asked>> => ({
  openMin: { words: 'stays open', unit: 'min', least: 1, most: LONGEST },
  clampMin: { words: 'in the clamps', unit: 'min', least: 1, most: LONGEST },
  cureMin: { words: 'strong after', ...hours },
  coats: { words: 'coats', unit: '', least: 1, most: 9, whole: true },
  recoatMin: { words: 'next coat after', ...hours },
  dryMin: { words: 'dry after', ...hours },
  coversM2:
    unit === 'mm'
      ? { words: 'a liter covers', unit: 'm²', least: 0.5, most: 100 }
      : { words: 'a quart covers', unit: 'ft²', least: 5, most: 1000, shown: (m2) => m2 * FT2_PER_QUART, kept: (ft2) => ft2 / FT2_PER_QUART },
  leastC:
    unit === 'mm'
      ? { words: 'not under', unit: '°C', least: -20, most: 40 }
      : { words: 'not under', unit: '°F', least: inF(-20), most: inF(40), shown: inF, kept: inC },
});

function Label({ id, name, text, read, values, unit, onChange }: LabelProps) {
  return (
    <details className="machine">
      <summary>
        {name}{' '}
        <span className="quiet">
          {text}
          {read ? ', off the label' : ''}
        </span>
      </summary>
      <div className="fields four">
        {Object.entries(values).map(([key, value]) => {
          const { words, unit: shownUnit, least, most, whole = false, shown = (kept) => kept, kept = (typed) => typed } = asked(unit)[key]!;
          return (
            <NumberField
              key={key}
              label={words}
              name={`shop.labels.${id}.${key}`}
              unit={shownUnit}
              least={least}
              most={most}
              whole={whole}
              value={shown(value)}
              onChange={(typed) => typed !== null && onChange({ ...values, [key]: kept(typed) })}
            />
          );
        })}
        {read && <Button onClick={() => onChange(null)}>Back to the usual figures</Button>}
      </div>
    </details>
  );
}
