import Ajv from 'ajv/dist/2020';
import { readFileSync } from 'node:fs';
import decoder from 'wav-decoder';
import { WebVTTParser } from 'webvtt-parser';
import entities from 'webvtt-parser/html-entities.json';
import { readWays, toWebVtt, wavBytes, wavChunks, writeWays } from '.';
import { layOut } from '../cues';
import { millis } from '../units';
import { SHIPPED_LIBRARY } from '../library';

const line = layOut(
  [
    { id: 'a', kind: 'arrive', part: 'arrive', minutes: 1 },
    { id: 'b', kind: 'technique', technique: 'alternate-4-6', pattern: 'in 4 left, out 6 right, alternating', dose: '2 rounds of 2', tempo: 1000 },
  ],
  { library: SHIPPED_LIBRARY, naturalBreath: millis(4000) },
);

test('a cue sheet is WebVTT that another reader takes, hostile text as text', () => {
  const cues = [
    ...line.cues,
    { at: millis(line.total), until: millis(line.total + 900), block: 1, say: '<b>stop</b> --> & \n\n00:00', kind: 'end' as const },
  ];
  const { cues: read, errors } = new WebVTTParser(entities).parse(toWebVtt(cues), 'captions');
  expect(errors).toEqual([]);
  expect(read).toHaveLength(cues.length);
  expect(read[0]).toMatchObject({ startTime: cues[0].at / 1000, endTime: cues[0].until / 1000, text: cues[0].say });
  expect(
    read
      .at(-1)
      ?.tree.children.map(({ value }: { value: string }) => value)
      .join(''),
  ).toBe('<b>stop</b> --> & 00:00');
});

test('a pacing track is WAV that another reader takes: as long as the class, one-sided phases on their side, rest silent', async () => {
  const chunks = [...wavChunks(line.segments)];
  const file = Buffer.concat(chunks);
  expect(file.length).toBe(wavBytes(line.total));
  const { sampleRate, channelData } = await decoder.decode(file);
  const [left, right] = channelData as [Float32Array, Float32Array];
  expect([sampleRate, left.length, right.length]).toEqual([16_000, line.total * 16, line.total * 16]);
  const loudest = (channel: Float32Array, from: number, to: number) =>
    channel.slice(from * 16_000, to * 16_000).reduce((most, value) => Math.max(most, Math.abs(value)), 0);
  expect([loudest(left, 0, 60), loudest(right, 0, 60)]).toEqual([0, 0]);
  // In left, out right, then in right, out left.
  expect([loudest(left, 60, 64) > 0.05, loudest(right, 60, 64)]).toEqual([true, 0]);
  expect([loudest(left, 64.01, 69.9), loudest(right, 64, 70) > 0.05]).toEqual([0, true]);
  expect(loudest(left, 60, 100)).toBeLessThan(0.2);
});

test('an empty track is a header alone', () => {
  expect([...wavChunks([])].map(({ length }) => length)).toEqual([44]);
});

const slack = { name: 'Slack water', base: 'longer-5-6', pattern: '5:7', dose: '3 min' };

test('own ways travel as JSON that its schema accepts, and come back the same', () => {
  const file = writeWays([slack]);
  const accepts = new Ajv().compile(JSON.parse(readFileSync('docs/ways.schema.json', 'utf8')) as object);
  expect(accepts(JSON.parse(file))).toBe(true);
  expect(readWays(file, [], SHIPPED_LIBRARY)).toEqual({ ways: [slack], problems: [] });
  const typed = JSON.stringify({ format: 'oaken-ladder/ways', version: 1, ways: [{ ...slack, pattern: 'in 5,  out 7', dose: '3 minutes' }] });
  expect(readWays(typed, [], SHIPPED_LIBRARY).ways).toEqual([slack]);
});

test('every bad row is named with its reason, and a bad file as a whole', () => {
  const file = (ways: unknown, more: object = {}) => JSON.stringify({ format: 'oaken-ladder/ways', version: 1, ways, ...more });
  const said = (text: string, taken: string[] = []) => readWays(text, taken, SHIPPED_LIBRARY).problems.map(({ row, message }) => `${row} ${message}`);
  const bad = [
    slack,
    { ...slack, name: 'SLACK water' },
    { ...slack, name: '\u202egnp', base: 'nobody' },
    { name: 'x', base: 'natural', pattern: '5:', dose: 'a lot' },
    7,
  ];
  expect(said(file(bad))).toEqual([
    '2 “SLACK water” is here already.',
    '3 The name should have 1 to 60 characters that can be seen.',
    '3 There is no technique “nobody” in the library.',
    expect.stringMatching(/^4 Pattern: Something is still missing/),
    expect.stringMatching(/^4 Dose: “a” at character 1 does not fit/),
    '5 This is no way: it should have a name, a base, a pattern and a dose.',
  ]);
  expect(said(file([slack]), ['slack water'])).toHaveLength(1);
  expect(
    ['{', '[]', file([], { version: 2 }), file(Array(501).fill(slack)), ' '.repeat(1_000_001)].map((text) => said(text)[0]?.slice(0, 2)),
  ).toEqual(Array(5).fill('0 '));
});
