/** The ways there are for every question, the default first: ids that never change, and how they are shown. */
const WAYS = {
  'alternate side': { 'left-left': 'left and left', 'right-right': 'right and right', 'left-entry': 'left, after an entry breath through both' },
  'first exhale': { left: 'left', right: 'right' },
  round: { 'two-breaths': 'two breaths', 'one-breath': 'one breath' },
  hand: { right: 'right', left: 'left' },
  'hand position': {
    'teachers-choice': 'the teacher’s choice',
    'folded-fingers': 'folded fingers',
    'fingers-at-the-brow': 'fingers at the brow',
    'open-hand': 'open hand',
    'index-finger': 'the index finger alone',
    imagined: 'imagined, no hand',
  },
  fullness: { 'nine-tenths': 'nine tenths', full: 'full' },
  'connected route': { nose: 'through the nose', mouth: 'through the mouth', either: 'either' },
  'connected breaks': { none: 'none', '1-s': '1 s', '2-s': '2 s' },
  counting: {
    'up-then-down': 'up on the inhale, down on holds and exhales',
    'up-with-holds': 'up on the inhale and on holds, down on the exhale',
    down: 'down throughout',
    up: 'up throughout',
  },
} as const;

export type QuestionId = keyof typeof WAYS;
export const QUESTION_IDS = Object.keys(WAYS) as QuestionId[];

/** A way for every question. */
export type Schools = { readonly [Id in QuestionId]: keyof (typeof WAYS)[Id] };
export type Counting = Schools['counting'];

/** Where practitioners disagree and a studio decides: one way for the studio, and another for a technique where it wants. */
export interface Question {
  readonly id: QuestionId;
  readonly question: string;
  /** Ids of the ways; the first is the default. */
  readonly ways: readonly string[];
  /** Why the default is what it is. */
  readonly because: string;
  /** The families it is asked of; null where it depends on the pattern alone. */
  readonly families: readonly string[] | null;
}

/** How a way is shown. @example wayText('alternate side', 'left-left') // "left and left" */
export function wayText(question: QuestionId, way: string): string {
  return (WAYS[question] as Readonly<Record<string, string>>)[way] ?? way;
}

/** The first way of every question. */
const firstWay = (id: QuestionId): string => Object.keys(WAYS[id])[0];

const SIDE_WORK = ['alternate', 'both-in', 'left-in', 'left-only', 'right-in', 'right-only'];

const ASKED: readonly Omit<Question, 'ways'>[] = [
  {
    id: 'alternate side',
    question: 'Which side does alternate nostril begin and end on?',
    because: 'the commonest; what is called out follows',
    families: ['alternate'],
  },
  {
    id: 'first exhale',
    question: 'Both in, alternate out: which side breathes out first?',
    because: 'it leads into alternate nostril, which begins on the left',
    families: ['both-in'],
  },
  {
    id: 'round',
    question: 'What is a round where sides alternate?',
    because: 'each side has its turn; minutes always stand beside rounds',
    families: ['alternate', 'both-in'],
  },
  {
    id: 'hand',
    question: 'Which hand closes the nostrils?',
    because: 'the commonest; fingers are called for the hand chosen',
    families: SIDE_WORK,
  },
  {
    id: 'hand position',
    question: 'How is the hand held?',
    because: 'imagined suits a blocked nose or unease with a hand at the face',
    families: SIDE_WORK,
  },
  {
    id: 'fullness',
    question: 'How full before a hold?',
    because: 'a hold at nine tenths presses less',
    families: null,
  },
  {
    id: 'connected route',
    question: 'Connected breath: which way?',
    because: 'the nose keeps the breath smaller',
    families: ['connected'],
  },
  {
    id: 'connected breaks',
    question: 'Connected breath: breaks between rounds?',
    because: 'no pause at either end is what it is',
    families: ['connected'],
  },
  {
    id: 'counting',
    question: 'How are counts spoken?',
    because: 'going down tells how much is left of a hold',
    families: null,
  },
];

export const QUESTIONS: readonly Question[] = ASKED.map((question) => ({ ...question, ways: Object.keys(WAYS[question.id]) }));

/** What is the same for everyone, whatever the school: the stricter way. */
export const HELD: readonly string[] = [
  'Side work asks first with high blood pressure, even where a school calls it gentle.',
  'Nobody stands for holds, pumps or connected breath.',
  'Twitching after connected breath is watched and noted.',
  'Counted work keeps one pace; connected breath and comfort holds are each person’s own.',
];

/** The studio's way for every question, and a technique's own where it differs. */
export interface StudioSchools {
  readonly studio: Schools;
  readonly own: Readonly<Record<string, Partial<Schools>>>;
}

export const DEFAULT_SCHOOLS = Object.fromEntries(QUESTION_IDS.map((id) => [id, firstWay(id)])) as unknown as Schools;
export const NO_CHANGES: StudioSchools = { studio: DEFAULT_SCHOOLS, own: {} };

/** The ways that hold for one technique: its own, else the studio's. */
export function schoolsOf({ studio, own }: StudioSchools, technique: string): Schools {
  return own[technique] ? { ...studio, ...own[technique] } : studio;
}
