/** What is held of a person, for that person: documented in docs/formats.md. @param held plain data, as it was gathered */
export function writePerson(held: Readonly<Record<string, unknown>>): string {
  return `${JSON.stringify(held, null, 2)}\n`;
}
