'use client';

import { fileName, FORMATS, type FormatId } from '@/core/exchange';

/** Hands a file of a format to the person, named by what it is about. */
export function saveAs(format: FormatId, about: string, text: string): void {
  saveFile(new Blob([text], { type: FORMATS[format].media }), fileName(format, about));
}

/** Hands a file to the person: the browser keeps it wherever it keeps downloads. */
export function saveFile(blob: Blob, name: string): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(blob);
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
}
