import { callsForHelp } from '@/core/screening';
import { SIGN_NOT_SAID, type Attendance } from '@/core/teach';
import { dayText } from '@/core/units';
import { markForm } from '@/forms';
import type { Staff } from '../../auth/actors';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { inOne, type Desk, type Writing } from '../../desk';
import { course, session as sessionById, type Session } from '../../repositories/courses';
import { peopleHere } from '../../repositories/people';
import { answerSign, holdSign, nameSign, signsOf } from '../../repositories/signs';
import { noteSign, tellDirectors } from './noteSign';

/** A stop sign as a device marked it. */
export interface Mark {
  readonly id: string;
  readonly person: string | null;
  readonly sign: string | null;
  readonly place: string;
  /** It was a slip of the finger. */
  readonly slip: boolean;
}

/** Takes a stop sign as it is marked in class, long before there is a log; the same mark again says more of it. */
export async function markSign(desk: Desk, input: unknown): Promise<{ readonly kept: true }> {
  authorise(desk.who, 'teach');
  const { session, ...mark } = await checked(markForm, input);
  return inOne(desk, async (at) => {
    await takeMarks(at, await sessionById(at, session), [{ ...mark, person: mark.person ?? null, sign: mark.sign ?? null }]);
    return { kept: true };
  });
}

/** Keeps marks of a class, each once, and names what was not named before. */
export async function takeMarks(at: Writing<Staff>, session: Session, marks: readonly Mark[]): Promise<void> {
  if (marks.length === 0) return;
  const names = await peopleHere(
    at,
    marks.flatMap(({ person }) => person ?? []),
  );
  const where = await whereOf(at, session);
  for (const { id, person, sign, place, slip } of marks) {
    const found = await holdSign(at, id);
    const known = person !== null && names.has(person) ? person : null;
    const signs = sign === null ? [] : [sign];
    const fresh = { id, person: known, session: session.id, member: null, date: dateOf(at, session), signs, place };
    const name = known === null ? null : names.get(known)!;
    if (!found) {
      if (!slip) await noteSign(at, fresh, name, where);
    } else if (!found.answeredAt) {
      if (slip && !found.person && !found.help) await answerSign(at, id, null, 'A slip of the finger, says whoever taught.');
      else if (!slip && !found.person && (known !== null || signs.length > 0)) {
        await nameSign(at, id, known, signs.length > 0 ? signs : (found.plain ?? []));
        if (callsForHelp(signs) && !found.help) await tellDirectors(at, fresh, name, where, []);
      }
    }
  }
}

/** Keeps the signs a log names, as far as nobody marked them of the same people in the same class before. */
export async function takeSigns(
  at: Writing<Staff>,
  session: Session | null,
  { attendance, unnamed }: { readonly attendance: readonly Attendance[]; readonly unnamed: readonly string[] },
): Promise<void> {
  const nobody = unnamed.length > 0 ? [{ person: null, stopSigns: unnamed.filter((sign) => sign !== SIGN_NOT_SAID) }] : [];
  const marked = [...attendance, ...nobody].filter(({ stopSigns }) => stopSigns.length > 0);
  if (marked.length === 0) return;
  const names = await peopleHere(
    at,
    marked.flatMap(({ person }) => person ?? []),
  );
  const where = session ? await whereOf(at, session) : 'in a class that is no longer here';
  for (const { person, stopSigns } of marked) {
    const known = person !== null && names.has(person) ? person : null;
    const before = session ? (await signsOf(at, { person: known, session: session.id })).flatMap(({ signs }) => signs) : [];
    const signs = stopSigns.filter((sign) => !before.includes(sign));
    if (signs.length === 0) continue;
    const sign = {
      id: at.newId(),
      person: known,
      session: session?.id ?? null,
      member: null,
      date: session ? dateOf(at, session) : at.today,
      signs,
      place: '',
    };
    await noteSign(at, sign, known && names.get(known)!, where);
  }
}

/** Marks into a log: what is known of whose they were stands with them, the rest with the class. */
export function marksIn<L extends { readonly attendance: readonly Attendance[]; readonly unnamed: readonly string[] }>(
  log: L,
  marks: readonly Mark[],
): L {
  const real = marks.filter(({ slip }) => !slip);
  const own = (person: string) => real.flatMap((mark) => (mark.person === person ? [mark.sign ?? SIGN_NOT_SAID] : []));
  const there = new Set(log.attendance.map(({ person }) => person));
  return {
    ...log,
    attendance: log.attendance.map((one) => {
      const signs = own(one.person);
      return signs.length === 0 ? one : { ...one, came: true, stopSigns: [...new Set([...one.stopSigns, ...signs])] };
    }),
    unnamed: [...log.unnamed, ...real.flatMap(({ person, sign }) => (person === null || !there.has(person) ? [sign ?? SIGN_NOT_SAID] : []))],
  };
}

/** A class that is marked before its day was rehearsed by another calendar: it is told of today. */
const dateOf = ({ today }: Writing<Staff>, { date }: Session) => (date < today ? date : today);

async function whereOf(at: Writing<Staff>, { course: of, date, start }: Session): Promise<string> {
  const { name } = await course(at, of);
  return `in the class “${name}” of ${dayText(date)} at ${start}`;
}
