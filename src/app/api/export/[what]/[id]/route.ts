import { reply } from '@/app/edge';
import { fileName, FORMATS, type FormatId } from '@/core/exchange';
import { sheetMarkdown } from '@/core/paper';
import type { Desk } from '@/server/desk';
import { Refusal } from '@/server/errors';
import { coursePdf, handoutPdf, planPdf, type PaperSize } from '@/server/paper/pdf';
import { exportCalendar } from '@/server/usecases/exchange/calendars';
import { exportCourse, exportSeries } from '@/server/usecases/exchange/coursePackage';
import { readCoursePage, readHandout, readPlanSheet } from '@/server/usecases/paper/readPaper';

interface Made {
  readonly format: FormatId;
  readonly about: string;
  readonly body: string | Buffer;
}

type Make = (desk: Desk, id: string, size: PaperSize) => Promise<Made>;

/** Every file that is taken along by a link, by what its address says. */
const FILES: Readonly<Record<string, Make>> = {
  plan: async (desk, id, size) => {
    const sheet = await readPlanSheet(desk, id);
    return { format: 'lesson plan', about: `${sheet.place} ${sheet.when}`, body: await planPdf(sheet, size) };
  },
  'plan-text': async (desk, id) => {
    const sheet = await readPlanSheet(desk, id);
    return { format: 'lesson plan in Markdown', about: `${sheet.place} ${sheet.when}`, body: sheetMarkdown(sheet) };
  },
  handout: async (desk, id, size) => {
    const sheet = await readHandout(desk, id);
    return { format: 'handout', about: `${sheet.course} at home`, body: await handoutPdf(sheet, size) };
  },
  'course-page': async (desk, id, size) => {
    const page = await readCoursePage(desk, id);
    return { format: 'course on a page', about: page.name, body: await coursePdf(page, size) };
  },
  course: async (desk, id) => {
    const { name, text } = await exportCourse(desk, id);
    return { format: 'course package', about: name, body: text };
  },
  series: async (desk, id) => {
    const { name, text } = await exportSeries(desk, id);
    return { format: 'course package', about: name, body: text };
  },
  'course-calendar': async (desk, course) => calendar(await exportCalendar(desk, { of: 'course', course })),
  calendar: async (desk, whose) => {
    if (whose !== 'mine' && whose !== 'studio') throw new Refusal('not-found');
    return calendar(await exportCalendar(desk, { of: whose }));
  },
};

function calendar({ name, text }: { readonly name: string; readonly text: string }): Made {
  return { format: 'calendar', about: name, body: text };
}

/** Takes a file along. What is refused is said in words, as text. */
export async function GET(request: Request, { params }: { params: Promise<{ what: string; id: string }> }): Promise<Response> {
  const { what, id } = await params;
  const size: PaperSize = new URL(request.url).searchParams.get('size') === 'letter' ? 'LETTER' : 'A4';
  const answer = await reply(async (desk) => {
    const make = Object.hasOwn(FILES, what) ? FILES[what] : null;
    if (!make) throw new Refusal('not-found');
    return make(desk, id, size);
  });
  if (!answer.ok) {
    const status = answer.code === 'signed-out' ? 401 : answer.code === 'not-allowed' ? 403 : answer.code === 'not-found' ? 404 : 422;
    return new Response(`${answer.message}\n`, { status, headers: { 'content-type': 'text/plain; charset=utf-8', 'cache-control': 'no-store' } });
  }
  const { format, about, body } = answer.value;
  return new Response(typeof body === 'string' ? body : new Uint8Array(body), {
    headers: {
      'content-type': `${FORMATS[format].media}${typeof body === 'string' ? '; charset=utf-8' : ''}`,
      'content-disposition': `attachment; filename="${fileName(format, about)}"`,
      'cache-control': 'no-store',
    },
  });
}
