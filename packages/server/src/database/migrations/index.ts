/** All migrations in order. Never change one that has been released: add the next. */
import type { QueryInterface } from 'sequelize';
import * as first from './0001-projects-record-workshop.ts';
import * as second from './0002-contents-and-wall.ts';
import * as third from './0003-families.ts';
import * as fourth from './0004-shop.ts';
import * as fifth from './0005-setups.ts';
import * as sixth from './0006-layouts.ts';
import * as seventh from './0007-nest-jobs.ts';

import * as eighth from './0008-store.ts';
import * as ninth from './0009-merchant.ts';
import * as tenth from './0010-hanging.ts';
import * as eleventh from './0011-build.ts';
import * as twelfth from './0012-bench.ts';
import * as thirteenth from './0013-loose-parts-and-prices.ts';
import * as fourteenth from './0014-glue-ways-and-labels.ts';
import * as fifteenth from './0015-device-sessions.ts';
import * as sixteenth from './0016-exact-ids.ts';
import * as seventeenth from './0017-record-positions.ts';
import * as eighteenth from './0018-label-jobs.ts';
import * as nineteenth from './0019-restored-from.ts';

export interface Migration {
  readonly name: string;
  readonly up: (tables: QueryInterface) => Promise<void>;
  readonly down: (tables: QueryInterface) => Promise<void>;
}

export const MIGRATIONS: readonly Migration[] = [
  first,
  second,
  third,
  fourth,
  fifth,
  sixth,
  seventh,
  eighth,
  ninth,
  tenth,
  eleventh,
  twelfth,
  thirteenth,
  fourteenth,
  fifteenth,
  sixteenth,
  seventeenth,
  eighteenth,
  nineteenth,
];
