/** Part of a long list, as much as a page shows at once. */
export interface Page<T> {
  readonly shown: readonly T[];
  /** Counted from 1. */
  readonly page: number;
  readonly pages: number;
  readonly first: number;
  readonly of: number;
}

/**
 * One page of a list; the last one where there are not so many.
 * @param asked what stands in the address, whatever it is
 * @param usual the place in the list whose page is shown where none is asked for
 * @example pageOf([1, 2, 3], '2', 2).shown // [3]
 */
export function pageOf<T>(all: readonly T[], asked: string | undefined, size: number, usual = 0): Page<T> {
  const pages = Math.max(1, Math.ceil(all.length / size));
  const wanted = asked && /^\d{1,6}$/.test(asked) ? Number(asked) : Math.floor(Math.max(0, usual) / size) + 1;
  const page = Math.min(pages, Math.max(1, wanted));
  const first = (page - 1) * size;
  return { shown: all.slice(first, first + size), page, pages, first, of: all.length };
}
