import { execFileSync } from 'node:child_process';

/** The text of a PDF and its pages, as an independent reader sees them; in a process of its own, since it loads itself as a module. */
export function pdfText(pdf: Buffer): { readonly text: string; readonly totalPages: number } {
  const out = execFileSync(process.execPath, ['tests/pdfText.mjs'], { input: pdf, maxBuffer: 10_000_000 });
  return JSON.parse(out.toString()) as { text: string; totalPages: number };
}
