/** Fields of the wall itself, and what can be added to it. */
import {
  cableBands,
  entered,
  groundOf,
  type Ground,
  MAX_RATING_N,
  PLUG_IDS,
  railsInOrder,
  SPECIES,
  SPECIES_IDS,
  STRUCTURE_IDS,
  STRUCTURES,
  THING_KINDS,
  thingsInOrder,
  type BowLine,
  type Entered,
  type Looked,
  type ThingKind,
  type WallRail,
  type WallThing,
} from '@keen/core';
import { Button, FormControlLabel, Switch } from '@mui/material';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { NumberField } from '../../ui/NumberField.tsx';
import { PERSON_HEIGHT } from '@keen/core';
import { selectDesign, selectOpen, useDisplayUnit } from '../project/selectors.ts';
import { useEdit } from '../project/useEdit.ts';
import { picked } from '../project/view.slice.ts';
import { WallLength } from './fields.tsx';

export function WallForm() {
  const design = useAppSelector(selectDesign);
  const unit = useDisplayUnit();
  const { apply, leave } = useEdit();
  const { wall } = design;
  const set = (path: readonly string[], value: unknown): void => apply([{ path: ['wall', ...path], value }], `wall.${path.join('.')}`);
  const { ribs, carries } = STRUCTURES[wall.structure];
  return (
    <div className="fields">
      <WallLength path={['width']} label="width of the wall" limits="width" />
      <WallLength path={['ceiling']} label="ceiling above the floor" limits="ceiling" />
      <ChoiceField
        label="built of"
        name="wall.structure"
        value={wall.structure}
        options={STRUCTURE_IDS.map((id) => ({ value: id, label: STRUCTURES[id].name }))}
        onChange={(structure) => set(['structure'], structure)}
      />
      {carries === 'moving' && <p className="quiet">It moves: no hook alone may hang there. Hang says what two planes must take.</p>}
      <WallLength path={['covering']} label="covering: wallboard, tile, air" limits="covering" />
      {ribs && (
        <>
          <FormControlLabel
            control={<Switch size="small" checked={wall.studs.known} onChange={(event) => set(['studs', 'known'], event.target.checked)} />}
            label="studs stand at a regular spacing"
          />
          {wall.studs.known && (
            <>
              <WallLength path={['studs', 'spacing']} label="studs every" limits="studs.spacing" />
              <WallLength path={['studs', 'offset']} label="first stud from the left end" limits="studs.offset" />
            </>
          )}
          <WallLength path={['studs', 'width']} label="width of a stud" limits="studs.width" />
          <WallLength path={['studs', 'depth']} label="depth of a stud" limits="studs.depth" />
          <ChoiceField
            label="studs of"
            name="wall.studs.species"
            value={wall.studs.species}
            options={SPECIES_IDS.map((id) => ({ value: id, label: SPECIES[id].name }))}
            onChange={(species) => set(['studs', 'species'], species)}
          />
        </>
      )}
      {(carries !== 'moving' || wall.structure === 'vehicle') && <FixingFields set={set} />}
      <WallLength path={['baseboard', 'height']} label="height of the baseboard" limits="baseboard" />
      <WallLength path={['baseboard', 'out']} label="baseboard stands out" limits="baseboard" />
      <WallLength path={['floorFall']} label="floor lower at the right end by" limits="fall" />
      <WallLength path={['ceilingFall']} label="ceiling lower at the right end by" limits="fall" />
      <LengthField
        label="height of whoever uses it"
        name="person.height"
        value={design.person.height}
        unit={unit}
        least={PERSON_HEIGHT.least}
        most={PERSON_HEIGHT.most}
        onChange={(value) => value && apply([{ path: ['person', 'height'], value }], 'person.height')}
        onLeave={leave}
      />
      <FormControlLabel
        control={
          <Switch size="small" checked={design.children} onChange={(event) => apply([{ path: ['children'], value: event.target.checked }], 'children')} />
        }
        label="children can reach it"
      />
      <FormControlLabel
        control={
          <Switch
            size="small"
            checked={design.earthquakes}
            onChange={(event) => apply([{ path: ['earthquakes'], value: event.target.checked }], 'earthquakes')}
          />
        }
        label="the ground shakes here"
      />
      <p className="quiet">
        {cableBands(wall).length} cable bands are worked out from outlets, switches, taps, corners and the ceiling: a habit of the trade, not a promise. Every
        other place is “look first” until you enter that you looked.
      </p>
    </div>
  );
}

const FIXED_BY: Readonly<Partial<Record<Ground, string>>> = { anchors: 'anchor', masonry: 'plug', moving: 'bolt or insert' };

/** Plugs, anchors and metal studs; none of it is asked where timber carries. */
function FixingFields({ set }: { readonly set: (path: readonly string[], value: unknown) => void }) {
  const { wall } = useAppSelector(selectDesign);
  const { fixing } = wall;
  const { carries } = STRUCTURES[wall.structure];
  const ground = groundOf(wall);
  return (
    <>
      {(carries === 'timber' || carries === 'metal') && (
        <ChoiceField
          label="units are fixed"
          name="wall.fixing.into"
          value={fixing.into}
          options={[
            { value: 'ground', label: 'into the studs' },
            { value: 'covering', label: 'to the wallboard alone, with anchors' },
          ]}
          onChange={(into) => set(['fixing', 'into'], into)}
        />
      )}
      {ground === 'metal' && <WallLength path={['fixing', 'metal']} label="sheet of the metal studs" limits="fixing.metal" />}
      {ground === 'masonry' && (
        <ChoiceField
          label="plug"
          name="wall.fixing.plug"
          value={fixing.plug}
          options={PLUG_IDS.map((id) => ({ value: id, label: id.replace('mm', ' mm') }))}
          onChange={(plug) => set(['fixing', 'plug'], plug)}
        />
      )}
      {(ground === 'masonry' || ground === 'anchors' || wall.structure === 'vehicle') && (
        <>
          <WallLength path={['fixing', 'every']} label="one at least every" limits="fixing.every" />
          {(['pullN', 'shearN'] as const).map((key) => (
            <NumberField
              key={key}
              label={`one ${FIXED_BY[ground] ?? 'plug'}, ${key === 'pullN' ? 'straight out' : 'along the wall'}${ground === 'masonry' ? ' (blank: low table value)' : ''}`}
              name={`wall.fixing.${key}`}
              unit="N"
              least={1}
              most={MAX_RATING_N}
              optional
              value={fixing[key]}
              onChange={(value) => set(['fixing', key], value)}
            />
          ))}
          <ChoiceField
            label="its maker says"
            name="wall.fixing.rating"
            value={fixing.rating}
            options={[
              { value: 'ultimate', label: 'what it fails at' },
              { value: 'working', label: 'what it may carry' },
            ]}
            onChange={(rating) => set(['fixing', 'rating'], rating)}
          />
        </>
      )}
      {carries !== 'moving' && (
        <FormControlLabel
          control={<Switch size="small" checked={fixing.strict ?? false} onChange={(event) => set(['fixing', 'strict'], event.target.checked || undefined)} />}
          label="Strict: add pull and shear of a screw straight"
        />
      )}
    </>
  );
}

type Size = readonly [width: string, height: string, out: string, up: string];
/** Default size of a new thing, in mm and in inches, until it is measured. */
const SIZES: Readonly<Record<ThingKind, { readonly mm: Size; readonly in: Size }>> = {
  outlet: { mm: ['75 mm', '115 mm', '8 mm', '300 mm'], in: ['2 3/4 in', '4 1/2 in', '1/4 in', '12 in'] },
  switch: { mm: ['80 mm', '80 mm', '10 mm', '1100 mm'], in: ['2 3/4 in', '4 1/2 in', '1/4 in', '46 in'] },
  light: { mm: ['120 mm', '120 mm', '150 mm', '2000 mm'], in: ['5 in', '5 in', '6 in', '78 in'] },
  tap: { mm: ['60 mm', '60 mm', '120 mm', '1000 mm'], in: ['2 1/2 in', '2 1/2 in', '5 in', '40 in'] },
  pipe: { mm: ['22 mm', '2000 mm', '40 mm', '0 mm'], in: ['1 in', '80 in', '1 1/2 in', '0 in'] },
  cable: { mm: ['10 mm', '1500 mm', '0 mm', '300 mm'], in: ['1/2 in', '60 in', '0 in', '12 in'] },
  radiator: { mm: ['1000 mm', '600 mm', '110 mm', '120 mm'], in: ['40 in', '24 in', '4 in', '5 in'] },
  window: { mm: ['900 mm', '1100 mm', '30 mm', '950 mm'], in: ['36 in', '44 in', '1 in', '38 in'] },
  door: { mm: ['830 mm', '2030 mm', '0 mm', '0 mm'], in: ['32 in', '80 in', '0 in', '0 in'] },
  'side-door': { mm: ['760 mm', '2030 mm', '90 mm', '0 mm'], in: ['30 in', '80 in', '4 in', '0 in'] },
  trim: { mm: ['60 mm', '2100 mm', '18 mm', '0 mm'], in: ['2 1/4 in', '84 in', '3/4 in', '0 in'] },
  furniture: { mm: ['900 mm', '750 mm', '450 mm', '0 mm'], in: ['36 in', '30 in', '18 in', '0 in'] },
  bench: { mm: ['1500 mm', '860 mm', '600 mm', '0 mm'], in: ['60 in', '34 in', '24 in', '0 in'] },
};

export const THING_WORDS: Readonly<Record<ThingKind, string>> = {
  outlet: 'an outlet',
  switch: 'a switch',
  light: 'a light',
  tap: 'a tap',
  pipe: 'a pipe',
  cable: 'a cable that was found',
  radiator: 'a radiator',
  window: 'a window',
  door: 'a door in this wall',
  'side-door': 'a door in a side wall',
  trim: 'wall trim',
  furniture: 'furniture below',
  bench: 'a bench',
};

const id = (): string => `w${crypto.randomUUID().slice(0, 8)}`;

export function AddToWall() {
  const design = useAppSelector(selectDesign);
  const { workshop } = useAppSelector(selectOpen);
  const unit = useDisplayUnit();
  const dispatch = useAppDispatch();
  const { apply } = useEdit();
  const { wall } = design;
  const pick = (metric: string, imperial: string): Entered => entered(unit === 'mm' ? metric : imperial);
  const add = (branch: 'things' | 'looked' | 'bow' | 'rails', value: { readonly id: string }, words: string): void => {
    apply([{ path: ['wall', branch, value.id], value }], '', words);
    dispatch(picked({ kind: branch === 'things' ? 'thing' : branch === 'rails' ? 'rail' : branch, id: value.id }));
  };
  const addThing = (kind: ThingKind): void => {
    const [width, height, out, up] = SIZES[kind][unit];
    const order = (thingsInOrder(wall).at(-1)?.order ?? 0) + 1;
    const same = thingsInOrder(wall).filter((thing) => thing.kind === kind).length;
    const swings = kind === 'door' || kind === 'side-door';
    const thing: WallThing = {
      id: id(),
      order,
      kind,
      name: `${THING_WORDS[kind].replace(/^an? /, 'the ')}${same > 0 ? ` ${same + 1}` : ''}`,
      left: kind === 'side-door' ? pick('0 mm', '0 in') : pick('200 mm', '8 in'),
      up: entered(up),
      width: entered(width),
      height: entered(height),
      out: entered(out),
      hinge: swings ? 'left' : 'none',
      opensDeg: swings ? 90 : 0,
      handle: swings ? pick('55 mm', '2 1/4 in') : pick('0 mm', '0 in'),
    };
    add('things', thing, `${thing.name} added`);
  };
  const rails = railsInOrder(wall);
  const addRail = (): void => {
    const stocks = Object.values(workshop.products).filter((row) => row.kind === 'sheet' && row.unit === unit && row.material.endsWith('plywood'));
    const stock = stocks.find(({ nominal }) => nominal.nm > 15e6) ?? stocks[0]!;
    const rail: WallRail = {
      id: id(),
      order: (rails.at(-1)?.order ?? 0) + 1,
      name: `rail ${rails.length + 1}`,
      left: pick('100 mm', '4 in'),
      right: pick('1500 mm', '60 in'),
      up: pick('1900 mm', '75 in'),
      stock: stock.id,
      boardWidth: pick('150 mm', '6 in'),
      bevelDeg: 45,
      pieceLength: pick('2400 mm', '96 in'),
    };
    add('rails', rail, `${rail.name} added`);
  };
  const addBow = (): void => {
    const line: BowLine = { id: id(), up: pick('2000 mm', '80 in'), readings: {} };
    add('bow', line, 'Line added: enter its readings');
  };
  const addLooked = (): void => {
    const area: Looked = {
      id: id(),
      left: pick('300 mm', '12 in'),
      up: pick('1900 mm', '75 in'),
      width: pick('600 mm', '24 in'),
      height: pick('300 mm', '12 in'),
      how: 'detector',
      note: '',
    };
    add('looked', area, 'Entered: you looked there');
  };
  return (
    <div className="fields">
      <ChoiceField
        label="on or before the wall"
        name="wall.add"
        value=""
        options={[{ value: '', label: 'choose …' }, ...THING_KINDS.map((kind) => ({ value: kind, label: THING_WORDS[kind] }))]}
        onChange={(kind) => kind !== '' && addThing(kind as ThingKind)}
      />
      <div className="fixes">
        <Button variant="outlined" onClick={addRail}>
          Add a rail
        </Button>
        <Button variant="outlined" onClick={addBow}>
          Measure the bow
        </Button>
        <Button variant="outlined" onClick={addLooked}>
          I have looked somewhere
        </Button>
      </div>
    </div>
  );
}
