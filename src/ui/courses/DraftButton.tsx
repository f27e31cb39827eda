'use client';

import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useTransition } from 'react';
import { draftCourseAction } from '@/app/actions/courses';
import { useNotice } from '../look/Notices';

/** Drafts every session that is neither past nor published. */
export function DraftButton({ course, version, again }: { course: string; version: number; again: boolean }) {
  const router = useRouter();
  const say = useNotice();
  const [busy, start] = useTransition();
  return (
    <Button
      variant="contained"
      disabled={busy}
      onClick={() =>
        start(async () => {
          const reply = await draftCourseAction({ course, version });
          if (!reply.ok) say(reply.message);
          else say(reply.value.unplaced.length === 0 ? 'Drafted: every goal has its place.' : `Drafted. ${reply.value.unplaced.join(' ')}`);
          router.refresh();
        })
      }
    >
      {busy ? 'Drafting' : again ? 'Draft again from here' : 'Draft'}
    </Button>
  );
}
