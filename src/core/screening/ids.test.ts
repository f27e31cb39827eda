import { changedRulebook, RULEBOOK, type RuleChange } from '.';

/** Overrides, clinicians' answers and changes of the rulebook name rules by these ids; one that changed would no longer match them. */
const IDS: Readonly<Record<string, string>> = {
  pregnancy: 'pumps connected hold-out held-lock right-side counted.high-risk hold-in lying-flat.from-16w0d twist pace-below-6',
  birth: 'pumps abdominal-lock hold-out connected hold-in counted',
  'high-blood-pressure':
    'pumps connected hold-out held-lock right-side.uncontrolled side-work pace-below-6 right-side.controlled hold-in counted.uncontrolled',
  'low-blood-pressure': 'pumps connected hold-out left-side hold-in-over-4-s standing lying-flat long-exhale',
  heart: 'pumps connected hold-out held-lock right-side counted hold-in',
  epilepsy: 'pumps connected hold-out right-side pace-below-6 hold-in',
  stroke: 'pumps connected hold-in hold-out held-lock right-side counted',
  hernia: 'pumps abdominal-lock hold-out hold-in-over-4-s resisted-exhale',
  'abdominal-surgery': 'pumps abdominal-lock hold-out hold-in-over-4-s resisted-exhale',
  back: 'pumps abdominal-lock floor-seat-or-standing twist',
  neck: 'chin-lock neck-circles',
  eyes: 'pumps connected held-lock palming resisted-exhale hold-in hold-out forward-bend',
  'eye-surgery': 'pumps connected held-lock palming resisted-exhale hold-in hold-out forward-bend',
  lungs: 'pumps connected hold-out hold-in-over-2-s mouth counted',
  'lung-collapse': 'pumps connected hold-in hold-out resisted-exhale counted',
  'ear-or-sinus-surgery': 'pumps connected hold-in hold-out resisted-exhale counted',
  'chest-surgery': 'counted',
  panic: 'pumps connected hold-out hold-in-over-2-s eyes-closed eyes-closed.palming pace-below-6',
  trauma: 'connected eyes-closed eyes-closed.palming hand-at-the-nose any-hold counted',
  psychosis: 'pumps connected hold-out right-side still hold-in-over-4-s eyes-closed eyes-closed.palming',
  migraine: 'pumps connected eyes-closed eyes-closed.palming neck-circles counted',
  nose: 'pumps side-work hand-at-the-nose',
  reflux: 'abdominal-lock pumps hold-out lying-flat',
  diabetes: 'pumps connected counted',
  'sickle-cell': 'connected hold-out counted hold-in',
  'under-16': 'pumps connected hold-out held-lock counted.no-consent hold-in-over-2-s',
  'over-65': 'floor-seat standing lying-flat',
  falls: 'floor-seat standing lying-flat',
  other: 'hold-in hold-out pumps connected right-side held-lock pace-below-6',
  'today-acute': 'counted',
  'today-meal': 'pumps abdominal-lock.within-2-h',
  unscreened: 'pumps connected held-lock right-side palming hold-in hold-out pace-below-6 counted movement',
};

test('rule ids never change, and none is there twice', () => {
  const expected = Object.entries(IDS).flatMap(([condition, keys]) => keys.split(' ').map((key) => `${condition}.${key}`));
  const ids = RULEBOOK.map(({ id }) => id);
  expect(ids).toEqual(expected);
  expect(new Set(ids).size).toBe(ids.length);
  for (const id of ids) expect(id).toMatch(/^[a-z0-9-]+(\.[a-z0-9-]+){1,2}$/);
});

test('a rule of a studio’s own keeps its id when another one is taken back', () => {
  const own = (id: string, condition: string): RuleChange => ({
    kind: 'add',
    id,
    condition,
    feature: { is: 'counted' },
    answer: 'ask first',
    adaptation: null,
    reason: '',
    reviewer: '',
  });
  const [first, second] = [own('0193a1f0-0000-7000-8000-00000000000a', 'neck'), own('0193a1f0-0000-7000-8000-00000000000b', 'back')];
  const idOf = (changes: readonly RuleChange[]) => changedRulebook(changes).rules.find(({ ours, condition }) => ours && condition === 'back')?.id;
  expect(idOf([first, second])).toBe('0193a1f0-0000-7000-8000-00000000000b');
  expect(idOf([second])).toBe('0193a1f0-0000-7000-8000-00000000000b');
});
