'use client';

import { signOutAction } from '@/app/actions/signin';
import { forgetClasses } from '../device';

/** Signs out and wipes what this device opens of classes; whatever was not sent yet stays, sealed for whoever wrote it. */
export function SignOut() {
  return (
    <form
      action={signOutAction}
      onSubmit={() => {
        void forgetClasses();
      }}
    >
      <button>Sign out</button>
    </form>
  );
}
