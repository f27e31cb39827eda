/** What every action answers: a value, or a sentence and the fields it is about. */
export type Reply<T> =
  | { readonly ok: true; readonly value: T }
  | {
      readonly ok: false;
      readonly code: string;
      readonly message: string;
      readonly fields: readonly { readonly field: string; readonly message: string }[];
    };
