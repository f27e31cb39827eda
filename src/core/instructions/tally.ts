import type { Asked, Tally } from '../course';
import { readBlock, type Basis } from '../plan';
import { decideBlock, nearFeature, type Answer, type Rulebook } from '../screening';
import type { IsoDate } from '../units';
import { bearingsByDate, seenIn, type Member } from './advice';

/** Counts how a group comes out for a technique on a date: numbers alone. */
export function tallier(people: readonly Member[], house: Basis & { readonly rulebook: Rulebook }): (asked: Asked, date: IsoDate) => Tally {
  const bearing = bearingsByDate(house.rulebook);
  return (asked, date) => {
    const read = readBlock({ ...asked, id: '', kind: 'technique' }, house);
    const ways = seenIn(read);
    const decided = people.map((person) => ({ rules: bearing(person, date), answer: decideBlock(bearing(person, date), ways).answer }));
    const count = (answer: Answer) => decided.filter((one) => one.answer === answer).length;
    return {
      people: people.length,
      leaveOut: count('leave out'),
      askFirst: count('ask first'),
      adapt: count('adapt'),
      watch: count('watch'),
      // What goes by the clock of the class screen does not drift.
      near:
        read.setup.by === 'clock'
          ? 0
          : decided.filter(({ rules }) => rules.some(({ rule }) => ways.some(({ features }) => nearFeature(features, rule.feature)))).length,
    };
  };
}
