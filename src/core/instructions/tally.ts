import type { Asked, Tally } from '../course';
import type { Basis } from '../plan';
import { decide, nearFeature, type Answer, type Rulebook } from '../screening';
import type { IsoDate } from '../units';
import { bearingsByDate, featuresIn, type Member } from './advice';

/** Counts how a group comes out for a technique on a date: numbers alone. */
export function tallier(people: readonly Member[], house: Basis & { readonly rulebook: Rulebook }): (asked: Asked, date: IsoDate) => Tally {
  const bearing = bearingsByDate(house.rulebook);
  return (asked, date) => {
    const features = featuresIn({ ...asked, id: '', kind: 'technique' }, house);
    const decided = people.map((person) => ({ rules: bearing(person, date), answer: decide(bearing(person, date), features).answer }));
    const count = (answer: Answer) => decided.filter((one) => one.answer === answer).length;
    return {
      people: people.length,
      leaveOut: count('leave out'),
      askFirst: count('ask first'),
      adapt: count('adapt'),
      watch: count('watch'),
      near: decided.filter(({ rules }) => rules.some(({ rule }) => nearFeature(features, rule.feature))).length,
    };
  };
}
