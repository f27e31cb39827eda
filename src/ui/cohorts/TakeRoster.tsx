'use client';

import Button from '@mui/material/Button';
import { exportRosterAction } from '@/app/actions/people';
import { saveAs } from '../files';
import { useNotice } from '../look/Notices';

/** The cohort's people with their screening dates as a file; never an answer. */
export function TakeRoster({ cohort, name }: { cohort: string; name: string }) {
  const say = useNotice();
  const take = async () => {
    const reply = await exportRosterAction({ id: cohort });
    if (reply.ok) saveAs('roster', name, reply.value);
    else say(reply.message);
  };
  return <Button onClick={() => void take()}>Take the list along</Button>;
}
