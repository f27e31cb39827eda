import { createHash } from 'node:crypto';
import { Migration } from '@mikro-orm/migrations';
import { changesWithIds, WAY_IDS } from './ids';

/** Tables that only ever grow. */
const APPEND_ONLY = ['class_log_settled'];

interface Version {
  readonly id: string;
  readonly studio: string;
  readonly changes: readonly { readonly kind: string }[];
}

/**
 * What is sent twice is done once; logs that cannot be taken are held; links of any purpose; mails with what became of them;
 * sessions that end after thirty days, devices that are known; techniques of a studio's own; ids that are no wording.
 */
export class Migration20261201000000_firm_ground extends Migration {
  override async up(): Promise<void> {
    this.addSql(`
      create table done_once (id uuid primary key, studio uuid not null references studio, answer jsonb, at timestamptz not null);
      create index on done_once (at);
      alter table screening_link rename to link;
      alter table link add column purpose text not null default 'screening' check (purpose in ('screening')), alter column made_by drop not null;
      alter table link alter column purpose drop default;
      alter table outbox_mail add column delivered_at timestamptz, add column tries integer not null default 0, add column refused text;
      update outbox_mail set delivered_at = made_at, tries = 1;
      alter table class_session add column published integer not null default 0 check (published >= 0);
      update class_session set published = (select count(*) from plan_version where plan_version.session = class_session.id);
      create table held_log (
        id uuid primary key, studio uuid not null references studio, sent_by uuid not null references staff, at timestamptz not null,
        reason text not null check (reason in ('not in their hands', 'unreadable', 'strangers', 'not yet')), body jsonb not null,
        settled_by uuid references staff, settled_at timestamptz, settled text check (settled in ('taken', 'set aside')),
        version integer not null default 1, check ((settled_at is null) = (settled is null))
      );
      create index on held_log (studio, at) where settled_at is null;
      create table class_log_settled (
        id uuid primary key, studio uuid not null references studio, session uuid not null references class_session, log uuid not null references class_log,
        settled_by uuid not null references staff, settled_at timestamptz not null
      );
      create index on class_log_settled (studio, session);
      alter table sign_in add column since timestamptz not null default now();
      alter table sign_in alter column since drop default;
      create table known_device (token_hash text primary key, studio uuid not null references studio, staff uuid not null references staff, at timestamptz not null);
      create table vault_key (fingerprint text primary key, since timestamptz not null);
      create table own_technique (
        id uuid primary key, studio uuid not null references studio, technique jsonb not null, edges jsonb not null default '[]',
        archived boolean not null default false, version integer not null default 1
      );
      create index on own_technique (studio);
      alter table studio add column asks_by_itself boolean not null default false;
      update studio set asks_by_itself = reminders is not null;
      alter table studio drop column reminders;
      alter table studio alter column asks_by_itself drop default;
      create index on person (cohort);
      create index on plan_version (studio, teacher);
    `);
    for (const table of APPEND_ONLY)
      this.addSql(`create trigger ${table}_append_only before update or delete on ${table} for each row execute function refuse_change();`);
    // What was erased leaves its bytes in a table's file until the table is written anew.
    this.addSql(`
      create function sweep_erased() returns void language plpgsql security definer set search_path = public, pg_temp as $$
      begin
        cluster person using person_pkey;
        cluster outbox_mail using outbox_mail_pkey;
        cluster link using screening_link_pkey;
      end $$;
    `);
    await this.rules();
    await this.schools();
    await this.unplaced();
  }

  /** Rules by their slugs; rules of a studio's own by ids that stay the same in every version. */
  private async rules(): Promise<void> {
    const versions = (await this.execute('select id, studio, changes from rulebook_version order by studio, number')) as unknown as Version[];
    this.addSql('alter table rulebook_version disable trigger rulebook_version_append_only;');
    for (const { id, studio, changes } of versions) {
      const { changes: kept } = changesWithIds(changes, (what) => ownRuleId(studio, what));
      this.addSql(`update rulebook_version set changes = ${quoted(kept)} where id = '${id}';`);
    }
    this.addSql('alter table rulebook_version enable trigger rulebook_version_append_only;');
  }

  private async schools(): Promise<void> {
    const studios = (await this.execute('select id, schools from studio')) as unknown as { id: string; schools: { studio?: object; own?: object } }[];
    for (const { id, schools } of studios) {
      const own = Object.fromEntries(
        Object.entries(schools.own ?? {}).map(([technique, ways]) => [technique, waysNow(ways as Record<string, string>)]),
      );
      const now = schools.studio ? { studio: waysNow(schools.studio as Record<string, string>), own } : { ...schools, own };
      this.addSql(`update studio set schools = ${quoted(now)} where id = '${id}';`);
    }
  }

  /** Sentences said which goal had no place; why is worked out again by the next draft. */
  private async unplaced(): Promise<void> {
    const courses = (await this.execute('select id, goals, unplaced from course')) as unknown as {
      id: string;
      goals: readonly { technique: string }[];
      unplaced: readonly unknown[];
    }[];
    for (const { id, goals, unplaced } of courses) {
      if (unplaced.length === 0) continue;
      const codes = goals.slice(-unplaced.length).map((goal) => ({ goal, blocked: { why: 'earlier draft', technique: goal.technique } }));
      this.addSql(`update course set unplaced = ${quoted(codes)} where id = '${id}';`);
    }
  }
}

function waysNow(ways: Readonly<Record<string, string>>): Record<string, string> {
  return Object.fromEntries(Object.entries(ways).map(([question, way]) => [question, WAY_IDS[question]?.[way] ?? way]));
}

/** An id for a rule of a studio's own, the same whenever it says the same. */
export function ownRuleId(studio: string, what: string): string {
  const hex = createHash('sha256').update(`${studio} ${what}`).digest('hex');
  return [hex.slice(0, 8), hex.slice(8, 12), `8${hex.slice(13, 16)}`, `8${hex.slice(17, 20)}`, hex.slice(20, 32)].join('-');
}

function quoted(value: unknown): string {
  return `'${JSON.stringify(value).replaceAll("'", "''")}'::jsonb`;
}
