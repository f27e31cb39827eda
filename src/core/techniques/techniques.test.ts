import { FAMILIES, searchTechniques, sharedAliases } from '.';
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
