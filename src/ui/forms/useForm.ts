'use client';

import { yupResolver } from '@hookform/resolvers/yup';
import { useEffect, useEffectEvent, useState } from 'react';
import { useForm as useHookForm, type DefaultValues, type FieldValues, type Path, type UseFormReturn } from 'react-hook-form';
import { v7 as newId } from 'uuid';
import type { ObjectSchema } from 'yup';
import { forgetTyped, keepTyped, keptTyped } from '../device';
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
 * version it is sent at follows the page's. What is typed stands there again after a reload, until it is sent.
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
  const typed = useTyped(form, Object.keys(schema.fields), initial);
  const { run, refusal, code, atFields, busy, refresh } = useAction();
  const send = form.handleSubmit(async (values) => {
    const reply = await run(() => action((carries ? { ...values, once } : values) as F));
    if (!reply) return;
    if (reply.ok) {
      typed.forget();
      setOnce(newId());
      return done(reply.value, form, refresh);
    }
    for (const { field, message } of reply.fields) form.setError(field as Path<F>, { message });
  });
  return { ...form, send, refusal: atFields ? null : refusal, code, busy };
}

/** How long after the last change what is typed is kept. */
const KEPT_AFTER_MS = 300;
/** What is never kept of a form. */
const SECRET: readonly string[] = ['password', 'again', 'current'];
/** What says which form it is, or how it was seen, and is nothing that somebody typed. */
const GIVEN: readonly string[] = ['once', 'version', 'seen'];

/** Keeps what is typed into a form over a reload, sealed on the device. */
function useTyped<F extends FieldValues>(form: UseFormReturn<F>, fields: readonly string[], initial: DefaultValues<Omit<F, 'once'>>) {
  const secret = fields.some((field) => SECRET.includes(field));
  const given = fields.filter((field) => typeof initial[field] === 'string' && /^[\da-f]{8}-/.test(initial[field] as string));
  const key = () =>
    ['form', location.pathname, ...fields.filter((field) => !GIVEN.includes(field)), ...given.map((field) => initial[field])].join(' ');
  const found = useEffectEvent((kept: F) => {
    for (const [field, value] of Object.entries(kept))
      if (fields.includes(field) && !GIVEN.includes(field) && JSON.stringify(form.getValues(field as Path<F>)) !== JSON.stringify(value))
        form.setValue(field as Path<F>, value as never, { shouldDirty: true });
  });
  const keep = useEffectEvent(() => void keepTyped(key(), { version: 0, value: form.getValues() }).catch(() => undefined));
  useEffect(() => {
    if (secret) return;
    let timer: ReturnType<typeof setTimeout>;
    void keptTyped<F>(key()).then(
      (kept) => kept && found(kept.value),
      () => undefined,
    );
    const watching = form.watch((_, { type }) => {
      if (type !== 'change') return;
      clearTimeout(timer);
      timer = setTimeout(keep, KEPT_AFTER_MS);
    });
    return () => {
      clearTimeout(timer);
      watching.unsubscribe();
    };
    // The form is the same for as long as the page shows it.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [secret]);
  return { forget: () => void (secret || forgetTyped(key()).catch(() => undefined)) };
}
