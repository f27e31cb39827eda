/**
 * Names in a row, as they are said.
 * @example listed(['Asta R.', 'Bram O.', 'Cleo D.']) // "Asta R., Bram O. and Cleo D."
 */
export function listed(names: readonly string[], last: 'and' | 'or' = 'and'): string {
  return names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', ')} ${last} ${names.at(-1)}`;
}

/** A sentence's first letter. @example capital('twenty days') // "Twenty days" */
export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/**
 * Names at the end of a sentence: initials bring their own full stop.
 * @example listedSentence(['Asta R.']) // "Asta R."
 */
export function listedSentence(names: readonly string[]): string {
  const all = listed(names);
  return all.endsWith('.') ? all : `${all}.`;
}
