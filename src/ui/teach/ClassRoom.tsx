'use client';

import type { ClassView } from '@/views/teach';
import { keepPageOffline } from '../device';
import { ClassScreen } from './ClassScreen';
import { Door } from './Door';
import { LogForm } from './LogForm';
import { ReadPlan } from './ReadPlan';
import { useRun } from './run';

/** A class from reading its plan to its log. Once opened it needs no network: everything is here and on the device. */
export function ClassRoom({ room, logging }: { room: ClassView; logging: boolean }) {
  const { run, change } = useRun(room.session.id, room.plan.id, logging || (room.past && !room.logged) ? 'log' : 'plan');
  if (!run) return <p className="soft">Asking this device how far the class has come …</p>;
  switch (run.stage) {
    case 'plan':
      return (
        <ReadPlan
          room={room}
          onOpen={() => {
            void keepPageOffline();
            change({ stage: room.today ? 'door' : 'class' });
          }}
        />
      );
    case 'door':
      return <Door room={room} run={run} change={change} />;
    case 'class':
      return <ClassScreen room={room} run={run} change={change} />;
    case 'log':
    case 'logged':
      return <LogForm room={room} run={run} change={change} />;
  }
}
