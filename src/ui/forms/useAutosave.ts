'use client';

import { useEffect, useRef, useState } from 'react';
import type { Reply } from './reply';

/** How long after the last change something is saved, and how soon it is tried again without a network. */
const AFTER_MS = 500;
const AGAIN_MS = 8000;

interface Saving<Value, Theirs> {
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
  /** What was seen counts on by something else than saving. */
  readonly seen: (version: number) => void;
  /** Goes on from a version: theirs was taken, or mine is to stand over it. */
  readonly settle: (version: number, mine: Value | null) => void;
}

/**
 * Saves shortly after the last change, one save after another, at the version that was seen; says when, or why not. Without a
 * network it tries again by itself. When somebody else saved first, nothing of either is lost: theirs is fetched to be looked at.
 */
export function useAutosave<Value, Theirs>({ version: first, save: send, compare, onSaved }: Saving<Value, Theirs>): Autosaved<Value, Theirs> {
  const [saved, setSaved] = useState<Autosaved<Value, Theirs>['saved']>(null);
  const [clash, setClash] = useState<Theirs | null>(null);
  const [shown, setShown] = useState(first);
  const version = useRef(first);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const queue = useRef<Promise<void>>(Promise.resolve());
  const unsaved = useRef<{ readonly value: Value } | null>(null);
  useEffect(() => {
    const warn = (event: BeforeUnloadEvent) => unsaved.current && event.preventDefault();
    addEventListener('beforeunload', warn);
    return () => removeEventListener('beforeunload', warn);
  }, []);
  const attempt = async () => {
    const waiting = unsaved.current;
    if (!waiting) return;
    try {
      const reply = await send(waiting.value, version.current);
      if (reply.ok) {
        version.current = reply.value.version;
        if (unsaved.current === waiting) unsaved.current = null;
        setShown(reply.value.version);
        setSaved({ text: `Saved ${clockNow()}.`, bad: false });
        return onSaved();
      }
      setSaved({ text: reply.message, bad: true });
      if (reply.code !== 'clash') return;
      const theirs = await compare(waiting.value, version.current);
      if (!theirs.ok) return;
      setSaved(null);
      setClash(theirs.value);
    } catch {
      setSaved({ text: 'The studio could not be reached. What you typed is still here and is saved as soon as it can be.', bad: true });
      later(AGAIN_MS);
    }
  };
  const later = (ms: number) => {
    clearTimeout(timer.current);
    timer.current = setTimeout(() => {
      queue.current = queue.current.then(attempt);
    }, ms);
  };
  const save = (value: Value) => {
    unsaved.current = { value };
    if (clash === null) {
      setSaved({ text: 'Saving …', bad: false });
      later(AFTER_MS);
    }
  };
  const settle = (from: number, mine: Value | null) => {
    version.current = from;
    setShown(from);
    setClash(null);
    unsaved.current = mine === null ? null : { value: mine };
    if (mine === null) setSaved({ text: 'Theirs stands.', bad: false });
    else later(0);
  };
  const seen = (now: number) => {
    version.current = now;
    setShown(now);
  };
  return { saved, version: shown, clash, save, seen, settle };
}

function clockNow(): string {
  return new Date().toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
}
