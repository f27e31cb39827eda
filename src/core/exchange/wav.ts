import type { Segment } from '../timing';

/** What a pacing track is made of: the stretches of a class or a block, in order. */
export type Paced = Pick<Segment, 'start' | 'end' | 'kind' | 'side' | 'counts'>;

export const WAV_RATE = 16_000;
const CHUNK_FRAMES = 1 << 16;
const CHANNELS = 2;
const HEADER_BYTES = 44;
/** Tones come and go over this long, so that nothing clicks. */
const FADE_FRAMES = WAV_RATE * 0.04;

/** From and to in hertz, and how loud of 32 767: the inhale rises, the exhale falls, holds stay, empty is barely there. */
const TONES = {
  in: [196, 262, 3600],
  hold: [262, 262, 1500],
  out: [262, 175, 3600],
  empty: [110, 110, 1100],
  pause: [0, 0, 0],
  pumps: [220, 220, 3600],
} as const;

/** Bytes of the finished file. @example wavBytes(1000) // 64_044 */
export function wavBytes(milliseconds: number): number {
  return HEADER_BYTES + framesOf(milliseconds) * CHANNELS * 2;
}

function framesOf(milliseconds: number): number {
  return Math.round((milliseconds * WAV_RATE) / 1000);
}

/**
 * Renders a pacing track as a WAV file, 16 kHz, 16 bit, stereo: a quiet tone for each phase, through the left or the right
 * channel alone on one-sided phases, silence where people breathe as they like. Written in chunks, header first.
 * @param segments in order and without a hole
 * @returns chunks of the file; each is a buffer of its own
 */
export function* wavChunks(segments: readonly Paced[]): Generator<Uint8Array> {
  const total = framesOf(segments.at(-1)?.end ?? 0);
  yield header(total);
  let chunk = new Int16Array(CHUNK_FRAMES * CHANNELS);
  let used = 0;
  for (const segment of segments) {
    const frames = framesOf(segment.end) - framesOf(segment.start);
    const tone = new Tone(segment, frames);
    for (let done = 0; done < frames;) {
      const part = Math.min(frames - done, CHUNK_FRAMES - used);
      tone.write(chunk, used, done, part);
      used += part;
      done += part;
      if (used < CHUNK_FRAMES) continue;
      yield bytesOf(chunk, used);
      chunk = new Int16Array(CHUNK_FRAMES * CHANNELS);
      used = 0;
    }
  }
  if (used > 0) yield bytesOf(chunk, used);
}

/** One phase's tone. The oscillator turns by a small rotation each frame, which is exact enough and much cheaper than a sine. */
class Tone {
  private sine = 0;
  private cosine = 1;
  private readonly from: number;
  private readonly to: number;
  private readonly loud: number;
  private readonly left: number;
  private readonly right: number;
  /** Frames of one pump; 0 for an even tone. */
  private readonly beat: number;

  constructor(
    { kind, side, counts }: Paced,
    private readonly frames: number,
  ) {
    [this.from, this.to, this.loud] = kind ? TONES[kind] : [0, 0, 0];
    this.left = side === 'right' ? 0 : 1;
    this.right = side === 'left' ? 0 : 1;
    this.beat = kind === 'pumps' && counts ? frames / counts : 0;
  }

  write(into: Int16Array, offset: number, done: number, count: number): void {
    if (this.loud === 0) return;
    // Pitch moves in steps of a few milliseconds, which nobody hears as steps.
    const step = 64;
    for (let start = 0; start < count; start += step) {
      const end = Math.min(count, start + step);
      const at = done + start;
      const turn = (2 * Math.PI * (this.from + ((this.to - this.from) * at) / this.frames)) / WAV_RATE;
      const [a, b] = [Math.cos(turn), Math.sin(turn)];
      const volume = this.loud * this.envelope(at);
      for (let frame = start; frame < end; frame += 1) {
        const sine = this.sine * a + this.cosine * b;
        this.cosine = this.cosine * a - this.sine * b;
        this.sine = sine;
        const value = sine * volume;
        const place = (offset + frame) * CHANNELS;
        into[place] = value * this.left;
        into[place + 1] = value * this.right;
      }
    }
  }

  /** 0 to 1: faded at both ends; a pump is a short knock. */
  private envelope(at: number): number {
    const length = this.beat || this.frames;
    const inside = this.beat ? at % this.beat : at;
    const rise = Math.min(1, inside / FADE_FRAMES);
    const fall = this.beat ? Math.max(0, 1 - inside / (length * 0.45)) : Math.min(1, (length - inside) / FADE_FRAMES);
    return Math.min(rise, fall);
  }
}

function bytesOf(chunk: Int16Array, frames: number): Uint8Array {
  return new Uint8Array(chunk.buffer, 0, frames * CHANNELS * 2);
}

function header(frames: number): Uint8Array {
  const data = frames * CHANNELS * 2;
  const view = new DataView(new ArrayBuffer(HEADER_BYTES));
  const text = (at: number, word: string) => [...word].forEach((letter, index) => view.setUint8(at + index, letter.charCodeAt(0)));
  text(0, 'RIFF');
  view.setUint32(4, HEADER_BYTES - 8 + data, true);
  text(8, 'WAVEfmt ');
  view.setUint32(16, 16, true);
  view.setUint16(20, 1, true);
  view.setUint16(22, CHANNELS, true);
  view.setUint32(24, WAV_RATE, true);
  view.setUint32(28, WAV_RATE * CHANNELS * 2, true);
  view.setUint16(32, CHANNELS * 2, true);
  view.setUint16(34, 16, true);
  text(36, 'data');
  view.setUint32(40, data, true);
  return new Uint8Array(view.buffer);
}
