import { isQualified, lacking, mayTeach, ROLES } from '.';
import { SHIPPED_LIBRARY } from '../library';
import type { Block } from '../plan';
import { isoDate } from '../units';

const equal = [{ family: 'equal', since: '2026-11-24' }];

test('a qualification holds from its own day on', () => {
  expect(isQualified(equal, 'equal', isoDate('2026-11-23'))).toBe(false);
  expect(isQualified(equal, 'equal', isoDate('2026-11-24'))).toBe(true);
  expect(isQualified(equal, 'throat', isoDate('2026-12-24'))).toBe(false);
});

test('what somebody lacks is named once, for the day it is taught', () => {
  const block = (id: string, technique: string): Block => ({ id, kind: 'technique', technique, pattern: '4:4', dose: '3 min', tempo: 1000 });
  const blocks = [block('a', 'equal-4-4'), block('b', 'throat-sound'), block('c', 'throat-sound')];
  expect(lacking(blocks, equal, isoDate('2026-11-24'), SHIPPED_LIBRARY)).toEqual(['Throat sound 4:4']);
  expect(lacking(blocks, equal, isoDate('2026-11-23'), SHIPPED_LIBRARY)).toEqual(['Equal 4:4', 'Throat sound 4:4']);
});

test('everybody but the front desk may be handed a class', () => {
  expect(ROLES.filter(mayTeach)).toEqual(['director', 'lead teacher', 'teacher']);
});
