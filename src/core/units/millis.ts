declare const millisBrand: unique symbol;
/** A whole number of milliseconds. Made by {@link millis} only. */
export type Millis = number & { readonly [millisBrand]: true };

/** A shortest and a longest duration. Equal ends mean an exact duration. */
export interface Span {
  readonly low: Millis;
  readonly high: Millis;
}

/**
 * Rounds half up to a whole millisecond.
 * @example millis(6 * 1100.0000001) // 6600
 */
export function millis(value: number): Millis {
  return Math.floor(value + 0.5 + 1e-7) as Millis;
}

/** A sum of whole milliseconds is whole: nothing is rounded again. */
export function plus(a: Millis, b: Millis): Millis {
  return (a + b) as Millis;
}

export const NO_TIME: Span = { low: millis(0), high: millis(0) };

/** An exact span. */
export function exactly(value: number): Span {
  return { low: millis(value), high: millis(value) };
}

export function addSpans(...spans: readonly Span[]): Span {
  return {
    low: millis(spans.reduce((sum, span) => sum + span.low, 0)),
    high: millis(spans.reduce((sum, span) => sum + span.high, 0)),
  };
}

export function timesSpan(span: Span, times: number): Span {
  return { low: millis(span.low * times), high: millis(span.high * times) };
}

/**
 * Seconds without needless decimals, the fraction only where there is one.
 * @example secondsText(26400) // "26.4 s"
 */
export function secondsText(value: number): string {
  return `${trimNumber(value / 1000)} s`;
}

/** @example spanText({ low: 4000, high: 6000 }) // "4–6 s" */
export function spanText(span: Span): string {
  return span.low === span.high ? secondsText(span.low) : `${trimNumber(span.low / 1000)}–${secondsText(span.high)}`;
}

/**
 * Minutes and seconds as a person says them.
 * @example clockText(237600) // "3 min 58 s"
 */
export function clockText(value: number): string {
  const whole = Math.round(value / 1000);
  const minutes = Math.floor(whole / 60);
  const seconds = whole % 60;
  if (minutes === 0) return `${seconds} s`;
  return seconds === 0 ? `${minutes} min` : `${minutes} min ${seconds} s`;
}

/** At most two decimals, none when they are zero. @example trimNumber(4.50) // "4.5" */
export function trimNumber(value: number): string {
  return String(Math.round(value * 100) / 100);
}
