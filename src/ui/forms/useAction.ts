'use client';

import { useEffect, useRef, useState } from 'react';
import { signedInAgain } from '../shell/signedInAgain';
import { useRefreshing } from './Refreshing';
import type { Reply } from './reply';

interface Action {
  /** Runs an action; null when the studio could not be reached. Where its owner was signed out, it is run again once they are back. */
  readonly run: <T>(work: () => Promise<Reply<T>>) => Promise<Reply<T> | null>;
  readonly refusal: string | null;
  readonly code: string | null;
  /** Whether what was refused stands at fields. */
  readonly atFields: boolean;
  /** While it runs, and until the page shows what it did: what is sent next goes by what is seen. */
  readonly busy: boolean;
  /** Shows the page as it is now. */
  readonly refresh: () => void;
  readonly clear: () => void;
}

interface Refused {
  readonly message: string | null;
  readonly code: string | null;
  readonly atFields: boolean;
}

const NOTHING: Refused = { message: null, code: null, atFields: false };
const NOT_REACHED = 'The studio could not be reached. What you typed is still here; try again when the network is back.';

/** One way to ask the server for something: busy while it runs, and in words when it was refused or could not be reached. */
export function useAction(): Action {
  const [refused, setRefused] = useState(NOTHING);
  const [busy, setBusy] = useState(false);
  const { refreshing, refresh } = useRefreshing();
  const leaving = useLeaving();
  const run = async <T>(work: () => Promise<Reply<T>>): Promise<Reply<T> | null> => {
    setBusy(true);
    try {
      for (;;) {
        const reply = await work();
        setRefused(reply.ok ? NOTHING : { message: reply.message, code: reply.code, atFields: reply.fields.length > 0 });
        if (reply.ok || reply.code !== 'signed-out' || !(await signedInAgain(leaving()))) return reply;
      }
    } catch {
      setRefused({ message: NOT_REACHED, code: 'not-reached', atFields: false });
      return null;
    } finally {
      setBusy(false);
    }
  };
  return {
    run,
    refusal: refused.message,
    code: refused.code,
    atFields: refused.atFields,
    busy: busy || refreshing,
    refresh,
    clear: () => setRefused(NOTHING),
  };
}

/** What ends when the page is left. */
export function useLeaving(): () => AbortSignal {
  const left = useRef<AbortController>(null);
  useEffect(() => () => left.current?.abort(), []);
  return () => (left.current ??= new AbortController()).signal;
}
