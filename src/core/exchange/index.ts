/** Files that leave the studio and come in: cue sheets, pacing tracks, own ways. */
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
