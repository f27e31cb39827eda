import { logText, type Attendance, type ClassLog } from '@/core/teach';
import { dayText, stampIn } from '@/core/units';
import { heldLogForm, logForm, settleLogForm } from '@/forms';
import type { HeldView } from '@/views/plan';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import type { HeldReason } from '../../db/kinds';
import { inOne, type Desk } from '../../desk';
import { Refusal } from '../../errors';
import { course, session as sessionById } from '../../repositories/courses';
import { progressOf } from '../../repositories/plans';
import { addLog, heldLog, heldLogs, settleHeld, settleLogs } from '../../repositories/logs';
import { peopleNames } from '../../repositories/people';
import { staffNames } from '../../repositories/staff';
import { conventions } from '../../repositories/studio';

const WHY: Readonly<Record<HeldReason, string>> = {
  'not in their hands': 'the class was not, or no longer, in their hands',
  unreadable: 'it is not a log as we write it, or its class is gone',
  strangers: 'it names somebody who is no longer in the cohort',
  'not yet': 'the class has not been taught yet by our calendar',
};

/** Logs that could not be taken as they came. */
export async function readHeldLogs(desk: Desk): Promise<HeldView[]> {
  authorise(desk.who, 'edit plans');
  const [held, nameOf, people, { zone }] = await Promise.all([heldLogs(desk), staffNames(desk), peopleNames(desk), conventions(desk)]);
  return Promise.all(
    held.map(async ({ id, version, sentBy, at, reason, body }): Promise<HeldView> => {
      const log = await readAs(body);
      const where = log && (await classOf(desk, log.session));
      return {
        id,
        version,
        by: nameOf(sentBy),
        at: stampIn(zone, new Date(at)),
        why: WHY[reason],
        class: where && `${where.course}, ${dayText(where.date)}`,
        summary: log ? logText(log) : 'cannot be read; it is kept as it came',
        note: log?.note ?? '',
        signs: log ? signsIn(log.attendance, people) : [],
        takeable: where !== null && where !== undefined,
      };
    }),
  );
}

function signsIn(attendance: readonly Attendance[], people: ReadonlyMap<string, string>): string[] {
  return attendance
    .filter(({ stopSigns }) => stopSigns.length > 0)
    .map(({ person, stopSigns }) => `${people.get(person) ?? 'somebody'}: ${stopSigns.join(', ')}`);
}

async function readAs(body: unknown) {
  try {
    return await checked(logForm, body);
  } catch (error) {
    if (error instanceof Refusal) return null;
    throw error;
  }
}

async function classOf(desk: Desk, session: string) {
  try {
    const { date, course: of } = await sessionById(desk, session);
    return { date, course: (await course(desk, of)).name };
  } catch (error) {
    if (error instanceof Refusal) return null;
    throw error;
  }
}

/** The director takes a held log into its class, with whoever was in the room though they have moved since, or sets it aside. */
export async function settleHeldLog(desk: Desk, input: unknown): Promise<void> {
  authorise(desk.who, 'edit plans');
  const { id, version, take } = await checked(heldLogForm, input);
  await inOne(desk, async (at) => {
    const held = await heldLog(at, id);
    if (take) {
      const form = await checked(logForm, held.body);
      await sessionById(at, form.session);
      const known = await peopleNames(at);
      const { versions } = (await progressOf(at, [form.session])).get(form.session)!;
      const plan = versions.find((one) => one.id === form.plan) ?? versions.at(-1);
      if (!plan) throw new Refusal('invalid', 'This class was never published, so there is nothing to log.');
      // It stands beside what is there: whether it puts a log right is no longer known.
      await addLog(
        at,
        { ...form, plan: plan.id, corrects: null, attendance: form.attendance.filter(({ person }) => known.has(person)) },
        held.sentBy,
      );
    }
    await settleHeld(at, id, version, take ? 'taken' : 'set aside');
  });
}

/** The director goes by one of several logs of a class; stop signs of the others count all the same. */
export async function settleClassLogs(desk: Desk, input: unknown): Promise<void> {
  authorise(desk.who, 'edit plans');
  const { session, log } = await checked(settleLogForm, input);
  await inOne(desk, async (at) => {
    await sessionById(at, session);
    const logs: readonly ClassLog[] = (await progressOf(at, [session])).get(session)?.log?.each ?? [];
    if (!logs.some(({ id }) => id === log)) throw new Refusal('not-found', 'This log is not one of this class.');
    await settleLogs(at, session, log);
  });
}
