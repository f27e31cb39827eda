import { pageOf } from './page';

const hundred = Array.from({ length: 100 }, (_, index) => index);

test('a list is shown page by page, each thing once', () => {
  const pages = [1, 2, 3].map((page) => pageOf(hundred, String(page), 40));
  expect(pages.flatMap(({ shown }) => shown)).toEqual(hundred);
  expect(pages.map(({ page, pages: of, first }) => [page, of, first])).toEqual([
    [1, 3, 0],
    [2, 3, 40],
    [3, 3, 80],
  ]);
});

test.each(['0', '-1', '4', 'x', '1e9', ''])('a page that is not there is one that is: %p', (asked) => {
  expect(pageOf(hundred, asked, 40).shown.length).toBeGreaterThan(0);
});

test('where none is asked for, it is the page of the usual place', () => {
  expect([39, 40].map((usual) => pageOf(hundred, undefined, 40, usual).page)).toEqual([1, 2]);
  expect(pageOf(hundred, undefined, 40, -1).page).toBe(1);
  expect(pageOf([], undefined, 40)).toEqual({ shown: [], page: 1, pages: 1, first: 0, of: 0 });
});
