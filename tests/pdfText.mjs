import { Buffer } from 'node:buffer';
import process from 'node:process';
import { extractText } from 'unpdf';

/** Reads a PDF from the standard input and writes its text and how many pages it has, as JSON. */
const chunks = [];
for await (const chunk of process.stdin) chunks.push(chunk);
const { text, totalPages } = await extractText(new Uint8Array(Buffer.concat(chunks)), { mergePages: true });
process.stdout.write(JSON.stringify({ text, totalPages }));
