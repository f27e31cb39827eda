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
] as const;

export type Tag = (typeof TAGS)[number];
