import type { Lock } from '../pattern';
import type { Tag } from '../techniques';
import { featureName, type FeatureTest } from './features';
import type { Adaptation, Answer, ConditionId, Rule } from './types';

/** The shipped rulebook: usual cautions gathered for planning, one row a condition, as data. */

interface Cell {
  readonly feature: FeatureTest;
  readonly adaptation?: Adaptation;
  readonly only?: string;
  readonly note?: string;
}

interface Row {
  readonly condition: string;
  readonly leaveOut?: readonly Cell[];
  readonly askFirst?: readonly Cell[];
  readonly adapt?: readonly Cell[];
  readonly watch?: readonly Cell[];
}

const ALL_LOCKS: readonly Lock[] = ['chin', 'throat', 'pelvic', 'abdominal'];
const tag = (...of: Tag[]): FeatureTest => ({ is: 'tag', of });

// Features, as the cells of the table name them.
const pumps: Cell = { feature: { is: 'pumps' } };
const connected: Cell = { feature: { is: 'connected' } };
const holdIn: Cell = { feature: { is: 'hold in', overSeconds: 0 } };
const holdOut: Cell = { feature: { is: 'hold out', overSeconds: 0 } };
const locks: Cell = { feature: { is: 'lock', of: ALL_LOCKS } };
const abdominalLock: Cell = { feature: { is: 'lock', of: ['abdominal'] } };
const chinLock: Cell = { feature: { is: 'lock', of: ['chin'] } };
const rightSide: Cell = { feature: { is: 'right-side' } };
const leftSide: Cell = { feature: { is: 'left-side' } };
const sideWork: Cell = { feature: { is: 'side work' } };
const slow: Cell = { feature: { is: 'pace below 6' } };
const counted: Cell = { feature: { is: 'counted' } };
const resisted: Cell = { feature: { is: 'resisted exhale' } };
const longExhale: Cell = { feature: { is: 'exhale at least twice the inhale' } };
const palming: Cell = { feature: tag('palming') };
const still: Cell = { feature: tag('still 15 min') };
const flat: Cell = { feature: tag('lying flat'), note: 'rise slowly' };

// Adaptations, as the cells of the table name them.
const noHoldIn: Cell = { ...holdIn, adaptation: { to: 'no hold in' } };
const noHoldOut: Cell = { ...holdOut, adaptation: { to: 'no hold out' } };
const capHold = (seconds: number): Cell => ({ feature: { is: 'hold in', overSeconds: seconds }, adaptation: { to: 'cap hold in', seconds } });
const notFlat: Cell = { feature: tag('lying flat'), adaptation: { to: 'not flat' } };
const notStanding: Cell = { feature: tag('standing'), adaptation: { to: 'not standing' } };
const noTwist: Cell = { feature: tag('twist'), adaptation: { to: 'no twist' } };
const noNeckCircles: Cell = { feature: tag('neck circles'), adaptation: { to: 'no neck circles' } };
const noForwardBend: Cell = { feature: tag('forward bend'), adaptation: { to: 'no forward bend' } };
const eyesOpen: Cell = { feature: tag('eyes closed'), adaptation: { to: 'eyes open' } };
const noseOnly: Cell = { feature: { is: 'mouth' }, adaptation: { to: 'nose only' } };
const when = (only: string, cell: Cell): Cell => ({ ...cell, only });
const noting = (note: string, cell: Cell): Cell => ({ ...cell, note });

const CONTROLLED = 'controlled';
const UNCONTROLLED = 'uncontrolled or not known';
const belly: Pick<Row, 'leaveOut' | 'askFirst' | 'watch'> = {
  leaveOut: [pumps, abdominalLock, holdOut],
  askFirst: [{ feature: { is: 'hold in', overSeconds: 4 } }],
  watch: [resisted],
};
const eyes: Pick<Row, 'leaveOut' | 'askFirst' | 'adapt'> = {
  leaveOut: [pumps, connected, locks, palming],
  askFirst: [resisted],
  adapt: [noHoldIn, noHoldOut, noForwardBend],
};
const pressure: Pick<Row, 'leaveOut' | 'askFirst'> = { leaveOut: [pumps, connected, holdIn, holdOut, resisted], askFirst: [counted] };
const unsteady: Pick<Row, 'adapt' | 'watch'> = {
  adapt: [{ feature: tag('floor seat'), adaptation: { to: 'chair offered' } }, notStanding],
  watch: [flat],
};

const TABLE: readonly Row[] = [
  {
    condition: 'pregnancy',
    leaveOut: [pumps, connected, holdOut, locks, rightSide],
    askFirst: [when('high-risk', counted)],
    adapt: [noHoldIn, when('from 16w0d', notFlat), noTwist],
    watch: [slow],
  },
  { condition: 'birth', leaveOut: [pumps, abdominalLock, holdOut], askFirst: [connected], adapt: [noHoldIn], watch: [counted] },
  {
    condition: 'high blood pressure',
    leaveOut: [pumps, connected, holdOut, locks, when(UNCONTROLLED, rightSide)],
    askFirst: [sideWork, slow, when(CONTROLLED, rightSide)],
    adapt: [noHoldIn],
    watch: [when(UNCONTROLLED, counted)],
  },
  {
    condition: 'low blood pressure',
    leaveOut: [pumps, connected, holdOut],
    askFirst: [leftSide],
    adapt: [capHold(4), notStanding],
    watch: [flat, longExhale],
  },
  { condition: 'heart', leaveOut: [pumps, connected, holdOut, locks, rightSide], askFirst: [counted], adapt: [noHoldIn] },
  { condition: 'epilepsy', leaveOut: [pumps, connected, holdOut], askFirst: [rightSide, slow], adapt: [noHoldIn] },
  { condition: 'stroke', leaveOut: [pumps, connected, holdIn, holdOut, locks, rightSide], askFirst: [counted] },
  { condition: 'hernia', ...belly },
  { condition: 'abdominal surgery', ...belly },
  {
    condition: 'back',
    leaveOut: [pumps, abdominalLock],
    adapt: [{ feature: tag('floor seat', 'standing'), adaptation: { to: 'chair or lying' } }, noTwist],
  },
  { condition: 'neck', leaveOut: [chinLock], adapt: [noNeckCircles] },
  { condition: 'eyes', ...eyes },
  { condition: 'eye surgery', ...eyes },
  { condition: 'lungs', leaveOut: [pumps, connected], adapt: [noHoldOut, capHold(2), noseOnly], watch: [noting('inhaler at hand', counted)] },
  { condition: 'lung collapse', ...pressure },
  { condition: 'ear or sinus surgery', ...pressure },
  { condition: 'chest surgery', leaveOut: [counted] },
  { condition: 'panic', leaveOut: [pumps, connected], adapt: [noHoldOut, capHold(2), eyesOpen], watch: [slow] },
  {
    condition: 'trauma',
    askFirst: [connected],
    adapt: [
      eyesOpen,
      { feature: tag('hand at the nose'), adaptation: { to: 'hand-free' } },
      { feature: { is: 'any hold' }, adaptation: { to: 'holds optional' } },
    ],
    watch: [counted],
  },
  { condition: 'psychosis', leaveOut: [pumps, connected, holdOut, rightSide], askFirst: [still], adapt: [capHold(4), eyesOpen] },
  { condition: 'migraine', leaveOut: [pumps, connected], adapt: [eyesOpen, noNeckCircles], watch: [counted] },
  {
    condition: 'nose',
    leaveOut: [pumps],
    adapt: [
      { ...sideWork, adaptation: { to: 'imagined sides' } },
      { feature: tag('hand at the nose'), adaptation: { to: 'hand-free' } },
    ],
  },
  { condition: 'reflux', leaveOut: [abdominalLock], askFirst: [pumps, holdOut], adapt: [notFlat] },
  { condition: 'diabetes', askFirst: [pumps, connected], watch: [counted] },
  { condition: 'sickle cell', leaveOut: [connected, holdOut], askFirst: [counted], adapt: [noHoldIn] },
  {
    condition: 'under 16',
    leaveOut: [pumps, connected, holdOut, locks],
    askFirst: [when('without a guardian’s consent', counted)],
    adapt: [capHold(2)],
  },
  { condition: 'over 65', ...unsteady },
  { condition: 'falls', ...unsteady },
  { condition: 'other', askFirst: [holdIn, holdOut, pumps, connected, rightSide, locks, slow] },
  { condition: 'today acute', leaveOut: [counted] },
  { condition: 'today meal', leaveOut: [pumps, when('within 2 h', abdominalLock)] },
  // What holds for anyone whose screening is missing, out of date, or partly unanswered.
  {
    condition: 'unscreened',
    leaveOut: [pumps, connected, locks, rightSide, palming],
    adapt: [noHoldIn, noHoldOut, { ...slow, adaptation: { to: 'pace 6 or faster' } }],
    watch: [counted],
  },
];

const COLUMNS = [
  ['leaveOut', 'leave out'],
  ['askFirst', 'ask first'],
  ['adapt', 'adapt'],
  ['watch', 'watch'],
] as const satisfies readonly (readonly [keyof Row, Answer])[];

function rulesOf(row: Row): Rule[] {
  return COLUMNS.flatMap(([column, answer]) =>
    (row[column] ?? []).map((cell) => ({
      id: [row.condition, answer, featureName(cell.feature), ...(cell.only ? [cell.only] : [])].join(' / '),
      condition: row.condition,
      feature: cell.feature,
      answer,
      adaptation: cell.adaptation ?? null,
      only: cell.only ?? null,
      note: cell.note ?? null,
    })),
  );
}

/** Every rule of the shipped rulebook. */
export const RULEBOOK: readonly Rule[] = TABLE.flatMap(rulesOf);

/** Rules as they are looked up: by the condition they belong to. */
export interface Rulebook {
  readonly rules: readonly Rule[];
  readonly of: (condition: ConditionId) => readonly Rule[];
}

export function rulebookOf(rules: readonly Rule[]): Rulebook {
  const byCondition = new Map<ConditionId, Rule[]>();
  for (const rule of rules) byCondition.set(rule.condition, [...(byCondition.get(rule.condition) ?? []), rule]);
  return { rules, of: (condition) => byCondition.get(condition) ?? [] };
}

/** The shipped rulebook, as it stands without a studio's changes. */
export const SHIPPED: Rulebook = rulebookOf(RULEBOOK);
