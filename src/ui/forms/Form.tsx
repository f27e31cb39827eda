'use client';

import { useEffect, useRef, type ComponentProps } from 'react';

interface Props extends Omit<ComponentProps<'form'>, 'onSubmit' | 'method' | 'action'> {
  /** What sends it, once the page is awake. */
  readonly form: { readonly send: (event?: React.BaseSyntheticEvent) => Promise<void> | void };
}

/** Set by the script in the page's head where a form was sent before its page was awake. */
interface Early {
  oakenPressed?: boolean;
  oakenAwake?: boolean;
}

/**
 * A form of our own pages. What is pressed before the page is awake waits until it is, with what was typed, and is sent then; nothing
 * of it ever stands in an address.
 */
export function Form({ form, children, ...rest }: Props) {
  const own = useRef<HTMLFormElement>(null);
  useEffect(() => {
    const early = own.current as (HTMLFormElement & Early) | null;
    if (!early) return;
    early.oakenAwake = true;
    if (!early.oakenPressed) return;
    early.oakenPressed = false;
    early.requestSubmit();
  }, []);
  return (
    <form {...rest} ref={own} method="post" noValidate data-waits onSubmit={(event) => void form.send(event)}>
      {children}
    </form>
  );
}
