import type { Lock } from '../pattern';
import type { Tag } from '../techniques';
import type { FeatureTest } from './features';
import { RISE_SLOWLY } from './signs';
import type { Adaptation, Answer, ConditionId, Rule, RuleState } from './types';

/** The shipped rulebook: usual cautions gathered for planning, one row a condition, as data. */

interface Cell {
  /** Its part of the rule's id, given once and never changed, whatever the wording becomes. */
  readonly key: string;
  readonly feature: FeatureTest;
  readonly adaptation?: Adaptation;
  readonly only?: RuleState;
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
const pumps: Cell = { key: 'pumps', feature: { is: 'pumps' } };
const connected: Cell = { key: 'connected', feature: { is: 'connected' } };
const holdIn: Cell = { key: 'hold-in', feature: { is: 'hold in', overSeconds: 0 } };
const holdOut: Cell = { key: 'hold-out', feature: { is: 'hold out', overSeconds: 0 } };
const locks: Cell = { key: 'held-lock', feature: { is: 'lock', of: ALL_LOCKS } };
const abdominalLock: Cell = { key: 'abdominal-lock', feature: { is: 'lock', of: ['abdominal'] } };
const chinLock: Cell = { key: 'chin-lock', feature: { is: 'lock', of: ['chin'] } };
const rightSide: Cell = { key: 'right-side', feature: { is: 'right-side' } };
const leftSide: Cell = { key: 'left-side', feature: { is: 'left-side' } };
const sideWork: Cell = { key: 'side-work', feature: { is: 'side work' } };
const slow: Cell = { key: 'pace-below-6', feature: { is: 'pace below 6' } };
const counted: Cell = { key: 'counted', feature: { is: 'counted' } };
const resisted: Cell = { key: 'resisted-exhale', feature: { is: 'resisted exhale' } };
const longExhale: Cell = { key: 'long-exhale', feature: { is: 'exhale at least twice the inhale' } };
const palming: Cell = { key: 'palming', feature: tag('palming') };
const still: Cell = { key: 'still', feature: tag('still 15 min') };
const flat: Cell = { key: 'lying-flat', feature: tag('lying flat'), note: RISE_SLOWLY };

// Adaptations, as the cells of the table name them.
const noHoldIn: Cell = { ...holdIn, adaptation: { to: 'no hold in' } };
const noHoldOut: Cell = { ...holdOut, adaptation: { to: 'no hold out' } };
const capHold = (seconds: number): Cell => ({
  key: `hold-in-over-${seconds}-s`,
  feature: { is: 'hold in', overSeconds: seconds },
  adaptation: { to: 'cap hold in', seconds },
});
const notFlat: Cell = { key: 'lying-flat', feature: tag('lying flat'), adaptation: { to: 'not flat' } };
const notStanding: Cell = { key: 'standing', feature: tag('standing'), adaptation: { to: 'not standing' } };
const noTwist: Cell = { key: 'twist', feature: tag('twist'), adaptation: { to: 'no twist' } };
const noNeckCircles: Cell = { key: 'neck-circles', feature: tag('neck circles'), adaptation: { to: 'no neck circles' } };
const noForwardBend: Cell = { key: 'forward-bend', feature: tag('forward bend'), adaptation: { to: 'no forward bend' } };
const eyesOpen: Cell = { key: 'eyes-closed', feature: tag('eyes closed'), adaptation: { to: 'eyes open' } };
const noseOnly: Cell = { key: 'mouth', feature: { is: 'mouth' }, adaptation: { to: 'nose only' } };
const handFree: Cell = { key: 'hand-at-the-nose', feature: tag('hand at the nose'), adaptation: { to: 'hand-free' } };
const when = (only: RuleState, cell: Cell): Cell => ({ ...cell, only });

const longHoldIn: Cell = { key: 'hold-in-over-4-s', feature: { is: 'hold in', overSeconds: 4 } };
const belly: Pick<Row, 'leaveOut' | 'askFirst' | 'watch'> = {
  leaveOut: [pumps, abdominalLock, holdOut],
  askFirst: [longHoldIn],
  watch: [resisted],
};
const eyes: Pick<Row, 'leaveOut' | 'askFirst' | 'adapt'> = {
  leaveOut: [pumps, connected, locks, palming],
  askFirst: [resisted],
  adapt: [noHoldIn, noHoldOut, noForwardBend],
};
const pressure: Pick<Row, 'leaveOut' | 'askFirst'> = { leaveOut: [pumps, connected, holdIn, holdOut, resisted], askFirst: [counted] };
const unsteady: Pick<Row, 'adapt' | 'watch'> = {
  adapt: [{ key: 'floor-seat', feature: tag('floor seat'), adaptation: { to: 'chair offered' } }, notStanding],
  watch: [flat],
};

const TABLE: readonly Row[] = [
  {
    condition: 'pregnancy',
    leaveOut: [pumps, connected, holdOut, locks, rightSide],
    askFirst: [when('high-risk', counted)],
    adapt: [noHoldIn, when('from-16w0d', notFlat), noTwist],
    watch: [slow],
  },
  { condition: 'birth', leaveOut: [pumps, abdominalLock, holdOut], askFirst: [connected], adapt: [noHoldIn], watch: [counted] },
  {
    condition: 'high blood pressure',
    leaveOut: [pumps, connected, holdOut, locks, when('uncontrolled', rightSide)],
    askFirst: [sideWork, slow, when('controlled', rightSide)],
    adapt: [noHoldIn],
    watch: [when('uncontrolled', counted)],
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
    adapt: [{ key: 'floor-seat-or-standing', feature: tag('floor seat', 'standing'), adaptation: { to: 'chair or lying' } }, noTwist],
  },
  { condition: 'neck', leaveOut: [chinLock], adapt: [noNeckCircles] },
  { condition: 'eyes', ...eyes },
  { condition: 'eye surgery', ...eyes },
  { condition: 'lungs', leaveOut: [pumps, connected], adapt: [noHoldOut, capHold(2), noseOnly], watch: [counted] },
  { condition: 'lung collapse', ...pressure },
  { condition: 'ear or sinus surgery', ...pressure },
  { condition: 'chest surgery', leaveOut: [counted] },
  { condition: 'panic', leaveOut: [pumps, connected], adapt: [noHoldOut, capHold(2), eyesOpen], watch: [slow] },
  {
    condition: 'trauma',
    askFirst: [connected],
    adapt: [eyesOpen, handFree, { key: 'any-hold', feature: { is: 'any hold' }, adaptation: { to: 'holds optional' } }],
    watch: [counted],
  },
  { condition: 'psychosis', leaveOut: [pumps, connected, holdOut, rightSide], askFirst: [still], adapt: [capHold(4), eyesOpen] },
  { condition: 'migraine', leaveOut: [pumps, connected], adapt: [eyesOpen, noNeckCircles], watch: [counted] },
  {
    condition: 'nose',
    leaveOut: [pumps],
    adapt: [{ ...sideWork, adaptation: { to: 'imagined sides' } }, handFree],
  },
  { condition: 'reflux', leaveOut: [abdominalLock], askFirst: [pumps, holdOut], adapt: [notFlat] },
  { condition: 'diabetes', askFirst: [pumps, connected], watch: [counted] },
  { condition: 'sickle cell', leaveOut: [connected, holdOut], askFirst: [counted], adapt: [noHoldIn] },
  {
    condition: 'under 16',
    leaveOut: [pumps, connected, holdOut, locks],
    askFirst: [when('no-consent', counted)],
    adapt: [capHold(2)],
  },
  { condition: 'over 65', ...unsteady },
  { condition: 'falls', ...unsteady },
  { condition: 'other', askFirst: [holdIn, holdOut, pumps, connected, rightSide, locks, slow] },
  { condition: 'today acute', leaveOut: [counted] },
  { condition: 'today meal', leaveOut: [pumps, when('within-2-h', abdominalLock)] },
  // What holds for anyone whose screening is missing, out of date, or partly unanswered.
  {
    condition: 'unscreened',
    leaveOut: [pumps, connected, locks, rightSide, palming],
    adapt: [noHoldIn, noHoldOut, { ...slow, adaptation: { to: 'pace 6 or faster' } }],
    watch: [counted, { key: 'movement', feature: tag('twist', 'neck circles', 'forward bend', 'hand at the nose', 'eyes closed') }],
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
      id: [row.condition.replaceAll(' ', '-'), cell.key, ...(cell.only ? [cell.only] : [])].join('.'),
      condition: row.condition,
      feature: cell.feature,
      answer,
      adaptation: cell.adaptation ?? null,
      only: cell.only ?? null,
      note: cell.note ?? null,
      ours: false,
    })),
  );
}

/** Every rule of the shipped rulebook. */
export const RULEBOOK: readonly Rule[] = withOpenEyes(TABLE.flatMap(rulesOf));

/** Whoever keeps the eyes open leaves palming out: a rule of its own beside every rule that asks for open eyes. */
export function withOpenEyes(rules: readonly Rule[]): readonly Rule[] {
  const known = new Set(rules.map(({ id }) => id));
  return rules.flatMap((rule) => {
    const id = `${rule.id}.palming`;
    if (rule.adaptation?.to !== 'eyes open' || known.has(id)) return [rule];
    return [rule, { ...rule, id, feature: palming.feature, answer: 'leave out', adaptation: null, note: null }];
  });
}

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
