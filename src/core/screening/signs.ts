/** When to let go. On every plan and class screen; worded once, here. */
export const STOP_SIGNS: readonly string[] = [
  'dizziness',
  'pressure in the brow or eyes',
  'palpitations',
  'wheeze',
  'growing tingling, numbness or hand cramps',
  'trembling or strain in a hold',
  'gasping on the first free breath',
  'feeling unreal',
  'distress',
  'in pregnancy: pain or bleeding',
];

export const EMERGENCY = 'Chest pain, fainting, a seizure, weakness on one side, or breathlessness that stays: call the emergency services.';

/** What the low of blood pressure mind after lying down. */
export const RISE_SLOWLY = 'rise slowly';

/** Said to everybody, on every plan and class screen: said of one person alone it would name what they have. */
export const TO_EVERYBODY = `${EMERGENCY} Whoever has an inhaler keeps it at hand. Everybody rises slowly from lying down.`;

/** Signs that call for help at once. {@link EMERGENCY} says so in a sentence. */
export const HELP_SIGNS: readonly string[] = ['chest pain', 'fainting', 'a seizure', 'weakness on one side', 'breathlessness that stays'];

/** Every sign that can be marked: those to let go at, and those that call for help. */
export const ALL_SIGNS: readonly string[] = [...STOP_SIGNS, ...HELP_SIGNS];

/** Whether one of some signs calls for help. @example callsForHelp(['dizziness']) // false */
export const callsForHelp = (signs: readonly string[]): boolean => signs.some((sign) => HELP_SIGNS.includes(sign));

/** Asked at the door, for today only. */
export const DOOR_QUESTIONS = [
  { id: 'acute', question: 'Fever, unwell, wheezing, a knock to the head in the last 28 days, alcohol or a sedative?', short: 'unwell today' },
  { id: 'blockedNose', question: 'A blocked nose, a cold, or a nosebleed in the last 7 days?', short: 'blocked nose' },
  { id: 'meal', question: 'A meal in the last 2 hours (3 hours before pumps)?', short: 'has eaten' },
] as const;
