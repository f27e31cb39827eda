/**
 * A function of a pattern and little more, worked out once: patterns that were read are kept and never change, and a course asks the same
 * few over and over.
 * @param keyOf tells calls with the same pattern apart
 */
export function knownOf<Of extends object, Rest extends readonly unknown[], Answer>(
  work: (of: Of, ...rest: Rest) => Answer,
  keyOf: (...rest: Rest) => string,
): (of: Of, ...rest: Rest) => Answer {
  const known = new WeakMap<Of, Map<string, Answer>>();
  return (of, ...rest) => {
    const own = known.get(of) ?? new Map<string, Answer>();
    if (own.size === 0) known.set(of, own);
    const key = keyOf(...rest);
    if (own.has(key)) return own.get(key)!;
    const answer = work(of, ...rest);
    own.set(key, answer);
    return answer;
  };
}
