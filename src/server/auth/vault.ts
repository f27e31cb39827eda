import { createCipheriv, createDecipheriv, randomBytes } from 'node:crypto';
import { readFileSync } from 'node:fs';

/**
 * Health answers are sealed with a key of the person's own; that key is wrapped by a master key kept outside the database.
 * AES-256-GCM; texts are "v1.iv.tag.data" in base64url. Destroying a person's wrapped key makes their answers unreadable.
 */
export interface Vault {
  newWrappedKey(): string;
  seal(wrappedKey: string, text: string): string;
  open(wrappedKey: string, sealed: string): string;
}

export function vaultFrom(masterKey: Buffer): Vault {
  if (masterKey.length !== 32) throw new Error('The master key must be 32 bytes');
  const keyOf = (wrapped: string) => decrypt(masterKey, wrapped);
  return {
    newWrappedKey: () => encrypt(masterKey, randomBytes(32)),
    seal: (wrapped, text) => encrypt(keyOf(wrapped), Buffer.from(text, 'utf8')),
    open: (wrapped, sealed) => decrypt(keyOf(wrapped), sealed).toString('utf8'),
  };
}

/** A person's key, unwrapped with one master key and wrapped with another. */
export function rewrapped(wrapped: string, from: Buffer, to: Buffer): string {
  return encrypt(to, decrypt(from, wrapped));
}

let loaded: Vault | null = null;

/** The vault of this process, its key read from the file that OAKEN_MASTER_KEY_FILE names. */
export function vault(): Vault {
  const file = process.env.OAKEN_MASTER_KEY_FILE;
  if (!file) throw new Error('OAKEN_MASTER_KEY_FILE is not set; start the application with bin/start');
  loaded ??= vaultFrom(Buffer.from(readFileSync(file, 'utf8').trim(), 'base64'));
  return loaded;
}

function encrypt(key: Buffer, data: Buffer): string {
  const iv = randomBytes(12);
  const cipher = createCipheriv('aes-256-gcm', key, iv);
  const sealed = Buffer.concat([cipher.update(data), cipher.final()]);
  return ['v1', ...[iv, cipher.getAuthTag(), sealed].map((part) => part.toString('base64url'))].join('.');
}

function decrypt(key: Buffer, text: string): Buffer {
  const [version, iv, tag, sealed] = text.split('.');
  if (version !== 'v1') throw new Error('Sealed with an unknown version');
  const decipher = createDecipheriv('aes-256-gcm', key, Buffer.from(iv, 'base64url'));
  decipher.setAuthTag(Buffer.from(tag, 'base64url'));
  return Buffer.concat([decipher.update(Buffer.from(sealed, 'base64url')), decipher.final()]);
}
