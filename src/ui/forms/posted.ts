import type { Reply } from './reply';

/**
 * Forms of whoever is not signed in: sent as a POST from the first byte on, answered by the server alone where there is no script.
 * What such a form is about goes along as a hidden field: an action that has it bound to it is never answered without a script.
 */
export interface Sent {
  /** Why it was not taken; null before anything was sent. */
  readonly refused: Extract<Reply<never>, { ok: false }> | null;
  /** What was typed, to stand there again; never a password. */
  readonly typed: Readonly<Record<string, string | undefined>>;
  /** What was done, where the same page says so. */
  readonly done?: true;
}

export const NOT_SENT: Sent = { refused: null, typed: {} };

/** The texts of a form as a browser sends it; what the framework adds of its own is left out. */
export function typedIn(data: FormData): Readonly<Record<string, string>> {
  return Object.fromEntries([...data].flatMap(([name, value]) => (typeof value === 'string' && !name.startsWith('$ACTION') ? [[name, value]] : [])));
}

/** What is said at a field; what is said of the form as a whole where no field is named. */
export function problemAt({ refused }: Sent, field: string): string | undefined {
  return refused?.fields.find((one) => one.field === field)?.message;
}

export const problemOf = ({ refused }: Sent): string | null => (refused && refused.fields.length === 0 ? refused.message : null);
