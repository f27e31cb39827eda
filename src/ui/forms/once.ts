'use client';

import { useRef } from 'react';
import { v7 as newId } from 'uuid';

/** An id for something that is sent by a button: the same until it is done, so that what is sent twice is done once. */
export function useOnce(): { readonly id: () => string; readonly done: () => void } {
  const once = useRef('');
  return {
    id: () => {
      if (once.current === '') once.current = newId();
      return once.current;
    },
    done: () => {
      once.current = '';
    },
  };
}
