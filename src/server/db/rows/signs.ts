import { defineEntity, p } from '@mikro-orm/core';
import { SessionRow } from './courses';
import { PersonRow } from './people';
import { SeriesMemberRow } from './series';
import { ofStaff, ofStudio } from './studio';

/** A stop sign, from when it was marked until somebody answered for it. Where it was: in a class, or on a day of somebody's series. */
export const StopSignRow = defineEntity({
  name: 'StopSign',
  tableName: 'stop_sign',
  properties: {
    id: p.uuid().primary(),
    studio: ofStudio(),
    /** Null where nobody can name whose it was. */
    person: p.manyToOne(PersonRow).mapToPk().fieldName('person').nullable(),
    session: p.manyToOne(SessionRow).mapToPk().fieldName('session').nullable(),
    member: p.manyToOne(SeriesMemberRow).mapToPk().fieldName('member').nullable(),
    date: p.date(),
    /** Which signs, sealed with the person's key. */
    sealed: p.text().nullable(),
    /** Which signs, where they are nobody's by name. */
    plain: p.json<readonly string[]>().nullable(),
    /** Whether one of them calls for help. */
    help: p.boolean(),
    /** Where in a class it was. */
    place: p.text(),
    saidBy: ofStaff('said_by').nullable(),
    at: p.datetime(),
    answeredBy: ofStaff('answered_by').nullable(),
    answeredAt: p.datetime().nullable(),
    /** What was done, sealed with the person's key where there is one. */
    answer: p.text().nullable(),
    version: p.integer().version(),
  },
});
