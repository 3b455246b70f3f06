/** @jest-environment ./src/test/browser.mjs */
/** Reading panes of the wall: its dimensions, studs, checked places, and where a cabinet hangs. */
import { afterEach, describe, expect, test } from '@jest/globals';
import { entered, NOTE, studsOf, type Edit } from '@keen/core';
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { openStore, Opened } from '../../test/open-project.tsx';
import { useAppSelector } from '../../app/store.ts';
import { selectDesign, useCabinet } from '../project/selectors.ts';
import { LookedReading } from './LookedReading.tsx';
import { PlaceFields } from './PlaceFields.tsx';
import { StudReading } from './StudReading.tsx';
import { WallForm } from './WallForm.tsx';

afterEach(cleanup);

function shown(element: (cabinet: NonNullable<ReturnType<typeof useCabinet>>) => React.ReactNode, edit: Edit = []) {
  const store = openStore(edit);
  function Shown() {
    return <>{element(useCabinet()!)}</>;
  }
  const { container } = render(
    <Opened store={store} at="/project/p/ink/wall">
      <Shown />
    </Opened>,
  );
  const design = () => store.getState().project.open!.design;
  const field = (name: string): HTMLInputElement => container.querySelector(`[data-field="${name}"]`)!;
  const type = async (name: string, text: string): Promise<void> => {
    await userEvent.clear(field(name));
    await userEvent.type(field(name), text);
    await userEvent.tab();
  };
  return { design, wall: () => design().wall, field, type, picked: () => store.getState().view.picked };
}

describe('the wall itself', () => {
  test('its sizes are typed as people type them', async () => {
    const { wall, type } = shown(() => <WallForm />);
    await type('wall.width', '3.8m');
    await type('wall.ceiling', '245 cm');
    expect([wall().width.nm / 1e6, wall().ceiling.nm / 1e6]).toEqual([3800, 2450]);
  });

  test('studs nobody knows of have no spacing to type', async () => {
    const { wall, field } = shown(() => <WallForm />);
    expect(field('wall.studs.spacing').value).toBe('405');
    await userEvent.click(screen.getByRole('switch', { name: 'studs stand at a regular spacing' }));
    expect([wall().studs.known, field('wall.studs.spacing')]).toEqual([false, null]);
  });

  test('of solid brick asks for no studs; one that moves says what that means', async () => {
    const { wall, field } = shown(() => <WallForm />);
    await userEvent.selectOptions(field('wall.structure'), 'brick');
    expect([wall().structure, field('wall.studs.width')]).toEqual(['brick', null]);
    cleanup();
    const moving = shown(() => <WallForm />);
    await userEvent.selectOptions(moving.field('wall.structure'), 'vehicle');
    expect(screen.getByText(/^It moves: no hook alone may hang there/)).toBeTruthy();
  });

  test('children and earthquakes are said once for the room', async () => {
    const { design } = shown(() => <WallForm />);
    await userEvent.click(screen.getByRole('switch', { name: 'children can reach it' }));
    await userEvent.click(screen.getByRole('switch', { name: 'the ground shakes here' }));
    expect([design().children, design().earthquakes]).toEqual([true, true]);
  });
});

describe('one stud', () => {
  const second = studsOf(openStore().getState().project.open!.design.wall)[1]!;

  test('of the regular row that is found elsewhere gets a mark of its own', async () => {
    const { wall, field, picked } = shown(() => <StudReading id={second.id} />);
    await userEvent.clear(field(`wall.studs.marks.${second.id}.at`));
    // Typed at once: from the first key on, the pane shows the new mark.
    await userEvent.paste('650');
    const [mark] = Object.values(wall().studs.marks);
    expect(mark).toMatchObject({ at: { nm: 650e6 }, state: 'found', gone: false });
    expect(studsOf(wall())[1]).toMatchObject({ at: 650e6 });
    expect(picked()).toEqual({ kind: 'stud', id: mark!.id });
  });

  test('nearer to its neighbor than anybody builds is doubted, with the distance', () => {
    shown(
      () => <StudReading id="m" />,
      [{ path: ['wall', 'studs', 'marks', 'm'], value: { id: 'm', regular: null, at: entered('700 mm'), state: 'found', gone: false } }],
    );
    // The second stands at 230 + 405 = 635.
    expect(screen.getByText(/^No builder sets studs 65 mm apart\.$/)).toBeTruthy();
  });

  test('that is none is taken out of the row', async () => {
    const before = studsOf(openStore().getState().project.open!.design.wall).length;
    const { wall } = shown(() => <StudReading id={second.id} />);
    await userEvent.click(screen.getByRole('button', { name: 'There is none here' }));
    expect(studsOf(wall())).toHaveLength(before - 1);
    cleanup();
    shown(() => <StudReading id="nothing" />);
    expect(screen.getByText('This stud is not there any more.')).toBeTruthy();
  });
});

describe('a place someone looked at', () => {
  const area = {
    id: 'l',
    order: 0,
    left: entered('300 mm'),
    up: entered('1200 mm'),
    width: entered('200 mm'),
    height: entered('300 mm'),
    how: 'detector',
    note: '',
  };
  function WhileThere() {
    return useAppSelector(selectDesign).wall.looked['l'] ? <LookedReading id="l" /> : null;
  }
  const looked = () => shown(() => <WhileThere />, [{ path: ['wall', 'looked', 'l'], value: area }]);

  test('is answered for in writing only once it is written', async () => {
    const { wall, field } = looked();
    await userEvent.selectOptions(field('wall.looked.l.how'), 'in-writing');
    expect(wall().looked['l']!.how).toBe('detector');
    expect(screen.getByText(`${NOTE.least} characters or more, and a hole in a cable zone is open`)).toBeTruthy();
    const note = 'The electrician of the house drew its cables: none here.';
    await userEvent.type(field('wall.looked.l.note'), note);
    expect(wall().looked['l']).toMatchObject({ how: 'in-writing', note });
  });

  test('with a probe hole at once; and it is taken back', async () => {
    const { wall, field, picked } = looked();
    await userEvent.selectOptions(field('wall.looked.l.how'), 'probe-hole');
    expect(wall().looked['l']!.how).toBe('probe-hole');
    await userEvent.click(screen.getByRole('button', { name: 'Take it back' }));
    expect([wall().looked['l'], picked()]).toEqual([undefined, null]);
  });
});

describe('where a cabinet hangs', () => {
  const place = (edit: Edit = []) => shown((cabinet) => <PlaceFields shown={cabinet} />, edit);

  test('from the right end is as good as from the left', async () => {
    const { design, type } = place();
    await type('place.fromRight', '1000');
    // 3600 wide, 700 the cabinet
    expect(design().units['ink']!.place.along.nm / 1e6).toBe(3600 - 1000 - 700);
  });

  test('centered between the ends of the wall', async () => {
    const { design } = place();
    await userEvent.click(screen.getByRole('button', { name: 'Center between the left end and the right end' }));
    expect(design().units['ink']!.place.along.nm / 1e6).toBe((3600 - 700) / 2);
  });

  test('a cleat that is hidden hangs on no rail, and that is said', () => {
    const rail = {
      id: 'r',
      order: 0,
      name: 'Long rail',
      left: entered('0 mm'),
      right: entered('3000 mm'),
      up: entered('1900 mm'),
      stock: 'birch-18',
      boardWidth: entered('120 mm'),
      bevelDeg: 45,
      pieceLength: entered('2400 mm'),
    };
    const { field } = place([
      { path: ['wall', 'rails', 'r'], value: rail },
      { path: ['units', 'ink', 'hanging', 'kind'], value: 'recessed' },
    ]);
    expect(screen.getByText(/A cleat hidden between the sides cannot hang on a rail that runs past them\./)).toBeTruthy();
    expect([...field('place.rail').querySelectorAll('option')].map(({ disabled }) => disabled)).toEqual([false, true]);
  });
});
