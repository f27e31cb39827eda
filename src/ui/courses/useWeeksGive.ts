'use client';

import { useEffect, useRef, useState } from 'react';
import { weeksGiveAction } from '@/app/actions/courses';
import type { Given } from '@/core/course';
import type { WeeksAsked } from '@/views/course';
import type { Answered, Asked } from '@/workers/giving';

/** How long after the last key it is asked, in milliseconds. */
const ASKED_AFTER_MS = 300;

const UNREACHED = 'The studio cannot be reached just now.';
/** What is wrong stands at its field. */
const NOT_YET = 'It stands here once all that is asked can be.';

export interface WeeksGiven {
  readonly asked: WeeksAsked;
  readonly given: readonly Given[];
}

/**
 * What the weeks of a request can give, worked out anew whenever it is otherwise: the server says what there is, and a worker how far it
 * goes. What was found last stays until the next is there.
 * @param request what the form holds, as it is typed
 */
export function useWeeksGive(request: object): { readonly found: WeeksGiven | null; readonly working: boolean; readonly refused: string | null } {
  const [found, setFound] = useState<WeeksGiven | null>(null);
  /** The request that was answered last, one way or another. */
  const [answered, setAnswered] = useState<string | null>(null);
  const [refused, setRefused] = useState<string | null>(null);
  const worker = useRef<Worker>(undefined);
  const number = useRef(0);
  const typed = JSON.stringify(request);
  useEffect(() => {
    const own = (number.current += 1);
    const isLast = () => own === number.current;
    const stop = () => {
      worker.current?.terminate();
      worker.current = undefined;
    };
    const wait = setTimeout(async () => {
      const reply = await weeksGiveAction(JSON.parse(typed)).catch(() => null);
      if (!isLast()) return;
      if (!reply?.ok) {
        setAnswered(typed);
        return setRefused(reply === null ? UNREACHED : reply.fields.length > 0 ? NOT_YET : reply.message);
      }
      setRefused(null);
      stop();
      const giving = new Worker(new URL('../../workers/giving.ts', import.meta.url));
      worker.current = giving;
      giving.onmessage = ({ data }: MessageEvent<Answered>) => {
        if (isLast() && data.number === own) {
          setFound({ asked: reply.value, given: data.given });
          setAnswered(typed);
        }
        giving.terminate();
      };
      giving.onerror = () => {
        if (isLast()) setAnswered(typed);
        giving.terminate();
      };
      giving.postMessage({ number: own, problem: reply.value.problem } satisfies Asked);
    }, ASKED_AFTER_MS);
    return () => {
      clearTimeout(wait);
      stop();
    };
  }, [typed]);
  return { found, working: answered !== typed, refused };
}
