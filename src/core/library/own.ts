import { rungAsked } from '../climb';
import { findCircle } from '../ladder';
import { parseDose, parsePattern } from '../pattern';
import type { Library, OwnEntry } from './library';

/** What is wrong with a technique that a studio wants to add; worded by {@link ownProblemText}. */
export type OwnProblem =
  | { readonly code: 'pattern' | 'dose' }
  | { readonly code: 'name taken'; readonly name: string }
  | { readonly code: 'no such family'; readonly family: string }
  | { readonly code: 'no such technique'; readonly id: string }
  | { readonly code: 'stands on nothing' }
  | { readonly code: 'rung'; readonly asked: number }
  | { readonly code: 'circle'; readonly through: readonly string[] };

/**
 * Checks a technique of a studio's own against the library it is to join: its notation reads, its name is free, its edges join
 * what is there, it stands on something unless it is of the first rung, and nothing goes in a circle.
 */
export function ownProblems({ technique, edges }: OwnEntry, library: Library): OwnProblem[] {
  const others = library.techniques.filter(({ id }) => id !== technique.id);
  const known = new Set([...others.map(({ id }) => id), technique.id]);
  const strangers = [...new Set(edges.flatMap(({ to, needs }) => [to, needs]))].filter((id) => !known.has(id));
  const kept = library.edges.filter(({ to, needs }) => to !== technique.id && needs !== technique.id);
  const circle = strangers.length === 0 ? findCircle([...kept, ...edges]) : null;
  const { family } = technique;
  const read = parsePattern(technique.pattern).ok;
  const asked = read ? rungAsked(technique.pattern) : 1;
  return [
    ...(read ? [] : [{ code: 'pattern' } as const]),
    ...(parseDose(technique.dose).ok ? [] : [{ code: 'dose' } as const]),
    ...(others.some(({ name }) => name.toLowerCase() === technique.name.toLowerCase())
      ? [{ code: 'name taken', name: technique.name } as const]
      : []),
    ...(family !== null && !library.families.some(({ id }) => id === family) ? [{ code: 'no such family', family } as const] : []),
    ...strangers.map((id) => ({ code: 'no such technique', id }) as const),
    ...(technique.rung > 1 && !edges.some(({ to }) => to === technique.id) ? [{ code: 'stands on nothing' } as const] : []),
    ...(read && asked > technique.rung ? [{ code: 'rung', asked } as const] : []),
    ...(circle ? [{ code: 'circle', through: circle } as const] : []),
  ];
}

/** What a problem says. */
export function ownProblemText(problem: OwnProblem, library: Library): string {
  const name = (id: string) => library.find(id)?.name ?? 'the new technique';
  switch (problem.code) {
    case 'pattern':
      return 'Its pattern does not read.';
    case 'dose':
      return 'Its dose does not read.';
    case 'name taken':
      return `Another technique is called ${problem.name}.`;
    case 'no such family':
      return 'There is no such family.';
    case 'no such technique':
      return 'One of its edges names a technique that is not there.';
    case 'stands on nothing':
      return 'Say what it needs: only natural, gentle breath stands on nothing.';
    case 'rung':
      return `Its breath asks for rung ${problem.asked} at least: by its holds, its pace or its pumps it is no gentler thing, whatever it is called.`;
    case 'circle':
      return `It would need itself: ${problem.through.map(name).join(' needs ')}.`;
  }
}
