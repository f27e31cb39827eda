'use client';

import { useEffect, useEffectEvent, useRef } from 'react';

/** What was typed into a field before its page was awake is typed: the field takes it over as soon as it can. */
export function useTypedEarly(onTyped: (text: string) => void, shown: string) {
  const input = useRef<HTMLInputElement | HTMLTextAreaElement>(null);
  const take = useEffectEvent(() => {
    const early = input.current?.value;
    if (early !== undefined && early !== '' && early !== shown) onTyped(early);
  });
  useEffect(() => take(), []);
  return input;
}
