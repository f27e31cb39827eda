/** Facts of how something is done that its pattern cannot show; screening reads them beside the pattern. */
export const TAGS = [
  'lying flat',
  'floor seat',
  'standing',
  'eyes closed',
  'palming',
  'twist',
  'neck circles',
  'forward bend',
  'still 15 min',
  'hand at the nose',
  'blowing the nose',
] as const;

export type Tag = (typeof TAGS)[number];

/** How people sit. */
export const SEATS = ['floor', 'chair', 'lying', 'standing'] as const;
export type Seat = (typeof SEATS)[number];

export const EYES = ['as you like', 'open', 'closed'] as const;
export type Eyes = (typeof EYES)[number];

/** Whether a block goes by the class screen's clock or by a voice that counts. */
export const KEPT_BY = ['counts', 'clock'] as const;
export type KeptBy = (typeof KEPT_BY)[number];

/** What a part of a session has people do, beside breathing. */
export const MOVES = ['twist', 'neck circles', 'forward bend', 'palming', 'rubbing hands', 'hand at the nose', 'blowing the nose'] as const;
export type Move = (typeof MOVES)[number];

/** How a block is done: seat, eyes, what keeps the time, and what people do in it. */
export interface Setup {
  readonly seat: Seat;
  readonly eyes: Eyes;
  readonly by: KeptBy;
  readonly moves: readonly Move[];
}

const SEAT_TAG: Readonly<Record<Seat, readonly Tag[]>> = { floor: ['floor seat'], chair: [], lying: ['lying flat'], standing: ['standing'] };

/** A setup as the facts that screening reads. @example tagsOf({ seat: 'lying', eyes: 'closed', by: 'clock', moves: [] }) // ['lying flat', 'eyes closed'] */
export function tagsOf({ seat, eyes, moves }: Setup): readonly Tag[] {
  return [
    ...SEAT_TAG[seat],
    ...(eyes === 'closed' ? (['eyes closed'] as const) : []),
    ...moves.filter((move) => move !== 'rubbing hands'),
    // Blowing the nose has a hand at it.
    ...(moves.includes('blowing the nose') && !moves.includes('hand at the nose') ? (['hand at the nose'] as const) : []),
  ];
}

/** The usual setup, where a technique or a part says nothing else. */
export const USUAL_SETUP: Setup = { seat: 'floor', eyes: 'as you like', by: 'counts', moves: [] };

export const SEAT_TEXT: Readonly<Record<Seat, string>> = { floor: 'on the floor', chair: 'on a chair', lying: 'lying', standing: 'standing' };
export const EYES_TEXT: Readonly<Record<Eyes, string>> = { 'as you like': 'eyes as you like', open: 'eyes open', closed: 'eyes closed' };
export const BY_TEXT: Readonly<Record<KeptBy, string>> = { counts: 'by spoken counts', clock: 'by the clock' };

/** One of the words of a setup. @example setupWord(USUAL_SETUP, 'seat') // "on the floor" */
export function setupWord({ seat, eyes, by }: Setup, key: 'seat' | 'eyes' | 'by'): string {
  return key === 'seat' ? SEAT_TEXT[seat] : key === 'eyes' ? EYES_TEXT[eyes] : BY_TEXT[by];
}

/** A setup in one line. @example setupText(USUAL_SETUP) // "on the floor · eyes as you like · by spoken counts" */
export function setupText(setup: Setup): string {
  return [...(['seat', 'eyes', 'by'] as const).map((key) => setupWord(setup, key)), ...setup.moves].join(' · ');
}

/**
 * Setups as somebody reads them down a page: what most have, said once, and what each has otherwise.
 * @example setupsText([USUAL_SETUP, USUAL_SETUP, { ...USUAL_SETUP, by: 'clock' }]).otherwise // ["", "", "by the clock"]
 */
export function setupsText(setups: readonly Setup[]): { readonly most: string; readonly otherwise: readonly string[] } {
  const most = (['seat', 'eyes', 'by'] as const).map((key) => {
    const words = setups.map((setup) => setupWord(setup, key));
    const times = (word: string) => words.filter((one) => one === word).length;
    return { key, word: words.reduce((best, word) => (times(word) > times(best) ? word : best), words[0] ?? setupWord(USUAL_SETUP, key)) };
  });
  return {
    most: most.map(({ word }) => word).join(' · '),
    otherwise: setups.map((setup) =>
      [...most.flatMap(({ key, word }) => (setupWord(setup, key) === word ? [] : [setupWord(setup, key)])), ...setup.moves].join(' · '),
    ),
  };
}
