/** The wall as JSON. Limits come from wall/wall-form.ts. */
import { MAX_RATING_N } from '../wall/fixing.ts';
import { THING_KINDS, type Wall, PLUG_IDS, SPECIES_IDS, STRUCTURE_IDS } from '../model/wall.ts';
import { Refusal } from '../problem/problem.ts';
import { MOST, NOTE, OPENS_DEG, WALL_LIMITS } from '../wall/wall-form.ts';
import { byId, checked, choice, length, number, object, objectWith, orNull, ownIds, text, yesNo, type Codec } from './codec.ts';

export const MAX_CABINETS = 200;

const limited = (key: keyof typeof WALL_LIMITS) => length(WALL_LIMITS[key].least, WALL_LIMITS[key].most);
const id = text(64);
const order = number(-1e9, 1e9);

export const wallCodec: Codec<Wall> = checked(
  object({
    width: limited('width'),
    ceiling: limited('ceiling'),
    floorFall: limited('fall'),
    ceilingFall: limited('fall'),
    structure: choice(STRUCTURE_IDS),
    covering: limited('covering'),
    studs: object({
      known: yesNo,
      spacing: limited('studs.spacing'),
      offset: limited('studs.offset'),
      width: limited('studs.width'),
      depth: limited('studs.depth'),
      species: choice(SPECIES_IDS),
      marks: byId(
        object({ id, regular: orNull(number(0, 1000, true)), at: limited('along'), state: choice(['assumed', 'found', 'probed']), gone: yesNo }),
        MOST.marks,
      ),
    }),
    fixing: objectWith(
      {
        into: choice(['ground', 'covering']),
        plug: choice(PLUG_IDS),
        pullN: orNull(number(1, MAX_RATING_N)),
        shearN: orNull(number(1, MAX_RATING_N)),
        rating: choice(['working', 'ultimate']),
        every: limited('fixing.every'),
        metal: limited('fixing.metal'),
      },
      { strict: yesNo },
    ),
    baseboard: object({ height: limited('baseboard'), out: limited('baseboard') }),
    things: byId(
      object({
        id,
        order,
        kind: choice(THING_KINDS),
        name: text(80),
        left: limited('along'),
        up: limited('up'),
        width: limited('size'),
        height: limited('size'),
        out: limited('out'),
        hinge: choice(['none', 'left', 'right']),
        opensDeg: number(OPENS_DEG.least, OPENS_DEG.most),
        handle: limited('out'),
      }),
      MOST.things,
    ),
    looked: byId(
      object({
        id,
        left: limited('along'),
        up: limited('up'),
        width: limited('size'),
        height: limited('size'),
        how: choice(['detector', 'probe-hole', 'power-off', 'in-writing']),
        note: text(NOTE.most, 0),
      }),
      MOST.looked,
    ),
    bow: byId(object({ id, up: limited('up'), readings: byId(object({ id, along: limited('along'), off: limited('off') }), MOST.readings) }), MOST.bowLines),
    rails: byId(
      object({
        id,
        order,
        name: text(80),
        left: limited('along'),
        right: limited('along'),
        up: limited('up'),
        stock: id,
        boardWidth: limited('rail.boardWidth'),
        bevelDeg: number(20, 65),
        pieceLength: limited('rail.piece'),
      }),
      MOST.rails,
    ),
  }),
  (wall, where) => {
    ownIds(wall.studs.marks, `${where}.studs.marks`);
    ownIds(wall.things, `${where}.things`);
    ownIds(wall.looked, `${where}.looked`);
    for (const { id: area, how, note } of Object.values(wall.looked))
      if (how === 'in-writing' && note.trim().length < NOTE.least)
        throw new Refusal(
          'value',
          'a hole in a cable zone is answered for in writing',
          `${where}.looked.${area}.note`,
          `who answers for it and why, in ${NOTE.least} characters or more`,
        );
    ownIds(wall.bow, `${where}.bow`);
    for (const line of Object.values(wall.bow)) ownIds(line.readings, `${where}.bow.${line.id}.readings`);
    ownIds(wall.rails, `${where}.rails`);
  },
);
