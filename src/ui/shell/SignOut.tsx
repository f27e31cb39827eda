'use client';

import { signOutAction } from '@/app/actions/signin';
import { forgetDevice } from '../device';

/** Signs out and wipes what this device kept of classes; logs that were not sent yet stay. */
export function SignOut() {
  return (
    <button
      type="button"
      onClick={async () => {
        await forgetDevice();
        await signOutAction();
      }}
    >
      Sign out
    </button>
  );
}
