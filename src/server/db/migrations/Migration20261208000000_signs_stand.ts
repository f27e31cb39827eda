import { Migration } from '@mikro-orm/migrations';

/**
 * A stop sign stands until somebody answered for it, whatever else happens. Whoever was held in a series is held by the sign they
 * marked; what is marked in a class and named by nobody stands in its log. What a device keeps is sealed for whoever it is of.
 */
export class Migration20261208000000_signs_stand extends Migration {
  override up(): void {
    this.addSql(`
      create table stop_sign (
        id uuid primary key,
        studio uuid not null references studio (id),
        person uuid null references person (id),
        session uuid null references class_session (id),
        member uuid null references series_member (id),
        date date not null,
        sealed text null,
        plain jsonb null,
        help boolean not null,
        place text not null,
        said_by uuid null references staff (id),
        at timestamptz not null,
        answered_by uuid null references staff (id),
        answered_at timestamptz null,
        answer text null,
        version integer not null default 1,
        check (person is null or plain is null),
        check ((answered_at is null) = (answered_by is null))
      );
      create index on stop_sign (studio, at) where answered_at is null;
      create index on stop_sign (person);
      create index on stop_sign (session);
      alter table class_log add column unnamed jsonb not null default '[]';
      alter table class_log alter column unnamed drop default;
      insert into stop_sign (id, studio, person, member, date, help, place, at)
        select gen_random_uuid(), studio, person, id, (held_at at time zone 'UTC')::date, true, '', held_at from series_member where held_at is not null;
      alter table series_member drop column held_at;
      alter table staff add column device_key text not null
        default encode(sha256(convert_to(gen_random_uuid()::text || gen_random_uuid()::text, 'UTF8')), 'base64');
      alter table staff alter column device_key drop default;
      delete from sign_in_attempt;
      alter table sign_in_attempt rename column email to what;
      alter table sign_in_attempt add column kind text not null;
      create index on sign_in_attempt (kind, address);
      create index on sign_in_attempt (kind, what);
      create index on sign_in_attempt (at);
    `);
  }
}
