'use client';

import { useCallback, useEffect, useState } from 'react';
import type { DayView } from '@/views/series';
import { keepSaid, sendSaid } from '../device';

/** How soon what waits is tried again. */
const AGAIN_MS = 5000;

type Said = 'heard' | 'signs' | 'help' | null;

/** What somebody says of a day, as it is sent. */
export interface Saying {
  readonly did: 'done' | 'something else' | 'not today';
  readonly felt?: 'easy' | 'worked' | 'strained' | null;
  readonly easier?: boolean;
  readonly signs?: readonly string[];
  readonly wrong?: boolean;
  readonly date?: string;
}

/** Says something of a day: kept on the phone first, sent at once or as soon as there is a network, and never there twice. */
export function useSaying(token: string, day: DayView, before: Said, why: string | null) {
  const [said, setSaid] = useState<Said>(before);
  const [refused, setRefused] = useState(why);
  const [waiting, setWaiting] = useState(false);
  const [told, setTold] = useState(before !== null);
  const [toldBefore, setToldBefore] = useState(false);
  const [last, setLast] = useState(day.said);
  const send = useCallback(async () => {
    const { answer, waiting: more } = await sendSaid(token).catch(() => ({ answer: null, waiting: true }));
    setWaiting(more);
    if (!answer) return;
    setTold(answer.ok && !more);
    setRefused(answer.ok ? null : answer.message);
    if (!answer.ok) return;
    const { help, signs } = answer.value;
    // What to do stays there while what called for help has not arrived.
    setSaid((was) => (help || (was === 'help' && more) ? 'help' : signs ? 'signs' : 'heard'));
  }, [token]);
  useEffect(() => {
    const later = () => void send();
    later();
    addEventListener('online', later);
    return () => removeEventListener('online', later);
  }, [send]);
  useEffect(() => {
    if (!waiting) return;
    const timer = setInterval(() => void send(), AGAIN_MS);
    return () => clearInterval(timer);
  }, [waiting, send]);
  const say = async (saying: Saying) => {
    const { did, felt = null, wrong = false, signs = [], date = day.date } = saying;
    // What calls for help is said without waiting for anybody.
    if (signs.some((sign) => day.helpSigns.includes(sign))) setSaid('help');
    setTold(false);
    if (date !== day.date) setToldBefore(true);
    else setLast((was) => (wrong && was ? was : { did, felt }));
    await keepSaid({ token, easier: false, ...saying, felt, signs, date });
    await send();
  };
  return { said, refused, waiting, told, last, toldBefore, say };
}
