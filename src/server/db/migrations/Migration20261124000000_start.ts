import { Migration } from '@mikro-orm/migrations';

/** Tables that only ever grow: what was answered, published, acknowledged, logged and read. */
const APPEND_ONLY = ['screening', 'screening_reading', 'plan_version', 'acknowledgement', 'class_log'];

export class Migration20261124000000_start extends Migration {
  override up(): void {
    this.addSql(`
      create table studio (
        id uuid primary key, name text not null, zone text not null,
        tempo integer not null check (tempo between 400 and 3000), natural_breath integer not null check (natural_breath between 1500 and 15000),
        version integer not null default 1
      );
      create table staff (
        id uuid primary key, studio uuid not null references studio, name text not null, email text not null unique,
        role text not null check (role in ('director', 'lead teacher', 'teacher', 'front desk')),
        password_hash text not null, qualifications jsonb not null default '[]', version integer not null default 1
      );
      create index on staff (studio);
      create table sign_in (token_hash text primary key, studio uuid not null references studio, staff uuid not null references staff, seen_at timestamptz not null);
      create table sign_in_attempt (id uuid primary key, address text not null, email text not null, at timestamptz not null);
      create index on sign_in_attempt (email, at);
      create index on sign_in_attempt (address, at);
      create table cohort (
        id uuid primary key, studio uuid not null references studio, name text not null, about text not null,
        already jsonb not null default '[]', version integer not null default 1
      );
      create index on cohort (studio);
      create table person (
        id uuid primary key, studio uuid not null references studio, cohort uuid not null references cohort, name text not null,
        wrapped_key text not null, comfort_in integer, comfort_out integer, version integer not null default 1
      );
      create index on person (studio, cohort);
      create table screening (
        id uuid primary key, studio uuid not null references studio, person uuid not null references person, screened_on date not null,
        sealed text not null, entered_by uuid not null references staff, entered_at timestamptz not null
      );
      create index on screening (studio, person, screened_on);
      create table screening_reading (
        id uuid primary key, studio uuid not null references studio, person uuid not null references person, reader uuid not null references staff,
        at timestamptz not null, why text not null
      );
      create index on screening_reading (studio, person, at);
      create table course (
        id uuid primary key, studio uuid not null references studio, cohort uuid not null references cohort, name text not null,
        first_date date not null, weeks integer not null check (weeks between 1 and 26), weekdays jsonb not null, start text not null,
        minutes integer not null check (minutes between 15 and 180), teacher uuid not null references staff,
        goals jsonb not null, unplaced jsonb not null default '[]', version integer not null default 1
      );
      create index on course (studio);
      create table class_session (
        id uuid primary key, studio uuid not null references studio, course uuid not null references course, date date not null, start text not null,
        minutes integer not null, blocks jsonb not null default '[]', version integer not null default 1, unique (course, date)
      );
      create index on class_session (studio, date);
      create table plan_version (
        id uuid primary key, studio uuid not null references studio, session uuid not null references class_session, number integer not null,
        blocks jsonb not null, changes jsonb not null, teacher uuid not null references staff, published_by uuid not null references staff,
        published_at timestamptz not null, unique (session, number)
      );
      create index on plan_version (studio, session);
      create table acknowledgement (
        id uuid primary key, studio uuid not null references studio, plan uuid not null references plan_version, staff uuid not null references staff,
        at timestamptz not null, unique (plan, staff)
      );
      create table class_log (
        id uuid primary key, studio uuid not null references studio, session uuid not null references class_session, plan uuid not null references plan_version,
        taught_by uuid not null references staff, at timestamptz not null, attendance jsonb not null, reached text not null, note text not null
      );
      create index on class_log (studio, session);
      create table closure (
        id uuid primary key, studio uuid not null references studio, from_date date not null, until_date date not null, reason text not null,
        check (until_date >= from_date)
      );
      create index on closure (studio);
      create function refuse_change() returns trigger language plpgsql as $$ begin raise exception '% is append-only', tg_table_name; end $$;
    `);
    for (const table of APPEND_ONLY) {
      this.addSql(`create trigger ${table}_append_only before update or delete on ${table} for each row execute function refuse_change();`);
    }
  }
}
