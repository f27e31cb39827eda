'use client';

import { whoOwns } from '../device';

/** A page that was signed out in the middle of something waits until its owner has signed in again, in whatever tab. */
const CHANNEL = 'oaken-signed-in';
const LOOKED_MS = 4000;

/** Tells other pages on this device that somebody has signed in. */
export function tellSignedIn(): void {
  if (!('BroadcastChannel' in window)) return;
  const channel = new BroadcastChannel(CHANNEL);
  channel.postMessage('signed in');
  channel.close();
}

/**
 * Whether the owner of this page is signed in again. Whoever else signs in here is not them: nothing is sent in another's name.
 * @returns false once the page is left, or somebody else signed in
 */
export function signedInAgain(leaving: AbortSignal): Promise<boolean> {
  const owner = whoOwns()?.id ?? null;
  return new Promise((answer) => {
    const channel = 'BroadcastChannel' in window ? new BroadcastChannel(CHANNEL) : null;
    const end = (back: boolean) => {
      clearInterval(timer);
      channel?.close();
      removeEventListener('focus', look);
      answer(back);
    };
    const look = () => {
      if (document.visibilityState === 'hidden') return;
      void fetch('/api/who', { cache: 'no-store' })
        .then((response) => response.json() as Promise<{ readonly id: string | null }>)
        .then(({ id }) => id !== null && end(id === owner))
        .catch(() => undefined);
    };
    const timer = setInterval(look, LOOKED_MS);
    channel?.addEventListener('message', look);
    addEventListener('focus', look);
    leaving.addEventListener('abort', () => end(false));
  });
}
