import { execFileSync } from 'node:child_process';

const READER = `
import { extractText } from 'unpdf';
const chunks = [];
for await (const chunk of process.stdin) chunks.push(chunk);
const { text, totalPages } = await extractText(new Uint8Array(Buffer.concat(chunks)), { mergePages: true });
process.stdout.write(JSON.stringify({ text, totalPages }));
`;

/** The text of a PDF and its pages, as an independent reader sees them; in a process of its own, since it loads itself as a module. */
export function pdfText(pdf: Buffer): { readonly text: string; readonly totalPages: number } {
  const out = execFileSync(process.execPath, ['--input-type=module', '-e', READER], { input: pdf, maxBuffer: 10_000_000 });
  return JSON.parse(out.toString()) as { text: string; totalPages: number };
}
