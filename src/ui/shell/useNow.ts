'use client';

import { useSyncExternalStore } from 'react';

const EVERY_MS = 15_000;

/** What the device's clock says of something, looked at again every quarter of a minute. @param before what is said where there is no clock yet */
export function useNow<T extends string | boolean>(say: (now: number) => T, before: T): T {
  return useSyncExternalStore(
    everyNowAndThen,
    () => say(Date.now()),
    () => before,
  );
}

function everyNowAndThen(look: () => void): () => void {
  const timer = setInterval(look, EVERY_MS);
  return () => clearInterval(timer);
}
