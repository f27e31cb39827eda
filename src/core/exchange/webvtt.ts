import type { Cue } from '../cues';

/**
 * A cue sheet as WebVTT: one cue a line said, its kind as the cue's identifier. Times are from the start of the class.
 * @returns the whole file as text, see docs/formats.md
 * @example toWebVtt([{ at: 0, until: 800, block: 0, say: 'In, left', kind: 'call' }]) // "WEBVTT\n\n1 call\n00:00:00.000 --> …"
 */
export function toWebVtt(cues: readonly Cue[]): string {
  const lines = ['WEBVTT', ''];
  cues.forEach(({ at, until, say, kind }, index) => {
    lines.push(`${index + 1} ${kind}`, `${stamp(at)} --> ${stamp(Math.max(until, at + 1))}`, escaped(say), '');
  });
  return lines.join('\n');
}

function stamp(ms: number): string {
  const pad = (value: number, length: number) => String(value).padStart(length, '0');
  const seconds = Math.floor(ms / 1000);
  return `${pad(Math.floor(seconds / 3600), 2)}:${pad(Math.floor(seconds / 60) % 60, 2)}:${pad(seconds % 60, 2)}.${pad(ms % 1000, 3)}`;
}

/** Markup is text here, and a line break would end the cue. */
function escaped(text: string): string {
  return text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/\s+/g, ' ');
}
