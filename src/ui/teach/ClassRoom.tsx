'use client';

import { useEffect, useEffectEvent } from 'react';
import { dateIn } from '@/core/units';
import type { ClassView } from '@/views/teach';
import { keepClassOffline } from '../device';
import { ClassScreen } from './ClassScreen';
import { Door } from './Door';
import { useNow } from '../shell/useNow';
import { LogForm } from './LogForm';
import { ReadPlan } from './ReadPlan';
import { fresh, useRun } from './run';

/** A class from reading its plan to its log. Once opened it needs no network: everything is here and on the device. */
export function ClassRoom({ room: sent, logging }: { room: ClassView; logging: boolean }) {
  const { run, change } = useRun(sent.session.id, sent.plan.id, logging || (sent.past && !sent.logged) ? 'log' : 'plan');
  const today = useNow((now) => dateIn(sent.zone, new Date(now)), sent.session.date);
  const begun = useNow((now) => now >= Date.parse(sent.logFrom), true);
  // What was rehearsed before its day is over when the day comes: the class begins at its beginning, and its log is of the class.
  const rehearsed = run?.rehearsal === true && today >= sent.session.date;
  const begin = useEffectEvent(() => change(fresh(today === sent.session.date ? 'plan' : 'log')));
  useEffect(() => {
    if (rehearsed) begin();
  }, [rehearsed]);
  if (!run || rehearsed) return <p className="soft">Asking this device how far the class has come …</p>;
  // A page that was kept the evening before opens on the day of the class.
  const room = { ...sent, today: sent.session.date === today, past: sent.session.date < today };
  switch (run.stage) {
    case 'plan':
      return (
        <ReadPlan
          room={room}
          onOpen={() => {
            void keepClassOffline();
            change(room.today ? { stage: 'door' } : { ...fresh('class'), rehearsal: true });
          }}
        />
      );
    case 'door':
      return <Door room={room} run={run} change={change} />;
    case 'class':
      return <ClassScreen room={room} run={run} change={change} />;
    case 'log':
    case 'logged':
      return <LogForm room={room} begun={begun} run={run} change={change} />;
  }
}
