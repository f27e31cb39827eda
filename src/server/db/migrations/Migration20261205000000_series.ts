import { Migration } from '@mikro-orm/migrations';

/** Challenge series: their days, who takes part, and what they say of each day. */
export class Migration20261205000000_series extends Migration {
  override up(): void {
    this.addSql(`create table series (
      id uuid primary key,
      studio uuid not null references studio (id),
      cohort uuid not null references cohort (id),
      name text not null,
      first_date date not null,
      teacher uuid not null references staff (id),
      asked jsonb not null,
      days jsonb not null,
      unreached jsonb not null,
      missed text not null check (missed in ('go on', 'repeat', 'step back')),
      pauses jsonb not null,
      live_course uuid null references course (id),
      stopped_on date null,
      removed_at timestamptz null,
      version integer not null default 1
    )`);
    this.addSql('create index on series (studio, first_date)');
    this.addSql(`create table series_member (
      id uuid primary key,
      studio uuid not null references studio (id),
      series uuid not null references series (id),
      person uuid not null references person (id),
      joined_on date not null,
      link integer not null,
      token_hash text not null unique,
      mails boolean not null,
      sent_on date null,
      left_on date null,
      held_at timestamptz null,
      version integer not null default 1,
      unique (series, person)
    )`);
    this.addSql('create index on series_member (person)');
    this.addSql(`create table check_in (
      id uuid primary key,
      studio uuid not null references studio (id),
      member uuid not null references series_member (id),
      date date not null,
      day integer not null,
      did text not null check (did in ('done', 'something else', 'not today')),
      felt text null check (felt in ('easy', 'worked', 'strained')),
      easier boolean not null,
      techniques jsonb not null,
      sealed text null,
      undone_by uuid null references staff (id),
      at timestamptz not null,
      unique (member, date)
    )`);
    this.addSql(`create table series_letter (
      id uuid primary key,
      studio uuid not null references studio (id),
      member uuid not null references series_member (id),
      sent_by uuid not null references staff (id),
      at timestamptz not null
    )`);
    this.addSql('create index on series_letter (member)');
    this.addSql('create trigger series_letter_append_only before update or delete on series_letter for each row execute function refuse_change()');
  }
}
