import { claimsIn } from './rules';

test.each([
  ['This breath cures asthma.', 'cures asthma'],
  ['It can treat your high blood pressure', 'treat your high blood pressure'],
  ['It replaces your inhaler', 'replaces your inhaler'],
  ['Lowers blood pressure within a week', 'Lowers blood pressure'],
  ['Safe for everybody', 'Safe for everybody'],
  ['burns belly fat', 'burns belly fat'],
  ['A morning detox', 'detox'],
  ['oxygenates the brain', 'oxygenates'],
  ['balances both halves of the brain', 'balances both halves of the brain'],
  ['reduces inflammation', 'reduces inflammation'],
  ['Scientifically proven', 'Scientifically proven'],
  ['Since then I never fall ill', 'I never fall ill'],
  ['heals the lungs', 'heals the lungs'],
])('“%s” is marked', (text, found) => {
  const [claim] = claimsIn(text);
  expect(claim).toMatchObject({ found, at: text.indexOf(found), length: found.length });
  expect(claimsIn(claim.instead)).toEqual([]);
});

test.each([
  'In several traditions the left side is the moon’s and the right side the sun’s; energy moves through channels.',
  'Ask your doctor first.',
  'Many people find it settling.',
  'Holding raises pressure in the chest and in the head.',
])('“%s” is fine', (text) => {
  expect(claimsIn(text)).toEqual([]);
});
