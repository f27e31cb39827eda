/** The choices of a class log. */
export const EFFORTS = ['easy', 'worked', 'strained'] as const;
export type Effort = (typeof EFFORTS)[number];
export const REACHED = ['all of it', 'most of it', 'less'] as const;
export type Reached = (typeof REACHED)[number];

export const FIRST_BREATHS = ['easy', 'quick', 'gasping'] as const;
/** The first free breath after a hold: gasping is a sign of a hold that was too long. */
export type FirstBreath = (typeof FIRST_BREATHS)[number];
export const MOODS = ['restless', 'tired', 'calm', 'bright'] as const;
/** The mood of a room. */
export type RoomMood = (typeof MOODS)[number];
export interface Mood {
  readonly before: RoomMood | null;
  readonly after: RoomMood | null;
}
export const DONE = ['part', 'left out'] as const;

/** A block that was not done whole. */
export interface BlockDone {
  readonly block: string;
  readonly done: (typeof DONE)[number];
}

/** How far a class went, from the techniques that were not done whole. @example reachedBy(4, [{ block: 'b', done: 'part' }]) // "most of it" */
export function reachedBy(techniques: number, blocks: readonly BlockDone[]): Reached {
  if (blocks.length === 0) return 'all of it';
  return blocks.length * 2 <= techniques ? 'most of it' : 'less';
}

/** What stands where a sign was marked and nobody said which. */
export const SIGN_NOT_SAID = 'a stop sign, not said which';

/** One person in a class. */
export interface Attendance {
  readonly person: string;
  readonly came: boolean;
  /** Came after it had begun. */
  readonly late?: boolean;
  readonly effort: Effort;
  readonly stopSigns: readonly string[];
}

/** What a teacher says of a class. */
export interface ClassLog {
  readonly id: string;
  readonly at: Date;
  readonly taughtBy: string;
  readonly reached: Reached;
  readonly note: string;
  readonly attendance: readonly Attendance[];
  /** Stop signs that were seen of somebody nobody can name. */
  readonly unnamed: readonly string[];
  /** Blocks that were not done whole. */
  readonly blocks: readonly BlockDone[];
  readonly firstBreath: FirstBreath | null;
  readonly mood: Mood | null;
  /** What the teacher would change. */
  readonly change: string;
  /** The log it stands in for. */
  readonly corrects: string | null;
}

/** The logs of one class taken together: the one that is gone by, with what hurt anybody in any of them. */
export interface TakenTogether extends ClassLog {
  /** How many logs there are. */
  readonly logs: number;
  /** Whether they say different things and nobody has settled it. */
  readonly unsettled: boolean;
}

/** For how long a teacher may put their own log right, in hours. */
export const CORRECTED_WITHIN_HOURS = 24;

/**
 * Several logs of one class as one: the settled one, else the newest, is gone by; every stop sign and every strain of any of
 * them counts, and whoever had one was there.
 * @param settled the id of the log the director goes by
 * @returns null when there is no log
 * @example takenTogether([morning, evening], null)?.attendance[0].stopSigns // those of both
 */
export function takenTogether(logs: readonly ClassLog[], settled: string | null): TakenTogether | null {
  // What its teacher put right is kept, and no longer counts.
  const right = new Set(logs.map(({ corrects }) => corrects));
  const ordered = logs.filter(({ id }) => !right.has(id)).sort((a, b) => a.at.getTime() - b.at.getTime() || a.id.localeCompare(b.id));
  const base = ordered.find(({ id }) => id === settled) ?? ordered.at(-1);
  if (!base) return null;
  const everyone = [...new Set([base, ...ordered].flatMap(({ attendance }) => attendance.map(({ person }) => person)))];
  const attendance = everyone.map((person): Attendance => {
    const said = ordered.flatMap((log) => log.attendance.filter((one) => one.person === person));
    const own = base.attendance.find((one) => one.person === person) ?? { person, came: false, effort: 'easy', stopSigns: [] };
    const stopSigns = [...new Set(said.flatMap((one) => one.stopSigns))];
    const strained = said.some(({ effort, came }) => came && effort === 'strained');
    return { ...own, came: own.came || stopSigns.length > 0 || strained, effort: strained ? 'strained' : own.effort, stopSigns };
  });
  const unnamed = [...new Set(ordered.flatMap((log) => log.unnamed))];
  const unsettled = settled === null && new Set(ordered.map(saidIn)).size > 1;
  return { ...base, attendance, unnamed, logs: ordered.length, unsettled };
}

/** What a log says, whoever sent it and when. */
function saidIn({ reached, note, attendance, unnamed, blocks, firstBreath, mood, change }: ClassLog): string {
  return JSON.stringify([
    reached,
    note,
    unnamed,
    blocks,
    firstBreath,
    mood,
    change,
    [...attendance].sort((a, b) => a.person.localeCompare(b.person)),
  ]);
}

/** A log in a few words. @example logText(log) // "9 of 11 came, 1 strained, 1 with a stop sign" */
export function logText({ attendance, unnamed }: Pick<ClassLog, 'attendance' | 'unnamed'>): string {
  const came = attendance.filter((person) => person.came);
  const strained = came.filter(({ effort }) => effort === 'strained').length;
  const signs = came.filter(({ stopSigns }) => stopSigns.length > 0).length;
  return [
    `${came.length} of ${attendance.length} came`,
    ...(strained > 0 ? [`${strained} strained`] : []),
    ...(signs > 0 ? [`${signs} with a stop sign`] : []),
    ...(unnamed.length > 0 ? ['a stop sign of somebody who was not named'] : []),
  ].join(', ');
}
