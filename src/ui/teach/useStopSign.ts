'use client';

import { useState } from 'react';
import { v7 as newId } from 'uuid';
import { keepWaiting, sendWaiting } from '../device';
import type { ClassView } from '@/views/teach';
import type { MarkedSign, Run } from './run';

/**
 * Stop signs marked while teaching: each goes to the studio at once, and once more when it is said whose it was and which. Everything
 * said of one waits and arrives in its order; nothing of a rehearsal is sent.
 */
export function useStopSign(room: ClassView, run: Run, change: (more: Partial<Run>) => void) {
  const [open, setOpen] = useState<string | null>(null);
  const marked = run.signs.find(({ id }) => id === open) ?? null;
  const send = (sign: MarkedSign) =>
    !run.rehearsal &&
    void keepWaiting('mark', { session: room.session.id, ...sign })
      .then(sendWaiting)
      .catch(() => undefined);
  return {
    /** The one that is being said more of. */
    marked,
    /** @param then what else becomes of the run, as it is marked */
    mark: (place: string, then: Partial<Run>) => {
      const sign: MarkedSign = { id: newId(), place, person: null, sign: null, slip: false };
      change({ ...then, signs: [...run.signs, sign] });
      setOpen(sign.id);
      send(sign);
    },
    sayMore: (more: Partial<MarkedSign>) => {
      if (!marked) return;
      const next = { ...marked, ...more };
      change({ signs: run.signs.map((one) => (one.id === next.id ? next : one)) });
      // Help does not wait until the page is closed.
      if (next.sign !== null && room.helpSigns.includes(next.sign)) send(next);
    },
    leave: () => {
      setOpen(null);
      if (marked && (marked.person !== null || marked.sign !== null || marked.slip)) send(marked);
    },
  };
}
