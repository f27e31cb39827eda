import type { EntityManager } from '@mikro-orm/postgresql';

type Right = 'insert' | 'update' | 'delete';

/**
 * What the application's role may do with each table, beside reading it. It owns nothing: it can't truncate, drop or switch off a
 * trigger. What only grows is never changed or removed, whatever the application does.
 */
export const RIGHTS: Readonly<Record<string, readonly Right[]>> = {
  studio: ['insert', 'update'],
  staff: ['insert', 'update'],
  sign_in: ['insert', 'update', 'delete'],
  sign_in_attempt: ['insert', 'delete'],
  known_device: ['insert', 'update', 'delete'],
  vault_key: ['insert'],
  done_once: ['insert', 'update', 'delete'],
  cohort: ['insert', 'update'],
  person: ['insert', 'update'],
  screening: ['insert'],
  screening_reading: ['insert'],
  link: ['insert', 'update', 'delete'],
  outbox_mail: ['insert', 'update', 'delete'],
  clinician_answer: ['insert'],
  override_made: ['insert'],
  override_ended: ['insert'],
  rulebook_version: ['insert'],
  course: ['insert', 'update'],
  class_session: ['insert', 'update'],
  course_step: ['insert'],
  plan_version: ['insert'],
  acknowledgement: ['insert'],
  class_log: ['insert'],
  staff_link: ['insert', 'update'],
  away: ['insert', 'delete'],
  handover: ['insert'],
  session_note: ['insert'],
  session_note_read: ['insert', 'update'],
  plan_template: ['insert', 'update'],
  feed: ['insert', 'delete'],
  class_log_settled: ['insert'],
  held_log: ['insert', 'update'],
  series: ['insert', 'update'],
  series_member: ['insert', 'update'],
  check_in: ['insert', 'update'],
  series_letter: ['insert'],
  stop_sign: ['insert', 'update'],
  closure: ['insert', 'delete'],
  own_way: ['insert', 'update'],
  own_way_version: ['insert'],
  own_technique: ['insert', 'update'],
  // Lines are added by the tables themselves; the application only takes out what is older.
  change: ['delete'],
};

/** Makes the application's role, with the name and password of its address, and gives it what it may do, and nothing more. */
export async function grantAll(em: EntityManager, appUrl: string): Promise<void> {
  const { username, password, pathname } = new URL(appUrl);
  const role = `"${decodeURIComponent(username).replaceAll('"', '""')}"`;
  const database = `"${pathname.slice(1).replaceAll('"', '""')}"`;
  const secret = `'${decodeURIComponent(password).replaceAll("'", "''")}'`;
  await em.transactional(async (at) => {
    // Several instances may migrate at once; one at a time here.
    await at.execute("select pg_advisory_xact_lock(hashtext('oaken roles'))");
    const [{ there }]: { there: boolean }[] = await at.execute('select exists (select from pg_roles where rolname = ?) as there', [
      decodeURIComponent(username),
    ]);
    const what = 'login nosuperuser nocreatedb nocreaterole noreplication nobypassrls noinherit';
    await at.execute(`${there ? 'alter' : 'create'} role ${role} ${what} password ${secret}`);
    await at.execute(`revoke all on database ${database} from public`);
    await at.execute(`grant connect on database ${database} to ${role}`);
    await at.execute(`revoke create on schema public from public`);
    await at.execute(`grant usage on schema public to ${role}`);
    await at.execute(`revoke all on all tables in schema public from ${role}`);
    for (const [table, rights] of Object.entries(RIGHTS)) await at.execute(`grant select, ${rights.join(', ')} on ${table} to ${role}`);
    await at.execute('revoke all on function sweep_erased() from public');
    await at.execute(`grant execute on function sweep_erased() to ${role}`);
    await at.execute(`grant usage on schema pgboss to ${role}`);
    await at.execute(`grant select, insert, update, delete on all tables in schema pgboss to ${role}`);
    await at.execute(`grant execute on all functions in schema pgboss to ${role}`);
  });
}
