import { Migration } from '@mikro-orm/migrations';

/** Tables that only ever grow. */
const APPEND_ONLY = ['clinician_answer', 'override_made', 'override_ended', 'rulebook_version'];

/**
 * Screening from collecting answers to what stands in the record: links that people answer by, mail that would have gone,
 * clinicians' answers, overrides, the studio's changes of the rulebook; people who move, leave and are erased.
 */
export class Migration20261128000000_screening extends Migration {
  override up(): void {
    this.addSql(`
      alter table person add column email text, add column sealed_birth text, add column left_on date, add column erased_at timestamptz;
      alter table screening alter column entered_by drop not null;
      alter table screening add column source text not null default 'paper' check (source in ('paper', 'form', 'nothing changed')), add column consent text;
      create table screening_link (
        id uuid primary key, studio uuid not null references studio, person uuid not null references person, token_hash text not null unique,
        made_by uuid not null references staff, made_at timestamptz not null, expires_at timestamptz not null, used_at timestamptz
      );
      create index on screening_link (studio, person);
      create table outbox_mail (
        id uuid primary key, studio uuid not null references studio, person uuid not null references person, address text not null,
        subject text not null, body text not null, made_at timestamptz not null
      );
      create index on outbox_mail (studio, made_at);
      create table clinician_answer (
        id uuid primary key, studio uuid not null references studio, person uuid not null references person, sealed text not null,
        answered_on date not null, until_date date not null, entered_by uuid not null references staff, entered_at timestamptz not null,
        check (until_date >= answered_on)
      );
      create index on clinician_answer (studio, person);
      create table override_made (
        id uuid primary key, studio uuid not null references studio, person uuid not null references person, sealed text not null,
        from_date date not null, until_date date not null, made_by uuid not null references staff, made_at timestamptz not null,
        check (until_date >= from_date)
      );
      create index on override_made (studio, person);
      create table override_ended (
        id uuid primary key, studio uuid not null references studio, override uuid not null unique references override_made,
        ended_on date not null, ended_by uuid not null references staff, ended_at timestamptz not null
      );
      create index on override_ended (studio);
      create table rulebook_version (
        id uuid primary key, studio uuid not null references studio, number integer not null, changes jsonb not null,
        saved_by uuid not null references staff, saved_at timestamptz not null, unique (studio, number)
      );
    `);
    for (const table of APPEND_ONLY) {
      this.addSql(`create trigger ${table}_append_only before update or delete on ${table} for each row execute function refuse_change();`);
    }
  }
}
