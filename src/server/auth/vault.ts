import { createCipheriv, createDecipheriv, createHash, createHmac, hkdfSync, randomBytes } from 'node:crypto';
import { readFileSync } from 'node:fs';

/** Where something sealed stands. It opens there and nowhere else: not for another person, in another table or row. */
export interface Place {
  readonly person: string;
  readonly table: 'person' | 'screening' | 'clinician_answer' | 'override_made' | 'screening_reading' | 'check_in' | 'stop_sign' | 'class_log';
  readonly row: string;
}

/**
 * Health answers are sealed with a key of the person's own; that key is wrapped by a master key kept outside the database.
 * AES-256-GCM, bound to its place. A sealed text is base64url of a version byte, a nonce of 12 bytes, a tag of 16, and the data.
 * Destroying a person's wrapped key makes their answers unreadable.
 */
export interface Vault {
  /** Tells one master key from another without giving it away. */
  readonly fingerprint: string;
  /** A secret for an address, the same whenever it is asked for, which only whoever has the master key can work out. */
  token(of: string): string;
  newWrappedKey(person: string): string;
  seal(wrappedKey: string, text: string, place: Place): string;
  /** @throws Unopenable when the key, the place or the text is not what it was */
  open(wrappedKey: string, sealed: string, place: Place): string;
}

/** Something sealed that cannot be opened. */
export class Unopenable extends Error {}

export function vaultFrom(masterKey: Buffer): Vault {
  if (masterKey.length !== KEY_BYTES) throw new Error(`The master key must be ${KEY_BYTES} bytes`);
  const tokenKey = Buffer.from(hkdfSync('sha256', masterKey, '', 'oaken-ladder addresses', 32));
  const keyOf = (wrapped: string, person: string) => decrypt(masterKey, wrapped, wrapping(person));
  return {
    fingerprint: createHash('sha256')
      .update(Buffer.from(hkdfSync('sha256', masterKey, '', 'oaken-ladder fingerprint', 32)))
      .digest('hex')
      .slice(0, 32),
    token: (of) => createHmac('sha256', tokenKey).update(of).digest('base64url'),
    newWrappedKey: (person) => wrapKey(masterKey, person, randomBytes(KEY_BYTES)),
    seal: (wrapped, text, place) => encrypt(keyOf(wrapped, place.person), Buffer.from(text, 'utf8'), placeText(place)),
    open: (wrapped, sealed, place) => decrypt(keyOf(wrapped, place.person), sealed, placeText(place)).toString('utf8'),
  };
}

/** A person's key, wrapped with a master key. */
export function wrapKey(masterKey: Buffer, person: string, key: Buffer): string {
  return encrypt(masterKey, key, wrapping(person));
}

/** A person's key, unwrapped with one master key and wrapped with another. */
export function rewrapped(wrapped: string, person: string, from: Buffer, to: Buffer): string {
  return wrapKey(to, person, decrypt(from, wrapped, wrapping(person)));
}

let loaded: Vault | null = null;

/** The vault of this process, its key read from the file that OAKEN_MASTER_KEY_FILE names. */
export function vault(): Vault {
  loaded ??= vaultFrom(masterKey());
  return loaded;
}

/** The master key of this process. */
export function masterKey(): Buffer {
  const file = process.env.OAKEN_MASTER_KEY_FILE;
  if (!file) throw new Error('OAKEN_MASTER_KEY_FILE is not set; start the application with bin/start');
  return Buffer.from(readFileSync(file, 'utf8').trim(), 'base64');
}

const KEY_BYTES = 32;
const VERSION = 2;
const IV_BYTES = 12;
const TAG_BYTES = 16;

const wrapping = (person: string) => `person key/${person}`;
const placeText = ({ person, table, row }: Place) => `${table}/${row}/${person}`;

function encrypt(key: Buffer, data: Buffer, place: string): string {
  const iv = randomBytes(IV_BYTES);
  const cipher = createCipheriv('aes-256-gcm', key, iv).setAAD(Buffer.from(place, 'utf8'));
  const sealed = Buffer.concat([cipher.update(data), cipher.final()]);
  return Buffer.concat([Buffer.from([VERSION]), iv, cipher.getAuthTag(), sealed]).toString('base64url');
}

function decrypt(key: Buffer, text: string, place: string): Buffer {
  const bytes = Buffer.from(text, 'base64url');
  if (bytes[0] !== VERSION || bytes.length < 1 + IV_BYTES + TAG_BYTES) throw new Unopenable('Sealed with an unknown version');
  const [iv, tag, sealed] = [
    bytes.subarray(1, 1 + IV_BYTES),
    bytes.subarray(1 + IV_BYTES, 1 + IV_BYTES + TAG_BYTES),
    bytes.subarray(1 + IV_BYTES + TAG_BYTES),
  ];
  try {
    const decipher = createDecipheriv('aes-256-gcm', key, iv).setAAD(Buffer.from(place, 'utf8'));
    decipher.setAuthTag(tag);
    return Buffer.concat([decipher.update(sealed), decipher.final()]);
  } catch {
    throw new Unopenable('The key or the place is not the one it was sealed with');
  }
}
