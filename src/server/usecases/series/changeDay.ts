import { formatPattern, parsePattern, problemText } from '@/core/pattern';
import { datesOf, edited, type SeriesEdit } from '@/core/series';
import { seriesEditForm, type SeriesEditInput } from '@/forms';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { inOne, type Desk } from '../../desk';
import { invalid, Refusal } from '../../errors';
import type { KeptSeries } from '../../repositories/series';
import { change, running, type Now } from './change';
import { seriesSetting } from './setting';

/** Changes a day by hand: it moves, changes places, becomes gentle or live, or has another practice. Days that are over stay as they were. */
export async function changeDay(desk: Desk, input: unknown): Promise<Now> {
  authorise(desk.who, 'edit courses');
  const form = await checked(seriesEditForm, input);
  return inOne(desk, async (at) => {
    const found = await running(at, form.series, form.version);
    const edit = editOf(form);
    for (const day of [edit.day, ...(edit.do === 'swap' ? [edit.with] : edit.do === 'move' ? [edit.to] : [])]) notOver(at, found, day);
    const { planning } = await seriesSetting(at, found.cohort);
    if (edit.do === 'practice' && edit.practices.some(({ technique }) => planning.basis.library.find(technique) === null))
      throw invalid({ field: 'practices', message: 'No such technique.' });
    const days = edited(found.days, edit, planning, at.newId);
    if (!days) throw new Refusal('not-found', 'This day is not part of the series.');
    return change(at, found, form.version, editText(edit), { days });
  });
}

/** What a change of a day was, as it is taken back. */
function editText(edit: SeriesEdit): string {
  switch (edit.do) {
    case 'swap':
      return `days ${edit.day} and ${edit.with} changed places`;
    case 'move':
      return `day ${edit.day} moved to day ${edit.to}`;
    case 'kind':
      return `day ${edit.day} made ${edit.kind === 'own' ? 'a day alone' : edit.kind}`;
    case 'practice':
      return `another practice on day ${edit.day}`;
  }
}

function editOf({ do: what, day, with: other, kind, practices }: SeriesEditInput): SeriesEdit {
  switch (what) {
    case 'swap':
      if (other === null) throw invalid({ field: 'with', message: 'Say which day it changes places with.' });
      return { do: 'swap', day, with: other };
    case 'move':
      if (other === null) throw invalid({ field: 'with', message: 'Say where it moves to.' });
      return { do: 'move', day, to: other };
    case 'kind':
      if (!kind) throw invalid({ field: 'kind', message: 'Say what the day becomes.' });
      return { do: 'kind', day, kind };
    case 'practice':
      if (practices.length === 0) throw invalid({ field: 'practices', message: 'Say what is practised, and how long.' });
      return { do: 'practice', day, practices: practices.map((one) => ({ ...one, pattern: canonical(one.pattern) })) };
  }
}

/** A pattern as it is kept. @throws invalid where it cannot be read */
function canonical(pattern: string): string {
  const read = parsePattern(pattern);
  if (!read.ok) throw invalid({ field: 'practices', message: read.problems.map(problemText).join(' ') });
  return formatPattern(read.value);
}

function notOver({ today }: Desk, of: KeptSeries, day: number): void {
  const date = datesOf(of)[day - 1];
  if (date !== undefined && date < today) throw new Refusal('late', `Day ${day} is over: what people practised stays as it was.`);
}
