'use client';

import { useEffect } from 'react';
import { useNotice } from '../look/Notices';
import { sendWaiting } from '../device';

const EVERY_MS = 20_000;

/** Sends logs that wait on this device as soon as there is a network. Shows nothing but the news. */
export function WaitingLogs() {
  const say = useNotice();
  useEffect(() => {
    const send = () =>
      void sendWaiting()
        .then(({ sent, held }) => {
          if (sent > 0) say(sent === 1 ? 'A class log that waited on this device has arrived.' : `${sent} class logs that waited here have arrived.`);
          if (held > 0)
            say(
              held === 1
                ? 'A class log that waited here is kept at the studio; the director looks at it, since something about its class has changed.'
                : `${held} class logs that waited here are kept at the studio; the director looks at them.`,
            );
        })
        .catch(() => undefined);
    send();
    addEventListener('online', send);
    const timer = setInterval(send, EVERY_MS);
    return () => {
      removeEventListener('online', send);
      clearInterval(timer);
    };
  }, [say]);
  return null;
}
