/**
 * Every number opens its sum. ExplainProvider shows one sum at a time in a popover; a term that is a sum itself opens in its place, with a way back; an
 * entered term leads to its field.
 */
import {
  citationWords,
  exactTextWithUnit,
  figureText,
  labelWords,
  tapeTextWithUnit,
  type ExplainedLength,
  type DisplayUnit,
  type ExplainedValue,
  type ValueTerm,
  type LengthTerm,
  type Source,
} from '@keen/core';
import ArrowBack from '@mui/icons-material/ArrowBack';
import { Button, IconButton, Popover } from '@mui/material';
import { createContext, useContext, useState, type MouseEvent, type ReactNode } from 'react';

export type Explanation = { readonly title: string; readonly unit: DisplayUnit } & (
  { readonly dimension: ExplainedLength } | { readonly figure: ExplainedValue }
);

interface Explainer {
  readonly show: (anchor: Element, what: Explanation) => void;
}

const ExplainContext = createContext<Explainer>({ show: () => {} });
export const useExplain = (): Explainer => useContext(ExplainContext);

export interface ExplainProviderProps {
  readonly children: ReactNode;
  /** Goes to the field a number was entered in. */
  readonly onSource: (path: readonly string[]) => void;
}

export function ExplainProvider({ children, onSource }: ExplainProviderProps) {
  const [shown, setShown] = useState<{ anchor: Element; trail: readonly Explanation[] } | null>(null);
  const top = shown?.trail.at(-1);
  return (
    <ExplainContext.Provider value={{ show: (anchor, what) => setShown({ anchor, trail: [what] }) }}>
      {children}
      <Popover
        open={shown !== null}
        anchorEl={shown?.anchor ?? null}
        onClose={() => setShown(null)}
        anchorOrigin={{ vertical: 'bottom', horizontal: 'center' }}
        transformOrigin={{ vertical: 'top', horizontal: 'center' }}
        slotProps={{ paper: { className: 'sum-paper', role: 'dialog', 'aria-label': top ? `Sum: ${top.title}` : 'Sum' } }}
      >
        {top && shown && (
          <div className="sum">
            <div className="sum-title">
              {shown.trail.length > 1 && (
                <IconButton size="small" aria-label="Back to the sum before" onClick={() => setShown({ ...shown, trail: shown.trail.slice(0, -1) })}>
                  <ArrowBack fontSize="small" />
                </IconButton>
              )}
              <strong>{top.title}</strong>
            </div>
            <SumTable
              what={top}
              onOpen={(next) => setShown({ ...shown, trail: [...shown.trail, next] })}
              onSource={(path) => {
                setShown(null);
                onSource(path);
              }}
            />
          </div>
        )}
      </Popover>
    </ExplainContext.Provider>
  );
}

interface SumTableProps {
  readonly what: Explanation;
  readonly onOpen?: (what: Explanation) => void;
  readonly onSource?: (path: readonly string[]) => void;
}

/** The sum of one number: its labeled terms, then the result. */
export function SumTable({ what, onOpen, onSource }: SumTableProps) {
  return (
    <table className="sum-table">
      <tbody>
        {'dimension' in what
          ? what.dimension.terms.map((term, index) => (
              <LengthRow key={index} term={term} first={index === 0} unit={what.unit} onOpen={onOpen} onSource={onSource} />
            ))
          : what.figure.terms.map((term, index) => <FigureRow key={index} term={term} unit={what.unit} onOpen={onOpen} onSource={onSource} />)}
      </tbody>
      <tfoot>
        {'dimension' in what ? (
          <>
            {what.dimension.over > 1 && (
              <tr>
                <td>÷</td>
                <td>equal openings</td>
                <td>{what.dimension.over}</td>
              </tr>
            )}
            <tr className="sum-result">
              <td>=</td>
              <td>{what.title}</td>
              <td>
                {exactTextWithUnit(what.dimension.value, what.unit)}
                {what.unit === 'in' && <div>{tapeTextWithUnit(what.dimension.value, 'in')}</div>}
              </td>
            </tr>
          </>
        ) : (
          <>
            <tr className="sum-result">
              <td>=</td>
              <td>{what.title}</td>
              <td>{figureText(what.figure.value, what.figure.unit, what.unit)}</td>
            </tr>
            <tr className="sum-source">
              <td colSpan={3}>
                {what.figure.text} <span>{citationWords(what.figure.source)}</span>
              </td>
            </tr>
          </>
        )}
      </tfoot>
    </table>
  );
}

interface RowProps<T> {
  readonly term: T;
  readonly unit: DisplayUnit;
  readonly onOpen?: ((what: Explanation) => void) | undefined;
  readonly onSource?: ((path: readonly string[]) => void) | undefined;
}

function LengthRow({ term, first, unit, onOpen, onSource }: RowProps<LengthTerm> & { readonly first: boolean }) {
  const name = labelWords(term.label);
  const open = term.inner && onOpen ? () => onOpen({ title: name, unit, dimension: term.inner! }) : undefined;
  const count = Math.abs(term.times);
  return (
    <tr>
      <td>{term.times < 0 ? '−' : first ? '' : '+'}</td>
      <td>
        <TermName name={name} source={term.source} open={open} onSource={onSource} />
      </td>
      <td>
        {count !== 1 && `${count} × `}
        {exactTextWithUnit(term.value, unit)}
      </td>
    </tr>
  );
}

function FigureRow({ term, unit, onOpen, onSource }: RowProps<ValueTerm>) {
  const name = labelWords(term.label);
  const { inner, length } = term;
  const open = !onOpen
    ? undefined
    : inner
      ? () => onOpen({ title: name, unit, figure: inner })
      : length
        ? () => onOpen({ title: name, unit, dimension: length })
        : undefined;
  return (
    <tr>
      <td className="symbol">{term.symbol}</td>
      <td>
        <TermName name={name} source={term.source} open={open} onSource={onSource} />
      </td>
      <td>{figureText(term.value, term.unit, unit)}</td>
    </tr>
  );
}

function TermName({
  name,
  source,
  open,
  onSource,
}: {
  readonly name: string;
  readonly source: Source | undefined;
  readonly open: (() => void) | undefined;
  readonly onSource: ((path: readonly string[]) => void) | undefined;
}) {
  const said = source ? sourceWords(source) : undefined;
  const go = open ?? (source?.kind === 'entered' && onSource ? () => onSource(source.path) : undefined);
  return (
    <>
      {go ? (
        <Button className="sum-link" onClick={go}>
          {name}
        </Button>
      ) : (
        name
      )}
      {said && <span className="sum-said"> {said}</span>}
    </>
  );
}

function sourceWords(source: Source): string {
  switch (source.kind) {
    case 'entered':
      return 'entered';
    case 'measured':
      return `measured, ${source.readings} ${source.readings === 1 ? 'reading' : 'readings'}`;
    case 'nominal':
      return 'nominal, not measured';
    case 'table':
      return `${source.name}, ${citationWords(source.tag)}`;
  }
}

export interface ExplainedProps {
  readonly title: string;
  readonly unit: DisplayUnit;
  readonly of: ExplainedLength | ExplainedValue;
  readonly children: ReactNode;
  readonly className?: string;
}

/** A number that opens its sum. */
export function Explained({ title, unit, of, children, className }: ExplainedProps) {
  const { show } = useExplain();
  const what: Explanation = 'over' in of ? { title, unit, dimension: of } : { title, unit, figure: of };
  return (
    <button
      type="button"
      className={`explained ${className ?? ''}`}
      title="Show how this is worked out"
      onClick={(event: MouseEvent<HTMLButtonElement>) => {
        event.stopPropagation();
        show(event.currentTarget, what);
      }}
    >
      {children}
    </button>
  );
}
