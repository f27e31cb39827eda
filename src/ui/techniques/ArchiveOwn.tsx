'use client';

import Button from '@mui/material/Button';
import { archiveOwnWayAction } from '@/app/actions/techniques';
import { Refusal } from '../forms/fields';
import { useAction } from '../forms/useAction';

/** Takes an own way out of use; nothing planned with it changes. */
export function ArchiveOwn({ id, version }: { id: string; version: number }) {
  const { run, refusal, busy, refresh } = useAction();
  const archive = async () => {
    await run(() => archiveOwnWayAction({ id, version }));
    refresh();
  };
  return (
    <>
      <Button disabled={busy} onClick={() => void archive()}>
        Take it out of use
      </Button>
      <Refusal message={refusal} />
    </>
  );
}
