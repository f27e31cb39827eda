'use client';

import { useEffect, useState } from 'react';
import { listed } from '@/core/wording';
import { useNotice } from '../look/Notices';
import { sendWaiting, tidyDevice, waitingOf } from '../device';

const EVERY_MS = 20_000;

/** Sends what its owner left waiting on this device as soon as there is a network, and says what waits here for somebody else. */
export function WaitingLogs() {
  const say = useNotice();
  const [others, setOthers] = useState<readonly string[]>([]);
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
          return waitingOf();
        })
        .then(({ others: names }) => setOthers(names))
        .catch(() => undefined);
    send();
    void tidyDevice().catch(() => undefined);
    addEventListener('online', send);
    const timer = setInterval(send, EVERY_MS);
    return () => {
      removeEventListener('online', send);
      clearInterval(timer);
    };
  }, [say]);
  return others.length > 0 ? <OthersWait names={others} /> : null;
}

/** What somebody else wrote waits on this device, and nobody but them sends or reads it. */
export function OthersWait({ names }: { names: readonly string[] }) {
  return (
    <p className="note small" role="status">
      A class log of {listed([...names])} waits on this device, sealed. It goes out once {names.length === 1 ? names[0] : 'they'}{' '}
      {names.length === 1 ? 'signs' : 'sign'} in here with a network.
    </p>
  );
}
