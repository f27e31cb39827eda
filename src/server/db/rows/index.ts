import type { InferEntity } from '@mikro-orm/core';
import * as courses from './courses';
import * as people from './people';
import * as series from './series';
import * as signIns from './signins';
import * as signs from './signs';
import * as studio from './studio';
import * as ways from './ways';

/** Tables as MikroORM sees them. Rows never leave `src/server/repositories`, which turn them into the core's plain types. */
export * from './courses';
export * from './people';
export * from './series';
export * from './signins';
export * from './signs';
export { AwayRow, ClosureRow, DoneRow, FeedRow, RulebookRow, StaffRow, StudioRow } from './studio';
export * from './ways';

const { ofStaff, ofStudio, ...studioRows } = studio;

export const ROWS = [studioRows, people, courses, series, signs, signIns, ways].flatMap((tables) => Object.values(tables));

/** Tables that belong to a studio: all but the studios themselves, what is tried from outside, and the vault's own. */
export const OURS = ROWS.map(({ meta }) => meta.className).filter((name) => !['Studio', 'Attempt', 'VaultKey'].includes(name));

export type PersonRecord = InferEntity<typeof people.PersonRow>;
