import { wavBytes, wavChunks, type Paced } from '@/core/exchange';

/** Renders a pacing track away from the page: takes the stretches, tells how far it is, and hands back the file. */
self.onmessage = ({ data }: MessageEvent<readonly Paced[]>) => {
  const whole = wavBytes(data.at(-1)?.end ?? 0);
  const parts: BlobPart[] = [];
  let written = 0;
  let told = 0;
  for (const chunk of wavChunks(data)) {
    // A Blob of one chunk may leave memory for the disk; the page never holds the track twice.
    parts.push(new Blob([chunk as BlobPart]));
    written += chunk.length;
    if (written - told < whole / 50) continue;
    told = written;
    self.postMessage({ done: written / whole });
  }
  self.postMessage({ file: new Blob(parts, { type: 'audio/wav' }) });
};
