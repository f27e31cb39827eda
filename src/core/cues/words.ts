import type { Segment } from '../timing';

/** How much is said: everything with spoken counts, the calls alone, or nothing but signals. */
export const LOUDNESS = ['full', 'spare', 'silent'] as const;
export type Loudness = (typeof LOUDNESS)[number];

/** A studio's own calls by family and phase: "alternate/out" → "Breathe out {side}". */
export type Wording = Readonly<Record<string, string>>;

/** The phases that a studio may word in its own way. */
export const WORDED = ['in', 'hold', 'out', 'empty', 'pause', 'pumps'] as const;

const PLACEHOLDERS = ['count', 'side', 'round', 'rounds'] as const;

/**
 * What is wrong with a studio's own line: placeholders nobody fills, too long, or empty.
 * @example wordingProblem('Out {nostril}') // "There is no {nostril}. What can be filled in: {count}, {side}, {round}, {rounds}."
 */
export function wordingProblem(text: string): string | null {
  if (text.trim().length === 0) return 'Write what is said, or leave the shipped line.';
  if (text.length > 80) return 'At most 80 characters: it has to be said within a phase.';
  const unknown = [...text.matchAll(/\{([^}]*)\}/g)].map(([, name]) => name).find((name) => !(PLACEHOLDERS as readonly string[]).includes(name));
  if (unknown !== undefined) return `There is no {${unknown}}. What can be filled in: ${PLACEHOLDERS.map((name) => `{${name}}`).join(', ')}.`;
  return /[{}]/.test(text.replace(/\{[a-z]+\}/g, '')) ? 'A brace stands alone; a placeholder looks like {side}.' : null;
}

const CALLS = { in: 'In', hold: 'Hold', out: 'Out', empty: 'Empty, stay', pause: 'Pause', pumps: 'Pumps' } as const;

/** What of a phase its call names. */
export type Called = Pick<Segment, 'kind' | 'side' | 'manner' | 'route' | 'long' | 'open'>;

/** A hand that narrows the nostrils rises for it, and drops again for the hold. */
export type HandMove = 'hand up' | 'hand down' | null;

/** What a block makes of its calls: where sides are worked, both of them are a side too; a route that never changes is said once. */
export interface CalledIn {
  readonly sided: boolean;
  readonly oneRoute: boolean;
}

const PLAINLY: CalledIn = { sided: false, oneRoute: false };
const EASY = 'while it is easy';

/**
 * What is called as a phase begins, with a number or without.
 * @param number the first number that is counted, or how many there are; null says none
 * @example callText(segment, 6) // "Out, right, 6"
 */
export function callText(called: Called, number: number | null, hand: HandMove = null, { sided, oneRoute }: CalledIn = PLAINLY): string {
  const { kind, manner, route, long, open } = called;
  if (!kind) return 'Natural breath';
  const name = long ? `Long one, ${CALLS[kind].toLowerCase()}` : CALLS[kind];
  const words = [name, sideIn(called, sided), oneRoute ? null : routeText(route), manner, hand, number];
  const text = words.filter((word) => word !== null).join(', ');
  return open ? `${text} ${EASY}` : text;
}

function sideIn({ kind, side }: Pick<Segment, 'kind' | 'side'>, sided: boolean): string | null {
  if (side !== 'both') return side;
  return sided && (kind === 'in' || kind === 'out') ? 'both' : null;
}

const routeText = (route: Segment['route']): string | null => (route === 'either' ? 'nose or mouth' : route);

/** The name of what is being done now, without its count. @example phaseText(segment) // "Out, right" */
export function phaseText({ kind, side, part }: Pick<Segment, 'kind' | 'side' | 'part'>, sided = false): string {
  if (kind) return callText({ kind, side, manner: null, route: null, long: false, open: false }, null, null, { sided, oneRoute: false });
  return part === 'natural' ? 'Natural breath' : PARTS[part];
}

/** How a phase is done, besides what it is. @example howText(segment, 'hand up') // ["narrowed", "hand up"] */
export function howText({ manner, route, long, open }: Called, hand: HandMove): string[] {
  return [routeText(route), manner, long ? 'the long one' : null, hand, open ? EASY : null].filter((word) => word !== null);
}

const narrow = (segment: Segment | undefined) => segment?.manner === 'narrowed' || segment?.manner === 'narrowed throat';

/** The hand rises as a breath is narrowed, and drops as it no longer is. */
export function handMove(segment: Segment, before: Segment | undefined): HandMove {
  const was = before?.block === segment.block && narrow(before);
  return narrow(segment) === was ? null : was ? 'hand down' : 'hand up';
}

/** What is said where nothing is counted. */
export const PARTS = {
  rest: 'Rest',
  recover: 'A free breath',
  changeover: 'Change over',
  natural: 'Natural breath',
  round: 'Breathe',
  entry: 'Breathe',
  'each round': 'Breathe',
  'lead-in': 'Breathe',
  'lead-out': 'Breathe',
} as const;

/**
 * How long a count takes with a spacer word behind it, in milliseconds, up to the next 50.
 * @example spacedTempo('boathouse', 2.5) // 800
 */
export function spacedTempo(spacer: string, wordsPerSecond: number): number {
  return Math.ceil((((1 + wordsIn(spacer)) * 1000) / wordsPerSecond - 1e-9) / 50) * 50;
}

/** A studio's own line filled in, or null where it has none. */
export function ownCall(wording: Wording, family: string, segment: Segment): string | null {
  const text = segment.kind && wording[`${family}/${segment.kind}`];
  if (!text) return null;
  const filled = { count: segment.counts ?? '', side: segment.side === 'both' ? '' : segment.side, round: segment.round, rounds: segment.of };
  return text
    .replace(/\{(count|side|round|rounds)\}/g, (_, name: keyof typeof filled) => String(filled[name]))
    .replace(/\s+/g, ' ')
    .trim();
}

/** How many words a line has; numbers and abbreviations count as one. */
export function wordsIn(text: string): number {
  let words = 0;
  let between = true;
  for (let index = 0; index < text.length; index += 1) {
    const code = text.charCodeAt(index);
    const space = code <= SPACE || code === HARD_SPACE;
    if (between && !space) words += 1;
    between = space;
  }
  return words;
}

const SPACE = 0x20;
const HARD_SPACE = 0xa0;
