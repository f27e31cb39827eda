'use client';

import { yupResolver } from '@hookform/resolvers/yup';
import { useEffect, useState } from 'react';
import { useForm as useHookForm, type DefaultValues, type FieldValues, type Path, type UseFormReturn } from 'react-hook-form';
import { v7 as newId } from 'uuid';
import type { ObjectSchema } from 'yup';
import type { Reply } from './reply';
import { useAction } from './useAction';

interface OwnForm<F extends FieldValues> extends UseFormReturn<F> {
  /** Sends the checked form; whatever is refused lands at its field, and nothing typed is lost. */
  readonly send: (event?: React.BaseSyntheticEvent) => Promise<void>;
  readonly refusal: string | null;
  /** The code of what was refused as a whole. */
  readonly code: string | null;
  readonly busy: boolean;
}

/**
 * One way to check and send every form: the same Yup schema here and on the server. A form carries an id made when it opened, so
 * that what is sent twice is done once; what was done leaves the form with a new one. A page keys a form by what it shows; the
 * version it is sent at follows the page's.
 */
export function useForm<F extends FieldValues, T>(
  schema: ObjectSchema<F>,
  initial: DefaultValues<Omit<F, 'once'>>,
  action: (values: F) => Promise<Reply<T>>,
  done: (value: T, form: UseFormReturn<F>, refresh: () => void) => void,
): OwnForm<F> {
  const [once, setOnce] = useState(() => newId());
  const carries = 'once' in schema.fields;
  const form = useHookForm<F>({
    resolver: yupResolver(schema) as never,
    defaultValues: { ...initial, ...(carries ? { once } : {}) } as DefaultValues<F>,
    mode: 'onTouched',
  });
  const { version } = initial as { readonly version?: number };
  const { setValue } = form;
  useEffect(() => {
    if (version !== undefined) setValue('version' as Path<F>, version as never);
  }, [version, setValue]);
  const { run, refusal, code, atFields, busy, refresh } = useAction();
  const send = form.handleSubmit(async (values) => {
    const reply = await run(() => action((carries ? { ...values, once } : values) as F));
    if (!reply) return;
    if (reply.ok) {
      setOnce(newId());
      return done(reply.value, form, refresh);
    }
    for (const { field, message } of reply.fields) form.setError(field as Path<F>, { message });
  });
  return { ...form, send, refusal: atFields ? null : refusal, code, busy };
}
