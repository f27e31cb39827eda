import { NO_CHANGES } from '@/core/conventions';
import { SHIPPED_LIBRARY } from '@/core/library';
import type { Block } from '@/core/plan';
import { USUAL_SETUP } from '@/core/techniques';
import { draftOf, newOwn, newPart, newTechnique, plannedMinutes, readDraft, toInput } from './edit';

const block: Block = { id: 'b', kind: 'technique', technique: 'square-4', pattern: '4:4:4:4', dose: '5 min', tempo: 1100 };
const usual = { tempo: 1000, naturalBreath: 4000, schools: NO_CHANGES, library: SHIPPED_LIBRARY };

test('a block becomes a draft and reads back as itself, with what is left over', () => {
  const read = readDraft(draftOf(block, usual), usual);
  expect(read).toMatchObject({ ok: true, block, time: 300_000, note: '0.8 s left over' });
  const part: Block = { id: 'p', kind: 'rest', part: 'lying-rest', minutes: 7.5 };
  expect(readDraft(draftOf(part, usual), usual)).toMatchObject({ ok: true, block: part, time: 450_000, note: null });
});

test('what does not read says so at its field, and counts for nothing', () => {
  const draft = { ...draftOf(block, usual), pattern: '4:', dose: 'much', tempo: '9' };
  const read = readDraft(draft, usual);
  expect(read).toMatchObject({
    ok: false,
    problems: { pattern: expect.stringContaining('Something is still missing'), dose: expect.any(String), tempo: '0.4 to 3 s' },
  });
  expect(readDraft({ ...newPart('p', 'settle', usual), minutes: '0' }, usual).ok).toBe(false);
  const said = (lines: string) => readDraft({ ...newPart('p', 'settle', usual), lines }, usual);
  expect(said('hand on the belly / soften the jaw')).toMatchObject({ ok: true, block: { lines: ['hand on the belly', 'soften the jaw'] } });
  expect([said('a'.repeat(80)).ok, said('a'.repeat(81)).ok, said('a/'.repeat(6)).ok, said('a/'.repeat(7)).ok]).toEqual([true, false, true, false]);
  expect(plannedMinutes([read, readDraft(newPart('p', 'settle', usual), usual)])).toBe(2);
});

test('new blocks carry what the library or the studio says, and travel to the server as it takes them', () => {
  expect(newTechnique('t', '4-7-8', usual)).toMatchObject({ technique: '4-7-8', own: null, dose: '4 rounds', tempo: '1' });
  const way = { id: 'w', number: 2, name: 'Slack water', base: 'longer-5-6', pattern: '5:7', dose: '3 min' };
  const own = newOwn('o', way, { ...usual, tempo: 1200 });
  expect(own).toMatchObject({ technique: 'longer-5-6', pattern: '5:7', tempo: '1.2', own: { id: 'w', number: 2, name: 'Slack water' } });
  expect(toInput(own)).toEqual({
    id: 'o',
    technique: 'longer-5-6',
    own: { id: 'w', number: 2 },
    part: null,
    pattern: '5:7',
    dose: '3 min',
    tempo: 1200,
    minutes: null,
    note: '',
    setup: USUAL_SETUP,
    lines: [],
  });
  expect(toInput(newPart('p', 'close', usual))).toMatchObject({ technique: null, part: 'close', minutes: 3 });
  expect(newPart('p', 'close', { ...usual, seat: 'chair' }).setup.seat).toBe('chair');
  expect(newPart('p', 'lying-rest', { ...usual, seat: 'chair' }).setup.seat).toBe('lying');
  expect(readDraft({ ...draftOf(block, usual), pattern: 'in 30, out 60', dose: '1 min' }, usual)).toMatchObject({
    ok: true,
    note: 'not one round fits these minutes',
  });
});
