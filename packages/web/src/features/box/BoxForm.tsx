/** The cabinet's form: size first, contents, then joints and back. The station's findings come first. */
import { familyOf, labelWords, sizedByItems, type FieldGroup } from '@keen/core';
import type { ReactNode } from 'react';
import { Button, FormControlLabel, Switch } from '@mui/material';
import type { ShownCabinet } from '../project/selectors.ts';
import { useEdit } from '../project/useEdit.ts';
import type { Formed } from './ElementLists.tsx';
import { ContentsFields } from './ContentsFields.tsx';
import { ElementLists } from './ElementLists.tsx';
import { shownFields, CabinetFields } from './CabinetFields.tsx';

/** Also for a cabinet without a plan: its contents are entered once it can be built. */
export function BoxForm({ shown, findings }: { readonly shown: Formed; readonly findings: ReactNode }) {
  const { spec, plan, unit } = shown;
  const { set } = useEdit();
  return (
    <div className="reading">
      <h2>{spec.name}</h2>
      <p className="kind">{labelWords({ key: `family-${spec.family}` })}; change a figure and everything follows</p>
      {findings}
      <CabinetFields spec={spec} unit={unit} group="size" />
      <Group shown={shown} group="shape" title="Shape" open />
      <details open>
        <summary>What it holds</summary>
        {plan?.cabinet.compartments.map((compartment) => (
          <ContentsFields key={compartment.id} shown={{ spec, plan, unit }} compartment={compartment} />
        ))}
        {plan && <SizeByThings shown={{ spec, plan, unit }} />}
        <FormControlLabel
          control={<Switch size="small" checked={spec.topLoaded} onChange={(event) => set(spec, ['topLoaded'], event.target.checked)} />}
          label="things are put on top"
        />
      </details>
      {GROUPS.map(({ group, title, open }) => (
        <Group key={group} shown={shown} group={group} title={title} open={open ?? false} />
      ))}
    </div>
  );
}

const GROUPS: readonly { readonly group: FieldGroup; readonly title: string; readonly open?: boolean }[] = [
  { group: 'inside', title: 'Inside' },
  { group: 'front', title: 'Front' },
  { group: 'joints', title: 'Joints' },
  { group: 'back', title: 'Back' },
  { group: 'making', title: 'Making and finish' },
];

/** For families whose places are sized by their items: shown where that would change something. */
function SizeByThings({ shown: { spec, plan } }: { readonly shown: ShownCabinet }) {
  const { apply } = useEdit();
  const edit = sizedByItems(spec, plan);
  if (edit.length === 0) return null;
  return (
    <Button size="small" variant="outlined" onClick={() => apply(edit, '')}>
      Size its places by what they hold
    </Button>
  );
}

/** A group of fields and its lists; empty when the family has none. */
function Group({ shown, group, title, open }: { readonly shown: Formed; readonly group: FieldGroup; readonly title: string; readonly open: boolean }) {
  const { spec, unit } = shown;
  const lists = familyOf(spec).form.elements.filter((form) => form.group === group);
  if (lists.length === 0 && shownFields(spec, group).length === 0) return null;
  return (
    <details open={open}>
      <summary>{title}</summary>
      <CabinetFields spec={spec} unit={unit} group={group} />
      {lists.map((form) => (
        <ElementLists key={form.path} shown={shown} form={form} />
      ))}
    </details>
  );
}
