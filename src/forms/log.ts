/** The choices of a class log; without the schema, so that a device can show them without loading it. */

export const EFFORTS = ['easy', 'worked', 'strained'] as const;
export const REACHED = ['all of it', 'most of it', 'less'] as const;
export const LOG_NOTE_MOST = 600;
