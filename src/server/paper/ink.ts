import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { readFileSync } from 'node:fs';
import PDFDocument from 'pdfkit';

/** Paper sizes as they are called; points are the library's. */
export type PaperSize = 'A4' | 'LETTER';
export type Doc = InstanceType<typeof PDFDocument>;

export const INK = '#000000';
export const SOFT = '#444444';
export const RULE = '#999999';
export const MARGIN = 42;

const FACES = {
  serif: ['literata', 400],
  serifBold: ['literata', 600],
  sans: ['atkinson-hyperlegible-next', 400],
  sansBold: ['atkinson-hyperlegible-next', 700],
} as const;
export type Face = keyof typeof FACES;

/** Letters beyond those of western Europe come in files of their own; the text face has no Greek and Cyrillic, so the serif stands in. */
const BEYOND: readonly { readonly subset: string; readonly is: RegExp; readonly serifOnly: boolean }[] = [
  { subset: 'latin-ext', is: /[\u0100-\u02ba\u02bd-\u02c5\u02c7-\u02cc\u1e00-\u1e9f\u1ef2-\u1eff]/, serifOnly: false },
  { subset: 'vietnamese', is: /[\u1ea0-\u1ef1]/, serifOnly: true },
  { subset: 'cyrillic', is: /[\u0400-\u045f\u0490\u0491]/, serifOnly: true },
  { subset: 'greek', is: /[\u0370-\u03ff]/, serifOnly: true },
];
/** What the shipped fonts have: western letters, the punctuation that goes with them, and the letters above. */
const WESTERN = /[\n -\u00ff\u0131\u0152\u0153\u02c6\u02da\u02dc\u2000-\u206f\u20ac\u2122\u2212\u2215]/;

/** Fonts are read once, each when it is first needed: all of them ship with the application. */
const fontOf = (() => {
  const read = new Map<string, Buffer>();
  return (face: Face, subset: string): Buffer => {
    const [family, weight] = FACES[face];
    const file = `${family}-${subset}-${weight}-normal.woff`;
    const known = read.get(file);
    if (known) return known;
    const require = createRequire(join(process.cwd(), 'package.json'));
    const font = readFileSync(join(dirname(require.resolve(`@fontsource/${family}/package.json`)), 'files', file));
    read.set(file, font);
    return font;
  };
})();

/** Draws a document and gives its bytes. */
export function paper(size: PaperSize, title: string, draw: (doc: Doc) => void): Promise<Buffer> {
  return new Promise((resolve, reject) => {
    const doc = new PDFDocument({ size, margin: MARGIN, info: { Title: title, Creator: 'Oaken Ladder' }, bufferPages: true });
    const chunks: Buffer[] = [];
    doc.on('data', (chunk: Buffer) => chunks.push(chunk));
    doc.on('end', () => resolve(Buffer.concat(chunks)));
    doc.on('error', reject);
    for (const face of Object.keys(FACES) as Face[]) doc.registerFont(face, fontOf(face, 'latin'));
    draw(doc);
    doc.end();
  });
}

export const width = (doc: Doc) => doc.page.width - 2 * MARGIN;

interface Run {
  readonly font: Face;
  readonly text: string;
}

/** A text in signs that paper has, cut where another font goes on: a name is never left out because of its letters. */
function runsOf(doc: Doc, { font: face, text }: Run): { readonly font: string; text: string }[] {
  const runs: { font: string; text: string }[] = [];
  for (const sign of text
    .replace(/→/g, 'to')
    .replace(/\u2011/g, '-')
    .normalize('NFC')) {
    const beyond = BEYOND.find(({ is }) => is.test(sign));
    const of = beyond?.serifOnly && face.startsWith('sans') ? (face === 'sansBold' ? 'serifBold' : 'serif') : face;
    const font = beyond ? `${of} ${beyond.subset}` : face;
    if (beyond) doc.registerFont(font, fontOf(of, beyond.subset));
    const shown = beyond || WESTERN.test(sign) ? sign : '·';
    const last = runs.at(-1);
    if (last?.font === font) last.text += shown;
    else runs.push({ font, text: shown });
  }
  return runs;
}

interface Place {
  readonly width?: number;
  readonly align?: 'right';
  readonly colour?: string;
}

/** Writes pieces of a line one after the other, each in its face. @returns where the next line begins */
export function writeAll(doc: Doc, pieces: readonly Run[], size: number, x: number, y: number, { colour = INK, ...rest }: Place = {}): number {
  const runs = pieces.flatMap((piece) => runsOf(doc, piece));
  doc.fontSize(size).fillColor(colour);
  runs.forEach(({ font, text }, index) => {
    const how = { lineGap: 1, ...rest, continued: index < runs.length - 1 };
    if (index === 0) doc.font(font).text(text, x, y, how);
    else doc.font(font).text(text, how);
  });
  return doc.y;
}

/** Writes a text. @returns where the next line begins */
export function write(doc: Doc, font: Face, size: number, text: string, x: number, y: number, place: Place = {}): number {
  return writeAll(doc, [{ font, text }], size, x, y, place);
}

/** How high a text stands in a width. */
export function heightOf(doc: Doc, font: Face, size: number, text: string, wide: number): number {
  return doc.font(font).fontSize(size).heightOfString(text, { width: wide, lineGap: 1 });
}

export function rule(doc: Doc, y: number, weight: number, colour = INK): void {
  doc
    .moveTo(MARGIN, y)
    .lineTo(MARGIN + width(doc), y)
    .lineWidth(weight)
    .strokeColor(colour)
    .stroke();
}
