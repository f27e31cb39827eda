import { spacedTempo } from '@/core/cues';
import { closureForm, conventionsForm, FORM_LIMITS, removeForm, speechForm } from '@/forms';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { onceOnly } from '../../db/write';
import { inOne, type Desk } from '../../desk';
import { invalid } from '../../errors';
import { courses, sessionsBetween } from '../../repositories/courses';
import { addClosure as add, changeStudio, conventions, removeClosure as remove } from '../../repositories/studio';
import { knownFamilies } from '../techniques/known';

/** Changes the default tempo and the natural breath. Sessions that are already planned keep the tempo they have. */
export async function saveConventions(desk: Desk, input: unknown): Promise<void> {
  authorise(desk.who, 'run the studio');
  const { version, tempoSeconds, naturalSeconds } = await checked(conventionsForm, input);
  const values = { tempo: Math.round(tempoSeconds * 1000), naturalBreath: Math.round(naturalSeconds * 1000) };
  await inOne(desk, (at) => changeStudio(at, version, values));
}

/** Changes how the studio's cue sheets speak. Sheets are written afresh wherever they are shown. */
export async function saveSpeech(desk: Desk, input: unknown): Promise<void> {
  authorise(desk.who, 'run the studio');
  const { version, loudness, wordsPerSecond, spacer, lines } = await checked(speechForm, input);
  const wording = Object.fromEntries(lines.map(({ family, phase, text }) => [`${family}/${phase}`, text]));
  if (Object.keys(wording).length < lines.length) throw invalid({ field: 'lines', message: 'Two lines are for the same technique and phase.' });
  await knownFamilies(
    desk,
    'lines',
    lines.map(({ family }) => family),
  );
  const { speech: before } = await conventions(desk);
  // A spacer stretches the count: what it takes to say is the tempo from now on.
  const { least, most } = FORM_LIMITS.tempo;
  const spaced = spacer !== '' && (spacer !== before.spacer || wordsPerSecond !== before.wordsPerSecond);
  const tempo = spaced ? { tempo: Math.min(most, Math.max(least, spacedTempo(spacer, wordsPerSecond))) } : {};
  await inOne(desk, (at) => changeStudio(at, version, { speech: { loudness, wordsPerSecond, wording, spacer }, ...tempo }));
}

/** Adds a closure. @returns the dates of classes that fall into it and now need moving */
export async function addClosure(desk: Desk, input: unknown): Promise<{ readonly inside: readonly string[] }> {
  authorise(desk.who, 'run the studio');
  const { once, from, until, reason } = await checked(closureForm, input);
  return onceOnly(desk, once, async (at) => {
    await add(at, { from, until, reason });
    const here = new Set((await courses(at)).map(({ id }) => id));
    return { inside: (await sessionsBetween(at, from, until)).filter(({ course }) => here.has(course)).map(({ date }) => date) };
  });
}

/** Opens closed days again. */
export async function removeClosure(desk: Desk, input: unknown): Promise<void> {
  authorise(desk.who, 'run the studio');
  const { id } = await checked(removeForm, input);
  await inOne(desk, (at) => remove(at, id));
}
