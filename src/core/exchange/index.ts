/** Files that leave the studio: cue sheets and pacing tracks. */
export { toWebVtt } from './webvtt';
export { wavBytes, wavChunks, type Paced } from './wav';
