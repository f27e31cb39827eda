/**
 * Files that leave the studio and come in: what each is, how it is written, and how it is read. What needs a library of its own
 * (`calendar.ts`, `rosterFile.ts`) is imported by its file, so that no page carries it along.
 */
export { CALENDAR_LIMITS, FORMATS, fileName, type FormatId } from './formats';
export type { CalendarProblem, CalendarSpan } from './calendar';
export { toWebVtt } from './webvtt';
export { readWays, writeWays, type RowProblem, type TravellingWay } from './ways';
export { wavBytes, wavChunks, type Paced } from './wav';
export {
  guessMapping,
  headingProblem,
  nameKey,
  readRoster,
  ROSTER_FIELDS,
  ROSTER_LIMITS,
  type RosterField,
  type RosterMapping,
  type RosterRow,
} from './roster';
export { readPackage, writePackage, type CoursePackage, type PackageProblem, type TravellingBlock } from './package';
export { writePerson } from './person';
