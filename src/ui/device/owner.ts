'use client';

import { get, set } from 'idb-keyval';

/**
 * Whatever a device keeps of the staff is sealed for whoever is signed in: the key comes with their pages, stands nowhere on the device,
 * and is gone when they are. The next person at the same device sees that something waits, for whom, and nothing of it.
 */
export interface Owner {
  readonly id: string;
  /** As it may stand on the device: a first name. */
  readonly name: string;
  /** 32 bytes in base64. */
  readonly key: string;
}

/** What stands on the device. */
export interface Sealed {
  readonly owner: string;
  readonly name: string;
  /** When it was kept. */
  readonly at: number;
  readonly iv: Uint8Array<ArrayBuffer>;
  readonly data: ArrayBuffer;
}

let owner: Owner | null = null;
let imported: { readonly of: string; readonly key: Promise<CryptoKey> } | null = null;

/** Whose pages these are, from their first moment on; null on pages of nobody in particular. */
export function ownDevice(who: Owner | null): void {
  owner = who;
}

export const whoOwns = (): Owner | null => owner;

/** The name under which something of the owner is kept. */
export const ownName = (kind: string, key: string): string => `${kind}${owner?.id ?? ''} ${key}`;

function keyOf(who: Owner): Promise<CryptoKey> {
  if (imported?.of !== who.key) {
    const bytes = Uint8Array.from(atob(who.key), (sign) => sign.charCodeAt(0));
    imported = { of: who.key, key: crypto.subtle.importKey('raw', bytes, 'AES-GCM', false, ['encrypt', 'decrypt']) };
  }
  return imported.key;
}

/** Keeps something sealed for its owner. @throws where nobody owns the device, or it seals and keeps nothing (private browsing, plain http) */
export async function keepSealed(name: string, value: unknown): Promise<void> {
  if (!owner) throw new Error('nobody is signed in here');
  const { id, name: called } = owner;
  const iv = crypto.getRandomValues(new Uint8Array(12));
  const data = await crypto.subtle.encrypt({ name: 'AES-GCM', iv }, await keyOf(owner), new TextEncoder().encode(JSON.stringify(value)));
  await set(name, { owner: id, name: called, at: Date.now(), iv, data } satisfies Sealed);
}

/** What was kept under a name, opened; undefined where nothing is, or it is somebody else's. */
export async function openedSealed<T>(name: string): Promise<T | undefined> {
  const kept = await get<Sealed>(name);
  if (!kept || !owner || kept.owner !== owner.id) return undefined;
  try {
    const text = await crypto.subtle.decrypt({ name: 'AES-GCM', iv: kept.iv }, await keyOf(owner), kept.data);
    return JSON.parse(new TextDecoder().decode(text)) as T;
  } catch {
    return undefined;
  }
}
