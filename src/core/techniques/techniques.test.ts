import { FAMILIES, searchTechniques, sharedAliases, setupsText, USUAL_SETUP } from '.';
import { formatDose, formatPattern } from '../pattern';
import { SHIPPED_LIBRARY } from '../library';

const { techniques: TECHNIQUES } = SHIPPED_LIBRARY;

test('every shipped variant is written canonically and no two are the same', () => {
  for (const { id, pattern, dose, read } of TECHNIQUES) {
    expect([id, formatPattern(read.pattern)]).toEqual([id, pattern]);
    expect([id, formatDose(read.dose)]).toEqual([id, dose]);
  }
  const taught = TECHNIQUES.map((technique) => `${technique.family} ${technique.pattern} ${technique.dose}`);
  expect(new Set(taught).size).toBe(taught.length);
  expect(new Set(TECHNIQUES.map(({ id }) => id)).size).toBe(TECHNIQUES.length);
  expect(TECHNIQUES.length).toBeGreaterThanOrEqual(45);
});

test('every family is taught by some variant, and every caution has its reason', () => {
  for (const family of FAMILIES) {
    expect(TECHNIQUES.some((technique) => technique.family === family.id)).toBe(true);
    for (const { caution, reason } of family.cautions) expect(caution && reason).toBeTruthy();
    expect(family.cues.length).toBeGreaterThan(0);
  }
});

test.each([
  ['kapalabhati', 'skull-shining'],
  ['Nadi Shodhana', 'alternate'],
  ['ujayi', 'throat'],
  ['skul-shining', 'skull-shining'],
  ['4:7:8', '4-7-8'],
  ['in 4, out 6', 'longer-exhale'],
  ['box', 'equal-holds'],
])('“%s” finds %s first', (query, family) => {
  expect(searchTechniques(TECHNIQUES, query)[0].family).toBe(family);
});

test('an alias that names two techniques says so', () => {
  expect(sharedAliases(FAMILIES).get('chandra bhedana')).toEqual(['Left in, right out', 'Left only']);
  expect(sharedAliases(FAMILIES).get('anuloma viloma')).toContain('Right only');
});

test('nonsense finds nothing', () => {
  expect(searchTechniques(TECHNIQUES, 'zzqx')).toEqual([]);
});

test('setups down a page: what most have is said once, and what each has otherwise beside it', () => {
  const lying = { seat: 'lying', eyes: 'closed', by: 'clock', moves: [] } as const;
  const twist = { ...USUAL_SETUP, moves: ['twist'] } as const;
  expect(setupsText([USUAL_SETUP, twist, { ...USUAL_SETUP, by: 'clock' }, lying])).toEqual({
    most: 'on the floor · eyes as you like · by spoken counts',
    otherwise: ['', 'twist', 'by the clock', 'lying · eyes closed · by the clock'],
  });
  // Whatever most have, a block that has it otherwise says so in words.
  expect(setupsText([lying, lying, USUAL_SETUP])).toEqual({
    most: 'lying · eyes closed · by the clock',
    otherwise: ['', '', 'on the floor · eyes as you like · by spoken counts'],
  });
  expect(setupsText([])).toEqual({ most: 'on the floor · eyes as you like · by spoken counts', otherwise: [] });
});
