import { isoDate } from '@/core/units';
import { closureForm, conventionsForm, qualificationsForm, removeForm, speechForm } from '@/forms';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { inOne, type Desk } from '../../desk';
import { ClosureRow, SessionRow, StaffRow, StudioRow } from '../../db/rows';
import { invalid, Refusal } from '../../errors';
import { ours } from '../../repositories/studio';

/** Changes the default tempo and the natural breath. Sessions that are already planned keep the tempo they have. */
export async function saveConventions(desk: Desk, input: unknown): Promise<void> {
  authorise(desk.who, 'run the studio');
  const form = await checked(conventionsForm, input);
  const values = { tempo: Math.round(form.tempoSeconds * 1000), naturalBreath: Math.round(form.naturalSeconds * 1000), version: form.version + 1 };
  const changed = await desk.em.nativeUpdate(StudioRow, { id: desk.who.studio, version: form.version }, values);
  if (changed === 0) throw new Refusal('clash');
}

/** Changes how the studio's cue sheets speak. Sheets are written afresh wherever they are shown. */
export async function saveSpeech(desk: Desk, input: unknown): Promise<void> {
  authorise(desk.who, 'run the studio');
  const { version, loudness, wordsPerSecond, lines } = await checked(speechForm, input);
  const wording = Object.fromEntries(lines.map(({ family, phase, text }) => [`${family}/${phase}`, text]));
  if (Object.keys(wording).length < lines.length) throw invalid({ field: 'lines', message: 'Two lines are for the same technique and phase.' });
  const speech = { loudness, wordsPerSecond, wording };
  const changed = await desk.em.nativeUpdate(StudioRow, { id: desk.who.studio, version }, { speech, version: version + 1 });
  if (changed === 0) throw new Refusal('clash');
}

/** Adds a closure. @returns the dates of classes that fall into it and now need moving */
export async function addClosure(desk: Desk, input: unknown): Promise<{ readonly inside: readonly string[] }> {
  authorise(desk.who, 'run the studio');
  const { from, until, reason } = await checked(closureForm, input);
  return inOne(desk, async (at) => {
    await at.em.insert(ClosureRow, { id: at.newId(), ...ours(at), from, until, reason });
    const sessions = await at.em.find(SessionRow, { ...ours(at), date: { $gte: from, $lte: until } }, { orderBy: { date: 'asc' } });
    return { inside: sessions.map(({ date }) => isoDate(date)) };
  });
}

/** Opens closed days again. */
export async function removeClosure(desk: Desk, input: unknown): Promise<void> {
  authorise(desk.who, 'run the studio');
  const { id } = await checked(removeForm, input);
  const removed = await desk.em.nativeDelete(ClosureRow, { id, ...ours(desk) });
  if (removed === 0) throw new Refusal('not-found');
}

/** Sets what somebody is qualified to teach; new qualifications are dated today. */
export async function saveQualifications(desk: Desk, input: unknown): Promise<void> {
  authorise(desk.who, 'run the studio');
  const form = await checked(qualificationsForm, input);
  await inOne(desk, async (at) => {
    const member = await at.em.findOne(StaffRow, { id: form.staff, ...ours(at) });
    if (!member) throw new Refusal('not-found');
    if (member.version !== form.version) throw new Refusal('clash');
    member.qualifications = form.families.map((family) => member.qualifications.find((had) => had.family === family) ?? { family, since: at.today });
    await at.em.flush();
  });
}
