/** Where practitioners disagree and a studio decides: one way for the studio, and another for a technique where it wants. */
export interface Question {
  readonly id: QuestionId;
  readonly question: string;
  /** The first way is the default. */
  readonly ways: readonly string[];
  /** Why the default is what it is. */
  readonly because: string;
  /** The families it is asked of; null where it depends on the pattern alone. */
  readonly families: readonly string[] | null;
}

export const QUESTION_IDS = [
  'alternate side',
  'first exhale',
  'round',
  'hand',
  'hand position',
  'fullness',
  'connected route',
  'connected breaks',
  'counting',
] as const;
export type QuestionId = (typeof QUESTION_IDS)[number];

const SIDE_WORK = ['alternate', 'both-in', 'left-in', 'left-only', 'right-in', 'right-only'];

export const QUESTIONS: readonly Question[] = [
  {
    id: 'alternate side',
    question: 'Which side does alternate nostril begin and end on?',
    ways: ['left and left', 'right and right', 'left, after an entry breath through both'],
    because: 'the commonest; what is called out follows',
    families: ['alternate'],
  },
  {
    id: 'first exhale',
    question: 'Both in, alternate out: which side breathes out first?',
    ways: ['left', 'right'],
    because: 'it leads into alternate nostril, which begins on the left',
    families: ['both-in'],
  },
  {
    id: 'round',
    question: 'What is a round where sides alternate?',
    ways: ['two breaths', 'one breath'],
    because: 'each side has its turn; minutes always stand beside rounds',
    families: ['alternate', 'both-in'],
  },
  {
    id: 'hand',
    question: 'Which hand closes the nostrils?',
    ways: ['right', 'left'],
    because: 'the commonest; fingers are called for the hand chosen',
    families: SIDE_WORK,
  },
  {
    id: 'hand position',
    question: 'How is the hand held?',
    ways: ['the teacher’s choice', 'folded fingers', 'fingers at the brow', 'open hand', 'imagined, no hand'],
    because: 'imagined suits a blocked nose or unease with a hand at the face',
    families: SIDE_WORK,
  },
  {
    id: 'fullness',
    question: 'How full before a hold?',
    ways: ['nine tenths', 'full'],
    because: 'a hold at nine tenths presses less',
    families: null,
  },
  {
    id: 'connected route',
    question: 'Connected breath: which way?',
    ways: ['through the nose', 'through the mouth', 'either'],
    because: 'the nose keeps the breath smaller',
    families: ['connected'],
  },
  {
    id: 'connected breaks',
    question: 'Connected breath: breaks between rounds?',
    ways: ['none', '1 s', '2 s'],
    because: 'no pause at either end is what it is',
    families: ['connected'],
  },
  {
    id: 'counting',
    question: 'How are counts spoken?',
    ways: ['up on the inhale, down on holds and exhales', 'down throughout', 'up throughout'],
    because: 'going down tells how much is left of a hold',
    families: null,
  },
];

/** What is the same for everyone, whatever the school: the stricter way. */
export const HELD: readonly string[] = [
  'Side work asks first with high blood pressure, even where a school calls it gentle.',
  'Nobody stands for holds, pumps or connected breath.',
  'Twitching after connected breath is watched and noted.',
  'Counted work keeps one pace; connected breath and comfort holds are each person’s own.',
];

/** A way for every question. */
export type Schools = Readonly<Record<QuestionId, string>>;

/** The studio's way for every question, and a technique's own where it differs. */
export interface StudioSchools {
  readonly studio: Schools;
  readonly own: Readonly<Record<string, Partial<Schools>>>;
}

export const DEFAULT_SCHOOLS: Schools = Object.fromEntries(QUESTIONS.map(({ id, ways }) => [id, ways[0]])) as Record<QuestionId, string>;
export const NO_CHANGES: StudioSchools = { studio: DEFAULT_SCHOOLS, own: {} };

/** The ways that hold for one technique: its own, else the studio's. */
export function schoolsOf({ studio, own }: StudioSchools, technique: string): Schools {
  return own[technique] ? { ...studio, ...own[technique] } : studio;
}
