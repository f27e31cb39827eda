/** Independent readers used by the tests; they ship no types of their own. */
declare module 'webvtt-parser' {
  export class WebVTTParser {
    constructor(entities: unknown);
    parse(
      text: string,
      mode: string,
    ): {
      cues: { startTime: number; endTime: number; text: string; tree: { children: { value: string }[] } }[];
      errors: unknown[];
    };
  }
}
declare module 'wav-decoder' {
  const decoder: { decode(file: Uint8Array): Promise<{ sampleRate: number; channelData: Float32Array[] }> };
  export default decoder;
}
