'use client';

import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useSnackbar } from 'notistack';
import { useTransition } from 'react';
import { draftCourseAction } from '@/app/actions/courses';

/** Drafts every session that is neither past nor published. */
export function DraftButton({ course, version, again }: { course: string; version: number; again: boolean }) {
  const router = useRouter();
  const { enqueueSnackbar } = useSnackbar();
  const [busy, start] = useTransition();
  return (
    <Button
      variant="contained"
      disabled={busy}
      onClick={() =>
        start(async () => {
          const reply = await draftCourseAction({ course, version });
          if (!reply.ok) enqueueSnackbar(reply.message, { variant: 'error' });
          else
            enqueueSnackbar(reply.value.unplaced.length === 0 ? 'Drafted: every goal has its place.' : `Drafted. ${reply.value.unplaced.join(' ')}`);
          router.refresh();
        })
      }
    >
      {busy ? 'Drafting' : again ? 'Draft again from here' : 'Draft'}
    </Button>
  );
}
