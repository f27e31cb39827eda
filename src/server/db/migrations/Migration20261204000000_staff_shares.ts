import { Migration } from '@mikro-orm/migrations';

/** A staff that comes and goes, who has a class in hand, what the director says in a plan, and what is said back. */
export class Migration20261204000000_staff_shares extends Migration {
  override up(): void {
    this.addSql('alter table staff alter column password_hash drop not null');
    this.addSql('alter table staff add column left_at timestamptz null');
    this.addSql(`create table staff_link (
      id uuid primary key,
      studio uuid not null references studio (id),
      staff uuid not null references staff (id),
      purpose text not null check (purpose in ('invitation', 'reset')),
      token_hash text not null unique,
      made_by uuid null references staff (id),
      made_at timestamptz not null,
      expires_at timestamptz not null,
      used_at timestamptz null
    )`);
    this.addSql('create index on staff_link (staff)');
    this.addSql(`create table away (
      id uuid primary key,
      studio uuid not null references studio (id),
      staff uuid not null references staff (id),
      from_date date not null,
      until_date date not null check (until_date >= from_date),
      from_time text null,
      until_time text null,
      said_by uuid not null references staff (id),
      said_at timestamptz not null
    )`);
    this.addSql('create index on away (studio, until_date)');
    this.addSql(`create table handover (
      id uuid primary key,
      studio uuid not null references studio (id),
      session uuid not null references class_session (id),
      was uuid null references staff (id),
      teacher uuid not null references staff (id),
      made_by uuid not null references staff (id),
      made_at timestamptz not null
    )`);
    this.addSql('create index on handover (session)');
    this.addSql('create trigger handover_append_only before update or delete on handover for each row execute function refuse_change()');
    this.addSql("alter table class_session add column purpose text not null default ''");
    this.addSql("alter table class_session add column note text not null default ''");
    this.addSql("alter table plan_version add column purpose text not null default ''");
    this.addSql("alter table plan_version add column note text not null default ''");
    this.addSql("alter table plan_version add column reason text not null default ''");
    this.addSql(`create table session_note (
      id uuid primary key,
      studio uuid not null references studio (id),
      session uuid not null references class_session (id),
      said_by uuid not null references staff (id),
      said_at timestamptz not null,
      text text not null
    )`);
    this.addSql('create index on session_note (session)');
    this.addSql('create trigger session_note_append_only before update or delete on session_note for each row execute function refuse_change()');
    this.addSql(`create table session_note_read (
      session uuid not null references class_session (id),
      staff uuid not null references staff (id),
      studio uuid not null references studio (id),
      at timestamptz not null,
      primary key (session, staff)
    )`);
    this.addSql(`create table plan_template (
      id uuid primary key,
      studio uuid not null references studio (id),
      name text not null,
      minutes integer not null,
      blocks jsonb not null,
      made_by uuid not null references staff (id),
      removed_at timestamptz null,
      version integer not null default 1
    )`);
    this.addSql('alter table course add column single boolean not null default false');
    this.addSql("alter table class_log add column blocks jsonb not null default '[]'");
    this.addSql("alter table class_log add column first_breath text null check (first_breath in ('easy', 'quick', 'gasping'))");
    this.addSql('alter table class_log add column mood jsonb null');
    this.addSql("alter table class_log add column change text not null default ''");
    this.addSql('alter table class_log add column corrects uuid null references class_log (id)');
    this.addSql(`create table feed (
      id uuid primary key,
      studio uuid not null references studio (id),
      staff uuid not null references staff (id),
      whole boolean not null,
      token_hash text not null unique,
      made_at timestamptz not null
    )`);
  }
}
