/** Assigns a measured sheet to a layout: slots for its pieces then match that very sheet. */
import { sheetsMeasured, shopFacts, type SheetCut } from '@keen/core';
import { useAppSelector } from '../../app/store.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { selectOpen } from '../project/selectors.ts';
import { useEdit } from '../project/useEdit.ts';

export function WhichSheet({ product, pieces }: { readonly product: string; readonly pieces: readonly string[] }) {
  const { design, record } = useAppSelector(selectOpen);
  const { apply } = useEdit();
  const measured = sheetsMeasured(product, shopFacts(record).readings).flatMap(({ sheet }) => (sheet === null ? [] : [sheet]));
  const here = design.cutFrom.filter((cut) => cut.product === product);
  const told = (piece: string): string | undefined => here.find((cut) => cut.pieces.includes(piece))?.sheet;
  const sheets = [...new Set([...measured, ...here.map(({ sheet }) => sheet)])];
  if (sheets.length === 0)
    return (
      <p className="sheet-note quiet">
        Sheets that have a letter on them and are measured in Stock can be told apart here: slots then follow the very sheet a part comes from.
      </p>
    );
  const named = new Set(pieces.map(told));
  const [only] = named;
  const all = named.size === 1 && only !== undefined ? only : '';
  const choose = (sheet: string): void => {
    const rest = design.cutFrom
      .map((cut): SheetCut => (cut.product === product ? { ...cut, pieces: cut.pieces.filter((piece) => !pieces.includes(piece)) } : cut))
      .filter(({ pieces: left }) => left.length > 0);
    apply([{ path: ['cutFrom'], value: sheet === '' ? rest : [...rest, { product, sheet, pieces: [...pieces] }] }], 'cutFrom');
  };
  return (
    <div className="which-sheet">
      <ChoiceField
        label="this layout is cut from the sheet marked"
        name="which-sheet"
        value={all}
        options={[{ value: '', label: named.size > 1 ? 'not one sheet' : 'not settled' }, ...sheets.map((sheet) => ({ value: sheet, label: sheet }))]}
        onChange={choose}
      />
      {named.size > 1 && <p className="quiet">Its pieces were told to come from different sheets: another layout was settled before.</p>}
    </div>
  );
}
