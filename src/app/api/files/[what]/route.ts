import { jsonReply } from '@/app/edge';
import { BODY_LIMITS } from '@/server/doors';
import { Refusal } from '@/server/errors';
import { importCalendar, previewCalendar } from '@/server/usecases/exchange/calendars';
import { importCourse, previewCourse } from '@/server/usecases/exchange/coursePackage';
import { importRoster, previewRoster } from '@/server/usecases/people/importRoster';
import { importOwnWays, previewOwnWays } from '@/server/usecases/techniques/ownWays';

const WORK = {
  'calendar-preview': previewCalendar,
  calendar: importCalendar,
  'course-preview': previewCourse,
  course: importCourse,
  'roster-preview': previewRoster,
  roster: importRoster,
  'ways-preview': previewOwnWays,
  ways: importOwnWays,
} as const;

/** Takes a file's text: the only way in that is larger than a form. */
export async function POST(request: Request, { params }: { params: Promise<{ what: string }> }): Promise<Response> {
  const { what } = await params;
  return jsonReply<unknown>(request, BODY_LIMITS.file, (desk, input) => {
    if (!Object.hasOwn(WORK, what)) throw new Refusal('not-found');
    return WORK[what as keyof typeof WORK](desk, input);
  });
}
