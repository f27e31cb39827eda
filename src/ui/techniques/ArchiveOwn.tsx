'use client';

import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useState, useTransition } from 'react';
import { archiveOwnWayAction } from '@/app/actions/techniques';
import { Refusal } from '../forms/fields';

/** Takes an own way out of use; nothing planned with it changes. */
export function ArchiveOwn({ id, version }: { id: string; version: number }) {
  const router = useRouter();
  const [busy, start] = useTransition();
  const [refused, setRefused] = useState<string | null>(null);
  return (
    <>
      <Button
        disabled={busy}
        onClick={() =>
          start(async () => {
            const reply = await archiveOwnWayAction({ id, version });
            setRefused(reply.ok ? null : reply.message);
            router.refresh();
          })
        }
      >
        Take it out of use
      </Button>
      <Refusal message={refused} />
    </>
  );
}
