import { HOME_LINES, PAPER_FOOT, type CoursePage, type Handout, type PlanSheet, type SheetRow } from '@/core/paper';
import type { StripPiece } from '@/core/timing';
import { heightOf, INK, MARGIN, paper, RULE, rule, SOFT, width, write, writeAll, type Doc, type PaperSize } from './ink';

export type { PaperSize } from './ink';

/** Begins another page when what follows would not fit. */
function room(doc: Doc, y: number, needed: number): number {
  if (y + needed <= doc.page.height - MARGIN - 16) return y;
  doc.addPage();
  return MARGIN;
}

/** A lesson plan on paper: the same document as on the screen, in black and white. */
export function planPdf(sheet: PlanSheet, size: PaperSize): Promise<Buffer> {
  return paper(size, `${sheet.place}, ${sheet.when}`, (doc) => {
    const right = MARGIN + width(doc);
    write(doc, 'sans', 9, `${sheet.studio} · ${sheet.place}`, MARGIN, MARGIN, { width: width(doc) - 150 });
    write(doc, 'serifBold', 13, sheet.length, right - 150, MARGIN + 4, { width: 150, align: 'right' });
    write(doc, 'sans', 9, sheet.whose, right - 190, MARGIN + 22, { width: 190, align: 'right' });
    let y = write(doc, 'serifBold', 20, sheet.when, MARGIN, MARGIN + 13, { width: width(doc) - 200 }) + 3;
    rule(doc, y, 2.5);
    y += 7;
    const box = [sheet.purpose, sheet.fresh && `New today: ${sheet.fresh}.`, sheet.changed, sheet.note && `Note: ${sheet.note}`].filter(Boolean);
    if (box.length > 0) {
      const top = y;
      y += 5;
      for (const [index, line] of box.entries())
        y = write(doc, index === 0 ? 'sansBold' : 'sans', 9, line, MARGIN + 8, y, { width: width(doc) - 16 }) + 1;
      y += 4;
      doc
        .rect(MARGIN, top, width(doc), y - top)
        .lineWidth(1)
        .strokeColor(INK)
        .stroke();
      y += 6;
    }
    y = write(doc, 'sans', 8, `Where nothing else is said: ${sheet.usually}.`, MARGIN, y, { colour: SOFT, width: width(doc) }) + 3;
    for (const row of sheet.rows) y = planRow(doc, row, y);
    y = room(doc, y + 10, 110);
    const half = (width(doc) - 24) / 2;
    const top = y;
    let left = y;
    if (sheet.people) {
      left = write(doc, 'serifBold', 11, 'In the room', MARGIN, top, { width: half });
      left = write(doc, 'sans', 8, `instructions as of ${sheet.asOf}`, MARGIN, left, { width: half, colour: SOFT }) + 2;
      if (sheet.people.length === 0) left = write(doc, 'sans', 9, 'Everyone does everything as taught.', MARGIN, left, { width: half });
      for (const { names, text } of sheet.people) {
        left = room(doc, left, 30);
        const line = [
          { font: 'sansBold', text: names },
          { font: 'sans', text: `: ${text}.` },
        ] as const;
        left = writeAll(doc, line, 9, MARGIN, left, { width: half }) + 1;
      }
    }
    const x = sheet.people ? MARGIN + half + 24 : MARGIN;
    const at = left >= top ? top : left;
    let end = write(doc, 'serifBold', 11, 'Let go at once', x, at, { width: half });
    end = write(doc, 'sans', 9, `${sheet.stopSigns}.`, x, end + 2, { width: half });
    write(doc, 'sansBold', 9, sheet.emergency, x, end + 2, { width: half });
    foot(doc, PAPER_FOOT);
  });
}

const STRIP = { x: 300, width: 150, height: 26 };

function planRow(doc: Doc, row: SheetRow, from: number): number {
  const details = row.details.join(' · ');
  const wide = row.strip ? STRIP.x - MARGIN - 52 - 8 : width(doc) - 52 - 70;
  const needed = 16 + (details ? heightOf(doc, 'sans', 8.5, details, wide) : 0) + (row.strip ? 14 : 0);
  const y = room(doc, from, needed + 6);
  write(doc, 'serifBold', 9.5, row.clock, MARGIN, y + 2, { width: 44 });
  write(doc, 'serifBold', 9.5, row.minutes, MARGIN + width(doc) - 62, y + 2, { width: 62, align: 'right' });
  let bottom = write(doc, row.technique ? 'sansBold' : 'sans', row.technique ? 11 : 9.5, row.name, MARGIN + 52, y + (row.technique ? 1 : 2), {
    width: wide,
  });
  if (details) bottom = write(doc, 'sans', 8.5, details, MARGIN + 52, bottom, { width: wide, colour: SOFT });
  if (row.strip) {
    strip(doc, row.strip, STRIP.x, y + 3, STRIP.width, STRIP.height);
    bottom = Math.max(bottom, write(doc, 'serifBold', 8, row.written ?? '', STRIP.x, y + STRIP.height + 5, { width: 200 }));
  }
  rule(doc, bottom + 3, 0.5, RULE);
  return bottom + 6;
}

/** A breath strip in black and white: every count a step, a hold grey along the top, an empty hold dotted along the ground. */
function strip(
  doc: Doc,
  { pieces, length }: { readonly pieces: readonly StripPiece[]; readonly length: number },
  left: number,
  top: number,
  wide: number,
  high: number,
): void {
  const x = (ms: number) => left + (wide * ms) / length;
  const y = (level: number) => top + high - high * level;
  for (const { kind, rungs, from, to } of pieces) {
    if (kind === 'empty' || kind === 'gap' || kind === 'recover') {
      doc
        .moveTo(x(from), y(0.03))
        .lineTo(x(to), y(0.03))
        .lineWidth(kind === 'empty' ? 2 : 1)
        .dash(1, { space: 3 })
        .strokeColor(INK)
        .stroke()
        .undash();
      continue;
    }
    for (const rung of rungs) {
      const [a, b] = [x(rung.from), x(rung.to) - 0.6];
      doc
        .rect(a, y(rung.level), Math.max(0.2, b - a), y(0) - y(rung.level))
        .fillColor(kind === 'hold' || kind === 'pause' ? '#cccccc' : '#ececec')
        .fill();
      doc.moveTo(a, y(rung.level)).lineTo(b, y(rung.level)).lineWidth(1.6).strokeColor(INK).stroke();
    }
  }
  doc
    .moveTo(left, y(0))
    .lineTo(left + wide, y(0))
    .lineWidth(0.5)
    .strokeColor(RULE)
    .stroke();
}

/** The same line at the foot of every page. */
function foot(doc: Doc, text: string): void {
  const { start, count } = doc.bufferedPageRange();
  for (let page = start; page < start + count; page += 1) {
    doc.switchToPage(page);
    const y = doc.page.height - MARGIN - 4;
    rule(doc, y - 4, 0.5, RULE);
    // Below the margin the library would begin another page.
    doc.page.margins.bottom = 0;
    write(doc, 'sans', 8, count > 1 ? `${text} ${page - start + 1} of ${count}` : text, MARGIN, y, { width: width(doc), colour: SOFT });
    doc.page.margins.bottom = MARGIN;
  }
}

/** What to practise at home until next time: one sheet, nobody's name. */
export function handoutPdf(sheet: Handout, size: PaperSize): Promise<Buffer> {
  return paper(size, `${sheet.course}: at home`, (doc) => {
    write(doc, 'sans', 10, `${sheet.studio} · ${sheet.course}`, MARGIN, MARGIN, { width: width(doc) });
    let y = write(doc, 'serifBold', 22, 'At home', MARGIN, MARGIN + 14, { width: width(doc) });
    y = write(doc, 'sans', 11, `${sheet.when}, ${sheet.until}.`, MARGIN, y, { width: width(doc) }) + 5;
    rule(doc, y, 2.5);
    y += 12;
    if (sheet.practices.length === 0)
      y = write(doc, 'sans', 11, 'Nothing of this class is practised alone. Breathe as you like, and come again.', MARGIN, y, { width: width(doc) });
    for (const one of sheet.practices) {
      y = room(doc, y, 120);
      strip(doc, one.strip, MARGIN + width(doc) - 170, y + 4, 170, 40);
      write(doc, 'serifBold', 10, one.written, MARGIN + width(doc) - 170, y + 48, { width: 170 });
      let bottom = write(doc, 'serifBold', 15, one.name, MARGIN, y, { width: width(doc) - 190 });
      bottom = write(doc, 'sansBold', 11, one.dose, MARGIN, bottom + 2, { width: width(doc) - 190 });
      if (one.how) bottom = write(doc, 'sans', 11, `${one.how}.`, MARGIN, bottom + 2, { width: width(doc) - 190 });
      y = Math.max(bottom, y + 64) + 10;
      rule(doc, y, 0.5, RULE);
      y += 10;
    }
    for (const line of HOME_LINES) y = write(doc, 'sans', 11, line, MARGIN, y, { width: width(doc) }) + 4;
    y = write(doc, 'serifBold', 14, 'When to stop', MARGIN, room(doc, y + 6, 120), { width: width(doc) });
    y = write(doc, 'sans', 11, `Let go and breathe naturally at any of these: ${sheet.stopSigns}.`, MARGIN, y + 2, { width: width(doc) });
    write(doc, 'sansBold', 11, sheet.emergency, MARGIN, y + 4, { width: width(doc) });
    foot(doc, 'Planning help, no medical advice.');
  });
}

/** A course for the notice board. */
export function coursePdf(page: CoursePage, size: PaperSize): Promise<Buffer> {
  return paper(size, page.name, (doc) => {
    write(doc, 'sans', 11, page.studio, MARGIN, MARGIN, { width: width(doc) });
    let y = write(doc, 'serifBold', 24, page.name, MARGIN, MARGIN + 16, { width: width(doc) });
    y = write(doc, 'sans', 12, `${page.when}, with ${page.teacher}`, MARGIN, y, { width: width(doc) }) + 6;
    rule(doc, y, 2.5);
    y += 8;
    for (const { number, when, what } of page.classes) {
      const high = Math.max(14, heightOf(doc, 'sans', 10.5, what, width(doc) - 170));
      y = room(doc, y, high + 8);
      write(doc, 'serifBold', 10.5, String(number), MARGIN, y, { width: 22, align: 'right' });
      write(doc, 'serif', 10.5, when, MARGIN + 32, y, { width: 130 });
      write(doc, 'sans', 10.5, what, MARGIN + 170, y, { width: width(doc) - 170 });
      y += high + 4;
      rule(doc, y - 1, 0.5, RULE);
      y += 3;
    }
  });
}
