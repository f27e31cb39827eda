import { createDecipheriv } from 'node:crypto';
import type { EntityManager } from '@mikro-orm/postgresql';
import { vaultFrom, wrapKey, type Place, type Vault } from '../auth/vault';
import { changesWithIds, ruleNow } from './migrations/ids';
import { sealedWords } from '../repositories/sealed';
import { ownRuleId } from './migrations/Migration20261201000000_firm_ground';

/** Sealed texts that name rules. */
const NAMING_RULES = ['clinician_answer', 'override_made'] as const;
const SEALED = ['screening', ...NAMING_RULES] as const;

interface Row {
  readonly id: string;
  readonly person: string;
  readonly sealed: string;
}

/**
 * Binds what was sealed before places were to its person, table and row, seals the reasons of readings, and turns ids of rules in
 * what is sealed into slugs. Nothing is done where everything is bound already; all of it or nothing.
 * @returns how many texts were sealed anew
 */
export async function reseal(em: EntityManager, masterKey: Buffer): Promise<number> {
  const vault = vaultFrom(masterKey);
  return em.transactional(async (at) => {
    const people: { id: string; studio: string; wrapped_key: string; sealed_birth: string | null }[] = await at.execute(
      `select id, studio, wrapped_key, sealed_birth from person where wrapped_key like 'v1.%' for update`,
    );
    let count = await sealReasons(
      at as EntityManager,
      vault,
      people.map(({ id }) => id),
      masterKey,
    );
    if (people.length === 0) return count + (await sealSigns(at as EntityManager, vault));
    const own = await ownRules(at as EntityManager);
    const keys = new Map<string, { readonly old: Buffer; readonly now: string; readonly studio: string }>();
    for (const { id, studio, wrapped_key, sealed_birth } of people) {
      const old = opened(masterKey, wrapped_key);
      const now = wrapKey(masterKey, id, old);
      keys.set(id, { old, now, studio });
      const birth = sealed_birth && vault.seal(now, opened(old, sealed_birth).toString('utf8'), { person: id, table: 'person', row: id });
      await at.execute('update person set wrapped_key = ?, sealed_birth = ? where id = ?', [now, birth || null, id]);
      count += 1;
    }
    for (const table of SEALED) {
      await at.execute(`alter table ${table} disable trigger ${table}_append_only`);
      const rows: Row[] = await at.execute(`select id, person, sealed from ${table} where sealed like 'v1.%'`);
      for (const { id, person, sealed } of rows) {
        const key = keys.get(person);
        if (!key) continue;
        const text = renamed(table, opened(key.old, sealed).toString('utf8'), own.get(key.studio) ?? new Map());
        await at.execute(`update ${table} set sealed = ? where id = ?`, [vault.seal(key.now, text, { person, table, row: id } as Place), id]);
        count += 1;
      }
      await at.execute(`alter table ${table} enable trigger ${table}_append_only`);
    }
    return count + (await sealSigns(at as EntityManager, vault));
  });
}

/** The reasons of readings, sealed; of erased people nothing is left to seal them with. */
async function sealReasons(em: EntityManager, vault: Vault, unbound: readonly string[], masterKey: Buffer): Promise<number> {
  const rows: { id: string; person: string; why: string; wrapped_key: string }[] = await em.execute(
    `select reading.id, reading.person, reading.why, person.wrapped_key from screening_reading reading join person on person.id = reading.person
     where reading.why !~ '^A[g-v][A-Za-z0-9_-]{38,}$' and reading.why <> ''`,
  );
  if (rows.length === 0) return 0;
  await em.execute('alter table screening_reading disable trigger screening_reading_append_only');
  const wrapped = new Map<string, string>();
  for (const { id, person, why, wrapped_key } of rows) {
    if (wrapped_key === '' || why === '') {
      await em.execute(`update screening_reading set why = '' where id = ?`, [id]);
      continue;
    }
    // Whoever is not bound yet will be, with the same key of their own.
    const key = unbound.includes(person) ? (wrapped.get(person) ?? wrapKey(masterKey, person, opened(masterKey, wrapped_key))) : wrapped_key;
    wrapped.set(person, key);
    await em.execute('update screening_reading set why = ? where id = ?', [
      vault.seal(key, why, { person, table: 'screening_reading', row: id }),
      id,
    ]);
  }
  await em.execute('alter table screening_reading enable trigger screening_reading_append_only');
  return rows.length;
}

/** Stop signs in logs, sealed with the key of whoever had them; of erased people nothing is left to seal them with. */
async function sealSigns(em: EntityManager, vault: Vault): Promise<number> {
  const rows: { id: string; attendance: readonly { person: string; stopSigns?: readonly string[] }[] }[] = await em.execute(
    `select id, attendance from class_log where jsonb_path_exists(attendance, '$[*].stopSigns')`,
  );
  if (rows.length === 0) return 0;
  const people: { id: string; wrapped_key: string }[] = await em.execute(`select id, wrapped_key from person where wrapped_key <> ''`);
  const keys = new Map(people.map(({ id, wrapped_key }) => [id, wrapped_key]));
  await em.execute('alter table class_log disable trigger class_log_append_only');
  for (const { id, attendance } of rows) {
    const sealed = attendance.map(({ stopSigns = [], ...one }) => {
      const key = keys.get(one.person);
      return key && stopSigns.length > 0
        ? { ...one, sealed: sealedWords({ vault }, key, { person: one.person, table: 'class_log', row: id }, stopSigns) }
        : one;
    });
    await em.execute('update class_log set attendance = ?::jsonb where id = ?', [JSON.stringify(sealed), id]);
  }
  await em.execute('alter table class_log enable trigger class_log_append_only');
  return rows.length;
}

/** Ids that rules of each studio's own had, by what they are now; a later version's place wins. */
async function ownRules(em: EntityManager): Promise<ReadonlyMap<string, ReadonlyMap<string, string>>> {
  const versions: { studio: string; changes: readonly { kind: string }[] }[] = await em.execute(
    'select studio, changes from rulebook_version order by number',
  );
  const all = new Map<string, Map<string, string>>();
  for (const { studio, changes } of versions) {
    const { own } = changesWithIds(changes, (what) => ownRuleId(studio, what));
    all.set(studio, new Map([...(all.get(studio) ?? []), ...own]));
  }
  return all;
}

function renamed(table: (typeof SEALED)[number], text: string, own: ReadonlyMap<string, string>): string {
  if (table === 'screening') return text;
  const value = JSON.parse(text) as { rules: string[] };
  return JSON.stringify({ ...value, rules: value.rules.map((rule) => ruleNow(rule, own)) });
}

/** Opens a text as it was sealed before places: "v1.nonce.tag.data". */
function opened(key: Buffer, text: string): Buffer {
  const [, iv, tag, sealed] = text.split('.').map((part) => Buffer.from(part, 'base64url'));
  const decipher = createDecipheriv('aes-256-gcm', key, iv);
  decipher.setAuthTag(tag);
  return Buffer.concat([decipher.update(sealed), decipher.final()]);
}
