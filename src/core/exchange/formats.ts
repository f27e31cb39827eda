/** Every file that leaves or comes in: by what it is called here, its media type, and how its name ends. */
export const FORMATS = {
  'cue sheet': { media: 'text/vtt', ending: 'vtt' },
  'pacing track': { media: 'audio/wav', ending: 'wav' },
  'own ways': { media: 'application/json', ending: 'json' },
  'course package': { media: 'application/json', ending: 'json' },
  roster: { media: 'text/csv', ending: 'csv' },
  person: { media: 'application/json', ending: 'json' },
  calendar: { media: 'text/calendar', ending: 'ics' },
  'lesson plan': { media: 'application/pdf', ending: 'pdf' },
  'lesson plan in Markdown': { media: 'text/markdown', ending: 'md' },
  handout: { media: 'application/pdf', ending: 'pdf' },
  'course on a page': { media: 'application/pdf', ending: 'pdf' },
} as const satisfies Readonly<Record<string, { readonly media: string; readonly ending: string }>>;

export type FormatId = keyof typeof FORMATS;

/** A file's name from what it is about: letters and digits that every system takes. @example fileName('calendar', 'Long phrases') // "long-phrases.ics" */
export function fileName(format: FormatId, about: string): string {
  const stem = about
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .replace(/[^\w]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .toLowerCase()
    .slice(0, 80);
  return `${stem || 'file'}.${FORMATS[format].ending}`;
}

/** How much a calendar may hold. */
export const CALENDAR_LIMITS = {
  characters: 1_900_000,
  /** Spans that may come in at once. */
  spans: 500,
  /** Times one event is looked at, however often it repeats. */
  repeats: 20_000,
  /** And all of them together. */
  allRepeats: 30_000,
} as const;
