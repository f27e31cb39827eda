import AxeBuilder from '@axe-core/playwright';
import { test as base, expect, type Browser, type Locator, type Page } from '@playwright/test';
import { DEMO_STAFF } from '../../demo/staff';

/** Waits until everything on a page that can be pressed answers: before that a press is lost, however fast a machine presses. */
async function awake(page: Page): Promise<void> {
  await page.waitForFunction(
    () =>
      [...document.querySelectorAll('main :is(a, button, input:not([type=hidden]), textarea)')].every((one) =>
        Object.keys(one).some((key) => key.startsWith('__react')),
      ),
    undefined,
    { polling: 50, timeout: 10_000 },
  );
}

const PRESSES = ['click', 'fill', 'check', 'press', 'setInputFiles'] as const;
const waking = new WeakSet<Page>();
let pressed: object | null = null;

/** A press waits until its page is awake: a link may have loaded another one just before. */
function pressAwake(page: Page): void {
  waking.add(page);
  const locator = Object.getPrototypeOf(page.locator('main')) as Record<string, (...of: unknown[]) => Promise<unknown>>;
  if (pressed === locator) return;
  pressed = locator;
  for (const press of PRESSES) {
    const own = locator[press];
    locator[press] = async function (this: Locator, ...of: unknown[]) {
      if (waking.has(this.page())) await awake(this.page()).catch(() => undefined);
      return own.apply(this, of);
    };
  }
}

/** Contexts whose pages are pressed whether they are awake or not, as somebody on a slow network does. */
export const asleep: { make: Browser['newContext'] } = { make: () => Promise.reject(new Error('no browser yet')) };

/** Stories in which a page is awake before anything on it is pressed. */
export const test = base.extend<object, object>({
  browser: [
    async ({ browser }, use) => {
      const make = browser.newContext.bind(browser);
      asleep.make = make;
      browser.newContext = async (options) => {
        const context = await make(options);
        if (options?.javaScriptEnabled !== false)
          context.on('page', (page) => {
            pressAwake(page);
            const [open, again] = [page.goto.bind(page), page.reload.bind(page)];
            page.goto = async (...of) => open(...of).then((answer) => awake(page).then(() => answer));
            page.reload = async (...of) => again(...of).then((answer) => awake(page).then(() => answer));
          });
        return context;
      };
      await use(browser);
    },
    { scope: 'worker' },
  ],
});

export type Role = (typeof DEMO_STAFF)[number]['role'];

/** Who signed in in an earlier story stays so, as on a device of one's own. */
const signedIn = new Map<Role, Awaited<ReturnType<ReturnType<Page['context']>['cookies']>>>();

/** Signs in by typing, as a person would, unless that was done before and still holds. */
export async function signInAs(page: Page, role: Role, next = '/'): Promise<void> {
  const before = signedIn.get(role);
  if (before) await page.context().addCookies(before);
  await page.goto(before ? next : `/sign-in?next=${encodeURIComponent(next)}`);
  if (new URL(page.url()).pathname === next) return;
  const { email, password } = DEMO_STAFF.find((staff) => staff.role === role)!;
  await page.getByLabel('E-mail').fill(email);
  await page.getByLabel('Password').fill(password);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.waitForURL((url) => url.pathname === next);
  await awake(page);
  signedIn.set(role, await page.context().cookies());
}

/** Chooses in one of our fields, as a person would: opens it and takes the option. */
export async function choose(place: Page | Locator, label: string | RegExp, option: string | RegExp): Promise<void> {
  await place.getByRole('combobox', { name: label }).first().click();
  const page = 'page' in place ? place.page() : place;
  await page
    .getByRole('option', { name: option, exact: typeof option === 'string' })
    .first()
    .click();
}

/** No serious violation of accessibility on the page as it stands, targets large enough to hit among them; there are no frames to look into. */
export async function accessible(page: Page): Promise<void> {
  await expect(page).toHaveTitle(/./);
  const axe = new AxeBuilder({ page }).options({ resultTypes: ['violations'], rules: { 'target-size': { enabled: true } } }).setLegacyMode();
  const { violations } = await axe.analyze();
  const serious = violations.filter(({ impact }) => impact === 'serious' || impact === 'critical');
  expect(serious.map(({ id, nodes }) => `${id}: ${nodes.length} times, first ${nodes[0].html.slice(0, 160)}`)).toEqual([]);
}

/** Nothing on the page wider than the screen. */
export async function fitsTheWidth(page: Page): Promise<void> {
  expect(await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth)).toBeLessThanOrEqual(0);
}
