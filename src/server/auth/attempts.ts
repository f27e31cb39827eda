import type { Tried } from '../repositories/signIns';

/** How guessing is slowed down. Times in milliseconds. */
export const ATTEMPT_LIMITS = {
  /** What was tried longer ago counts no more. */
  window: 15 * 60_000,
  /** From one address at one account, or at links of one kind that are not there, within the window; then it waits until that has passed. */
  perAddress: 30,
  /** From one address at whatever accounts: a whole studio may sit behind one. */
  perAddressInAll: 200,
  /** For one account before it is slowed down; it is never locked. */
  free: 8,
  /** The gap after the first slowed attempt; it doubles with each. */
  firstGap: 500,
  longestGap: 20_000,
  /** Nobody is kept waiting longer than this: they are told to come back instead. */
  longestWait: 10_000,
} as const;

export type Judged =
  | { readonly goesOn: true; readonly waitMs: number }
  | { readonly goesOn: false; readonly why: 'address' }
  | { readonly goesOn: false; readonly why: 'account'; readonly againInMs: number };

/**
 * Whether an attempt may go on, after what was tried before. An account that is being guessed at is slowed down for strangers,
 * one attempt after another; whoever has signed in from this device before is not.
 * @returns the judgement, and the moment at which the attempt counts; null when it does not
 * @example judge({ byAddress: 0, byBoth: 0, byWhat: [] }, now, false).answer // { goesOn: true, waitMs: 0 }
 */
export function judge({ byAddress, byBoth, byWhat }: Tried, now: Date, knownDevice: boolean): { readonly answer: Judged; readonly at: Date | null } {
  if (byBoth >= ATTEMPT_LIMITS.perAddress || (!knownDevice && byAddress >= ATTEMPT_LIMITS.perAddressInAll))
    return { answer: { goesOn: false, why: 'address' }, at: null };
  const over = byWhat.length - ATTEMPT_LIMITS.free;
  if (knownDevice || over < 0) return { answer: { goesOn: true, waitMs: 0 }, at: now };
  const gap = Math.min(ATTEMPT_LIMITS.longestGap, ATTEMPT_LIMITS.firstGap * 2 ** over);
  const next = Math.max(now.getTime(), (byWhat.at(-1)?.getTime() ?? 0) + gap);
  const waitMs = next - now.getTime();
  if (waitMs > ATTEMPT_LIMITS.longestWait) return { answer: { goesOn: false, why: 'account', againInMs: waitMs }, at: null };
  return { answer: { goesOn: true, waitMs }, at: new Date(next) };
}
