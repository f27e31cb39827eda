import type { Sent } from '../forms/posted';
import { PostedField } from '../forms/PostedField';

/** A password that is chosen, in a form that is posted. */
export function NewPassword({ sent }: { sent: Sent }) {
  return (
    <>
      <PostedField
        sent={sent}
        name="password"
        label="Choose a password"
        type="password"
        autoComplete="new-password"
        helperText="A few words are easy to keep."
      />
      <PostedField sent={sent} name="again" label="Once more" type="password" autoComplete="new-password" />
    </>
  );
}
