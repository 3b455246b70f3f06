/** The elements of one list of a family: shelves, dividers, tools. Each row can be highlighted, moved, deleted; a new one goes after the last. */
import { labelWords, type ElementsForm } from '@keen/core';
import Add from '@mui/icons-material/Add';
import ArrowDownward from '@mui/icons-material/ArrowDownward';
import ArrowUpward from '@mui/icons-material/ArrowUpward';
import Close from '@mui/icons-material/Close';
import { Button, IconButton } from '@mui/material';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import type { ShownCabinet } from '../project/selectors.ts';
import { useEdit } from '../project/useEdit.ts';
import { panelHovered, panelSelected } from '../project/view.slice.ts';
import { elementsOf, withoutElement } from './elements.ts';
import { ElementFields } from './CabinetFields.tsx';

/** A cabinet whose form is shown, and its plan where there is one. */
export type Formed = Omit<ShownCabinet, 'plan'> & { readonly plan: ShownCabinet['plan'] | null };

export function ElementLists({ shown, form }: { readonly shown: Formed; readonly form: ElementsForm }) {
  const { spec, unit, plan } = shown;
  const { apply } = useEdit();
  const dispatch = useAppDispatch();
  const selected = useAppSelector(({ view }) => view.selected);
  const rows = elementsOf(spec, form);
  const path = (...more: string[]): string[] => ['units', spec.id, form.path, ...more];
  const add = (): void => {
    const id = `${form.path.slice(0, 1)}${crypto.randomUUID().slice(0, 8)}`;
    apply([{ path: path(id), value: form.start(spec, id, (rows.at(-1)?.order ?? 0) + 1) }], '');
    const panel = form.panel?.(spec, id);
    if (panel) dispatch(panelSelected(panel));
  };
  /** A new one right after a row: the later ones move on by one. */
  const insertAfter = (index: number): void => {
    const id = `${form.path.slice(0, 1)}${crypto.randomUUID().slice(0, 8)}`;
    const at = rows[index]!.order + 1;
    const later = rows.slice(index + 1).map((row, k) => ({ path: path(row.id, 'order'), value: at + k + 1 }));
    apply([{ path: path(id), value: form.start(spec, id, at) }, ...later], '');
  };
  /** Two neighbors swap their order; names stay. */
  const swap = (index: number, by: number): void => {
    const [a, b] = [rows[index]!, rows[index + by]!];
    apply(
      [
        { path: path(a.id, 'order'), value: b.order },
        { path: path(b.id, 'order'), value: a.order },
      ],
      '',
    );
  };
  const takeOut = (id: string): void => {
    dispatch(panelSelected(null));
    apply(withoutElement(spec, form, id), '');
  };
  return (
    <div className="element-list">
      <h4>{labelWords({ key: form.label })}</h4>
      {rows.map((row, index) => {
        const panel = form.panel?.(spec, row.id);
        const name = panel ? plan?.cabinet.byId.get(panel)?.name : undefined;
        const title = name ? labelWords(name) : `${labelWords({ key: form.label })} ${index + 1}`;
        return (
          <div
            key={row.id}
            className={`element-row ${panel && selected === panel ? 'selected' : ''}`}
            onPointerEnter={() => panel && dispatch(panelHovered(panel))}
            onPointerLeave={() => dispatch(panelHovered(null))}
          >
            <div className="element-head">
              <button type="button" className="explained" disabled={!panel} onClick={() => panel && dispatch(panelSelected(panel))}>
                {title}
              </button>
              <IconButton size="small" aria-label={`${title} earlier`} disabled={index === 0} onClick={() => swap(index, -1)}>
                <ArrowUpward fontSize="inherit" />
              </IconButton>
              <IconButton size="small" aria-label={`${title} later`} disabled={index === rows.length - 1} onClick={() => swap(index, 1)}>
                <ArrowDownward fontSize="inherit" />
              </IconButton>
              <IconButton size="small" aria-label={`Insert one after ${title}`} disabled={rows.length >= form.most} onClick={() => insertAfter(index)}>
                <Add fontSize="inherit" />
              </IconButton>
              <IconButton size="small" aria-label={`Take ${title} out`} disabled={rows.length <= form.least} onClick={() => takeOut(row.id)}>
                <Close fontSize="inherit" />
              </IconButton>
            </div>
            <ElementFields spec={spec} unit={unit} list={form.path} id={row.id} />
          </div>
        );
      })}
      <Button size="small" startIcon={<Add />} disabled={rows.length >= form.most} onClick={add}>
        {`Add: ${labelWords({ key: form.label })}`}
      </Button>
    </div>
  );
}
