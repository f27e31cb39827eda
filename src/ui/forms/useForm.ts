'use client';

import { yupResolver } from '@hookform/resolvers/yup';
import { useState } from 'react';
import { useForm as useHookForm, type DefaultValues, type FieldValues, type Path, type UseFormReturn } from 'react-hook-form';
import type { ObjectSchema } from 'yup';
import type { Reply } from './reply';

interface OwnForm<F extends FieldValues> extends UseFormReturn<F> {
  /** Sends the checked form; whatever is refused lands at its field, and nothing typed is lost. */
  readonly send: (event?: React.BaseSyntheticEvent) => Promise<void>;
  readonly refusal: string | null;
  readonly busy: boolean;
}

/** One way to check and send every form: the same Yup schema here and on the server. */
export function useForm<F extends FieldValues, T>(
  schema: ObjectSchema<F>,
  initial: DefaultValues<F>,
  action: (values: F) => Promise<Reply<T>>,
  done: (value: T, form: UseFormReturn<F>) => void,
): OwnForm<F> {
  const form = useHookForm<F>({ resolver: yupResolver(schema) as never, defaultValues: initial, mode: 'onTouched' });
  const [refusal, setRefusal] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const send = form.handleSubmit(async (values) => {
    setBusy(true);
    setRefusal(null);
    try {
      const reply = await action(values as F);
      if (reply.ok) return done(reply.value, form);
      for (const { field, message } of reply.fields) form.setError(field as Path<F>, { message });
      if (reply.fields.length === 0) setRefusal(reply.message);
    } catch {
      setRefusal('The studio could not be reached. What you typed is still here; try again when the network is back.');
    } finally {
      setBusy(false);
    }
  });
  return { ...form, send, refusal, busy };
}
