'use client';

import { useEffect, useEffectEvent, useRef, useState } from 'react';
import { forgetTyped, keepTyped, keptTyped, type Typed } from '../device';
import { signedInAgain } from '../shell/signedInAgain';
import type { Reply } from './reply';
import { useLeaving } from './useAction';

/** How long after the last change something is saved, and how soon it is tried again without a network. */
const AFTER_MS = 500;
const AGAIN_MS = 8000;

/** Why something was not done: it would not have had what is typed here. */
const UNSAVED = {
  ok: false,
  code: 'unsaved',
  message: 'What you typed is not saved yet, so nothing was done. Try again when it is.',
  fields: [],
} as const;

interface Saving<Value, Theirs> {
  /** What it is, for the device to keep what was typed until it has arrived. */
  readonly key: string;
  /** What was typed before a reload and had not arrived. */
  readonly onFound: (value: Value) => void;
  /** What stands in the studio, and was seen. */
  readonly version: number;
  readonly save: (value: Value, version: number) => Promise<Reply<{ readonly version: number }>>;
  /** Their version, when somebody else saved first. */
  readonly compare: (value: Value, version: number) => Promise<Reply<Theirs>>;
  readonly onSaved: () => void;
}

export interface Autosaved<Value, Theirs> {
  readonly saved: { readonly text: string; readonly bad: boolean } | null;
  readonly version: number;
  /** Both versions, until one of them is taken. */
  readonly clash: Theirs | null;
  readonly save: (value: Value) => void;
  /** Keeps on the device what does not read yet, so that a reload does not lose it. */
  readonly keep: (value: Value) => void;
  /** Does something else to what is saved here: after what was typed has arrived, at the version that stands then, and before what is typed meanwhile is sent. */
  readonly inTurn: <Done extends { readonly version: number }>(work: (version: number) => Promise<Reply<Done>>) => Promise<Reply<Done>>;
  /** Goes on from a version: theirs was taken, or mine is to stand over it. */
  readonly settle: (version: number, mine: Value | null) => void;
}

/**
 * Saves shortly after the last change, one save after another, at the version that was seen; says when, or why not. Without a
 * network it tries again by itself, after a reload too. When somebody else saved first, nothing of either is lost: theirs is fetched to be looked at.
 */
export function useAutosave<Value, Theirs>({
  key,
  version: first,
  save: send,
  compare,
  onSaved,
  onFound,
}: Saving<Value, Theirs>): Autosaved<Value, Theirs> {
  const [saved, setSaved] = useState<Autosaved<Value, Theirs>['saved']>(null);
  const [clash, setClash] = useState<Theirs | null>(null);
  const [shown, setShown] = useState(first);
  const version = useRef(first);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const queue = useRef<Promise<void>>(Promise.resolve());
  const unsaved = useRef<{ readonly value: Value } | null>(null);
  const leaving = useLeaving();
  useEffect(() => {
    const warn = (event: BeforeUnloadEvent) => unsaved.current && event.preventDefault();
    addEventListener('beforeunload', warn);
    return () => removeEventListener('beforeunload', warn);
  }, []);
  const found = useEffectEvent((typed: Typed<Value> | undefined) => {
    if (!typed || unsaved.current) return;
    version.current = typed.version;
    onFound(typed.value);
  });
  useEffect(() => {
    // A device that keeps nothing (private browsing) has nothing to find.
    keptTyped<Value>(key).then(found, () => undefined);
  }, [key]);
  const keep = (value: Value) => {
    unsaved.current = { value };
    void keepTyped(key, { version: version.current, value }).catch(() => undefined);
  };
  const forget = () => {
    unsaved.current = null;
    void forgetTyped(key).catch(() => undefined);
  };
  /** Whether what waited has arrived. */
  const attempt = async (): Promise<boolean> => {
    const waiting = unsaved.current;
    if (!waiting) return true;
    try {
      let reply = await send(waiting.value, version.current);
      while (!reply.ok && reply.code === 'signed-out') {
        setSaved({ text: reply.message, bad: true });
        if (!(await signedInAgain(leaving()))) return false;
        reply = await send((unsaved.current ?? waiting).value, version.current);
      }
      if (reply.ok) {
        version.current = reply.value.version;
        if (unsaved.current === waiting) forget();
        setShown(reply.value.version);
        setSaved({ text: `Saved ${clockNow()}.`, bad: false });
        onSaved();
        return true;
      }
      setSaved({ text: reply.message, bad: true });
      const theirs = reply.code === 'clash' ? await compare(waiting.value, version.current) : null;
      if (theirs?.ok) {
        setSaved(null);
        setClash(theirs.value);
      }
    } catch {
      setSaved({ text: 'The studio could not be reached. What you typed is still here and is saved as soon as it can be.', bad: true });
      later(AGAIN_MS);
    }
    return false;
  };
  /** One after another, whatever becomes of the one before. */
  const queued = <Done>(work: () => Promise<Done>): Promise<Done> => {
    const own = queue.current.then(work);
    queue.current = own.then(
      () => undefined,
      () => undefined,
    );
    return own;
  };
  const later = (ms: number) => {
    clearTimeout(timer.current);
    timer.current = setTimeout(() => void queued(attempt), ms);
  };
  const save = (value: Value) => {
    keep(value);
    if (clash === null) {
      setSaved({ text: 'Saving …', bad: false });
      later(AFTER_MS);
    }
  };
  const settle = (from: number, mine: Value | null) => {
    version.current = from;
    setShown(from);
    setClash(null);
    if (mine === null) forget();
    else keep(mine);
    if (mine === null) setSaved({ text: 'Theirs stands.', bad: false });
    else later(0);
  };
  const inTurn: Autosaved<Value, Theirs>['inTurn'] = (work) =>
    queued(async () => {
      clearTimeout(timer.current);
      while (unsaved.current) if (!(await attempt())) return UNSAVED;
      const reply = await work(version.current);
      if (reply.ok) {
        version.current = reply.value.version;
        setShown(reply.value.version);
      }
      return reply;
    });
  const keepOnly = (value: Value) => {
    clearTimeout(timer.current);
    keep(value);
  };
  return { saved, version: shown, clash, save, keep: keepOnly, inTurn, settle };
}

function clockNow(): string {
  return new Date().toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
}
