import { AxeBuilder } from '@axe-core/playwright';
import { type BrowserContext, test as base, expect, type Page } from '@playwright/test';
import { type OwnShop, openOwnShop } from './ownServer';

export const PEOPLE = {
  inspector: 'Mirel Astrand',
  lead: 'Jonas Telle',
  parts: 'Ysolde Bram',
  assembler: 'Tovik Harn',
  apprentice: 'Pia Lund-Orrey',
  admin: 'Edda Morwen',
} as const;
export type Somebody = keyof typeof PEOPLE;
export const PASSWORD = 'scribed-in-blue';

/** What the browser notes of what a test provokes: a request that fails, and that this test goes without the bench's worker. */
const NOTED = ['Failed to load resource', 'Service Worker registration blocked by Playwright'];

/**
 * Each worker has a server and a shop of its own. Every page is watched: no word in the console, and no request that leaves
 * the machine.
 */
export const test = base.extend<{ watched: string[] }, { shop: OwnShop; tablet: BrowserContext }>({
  shop: [
    async ({ browserName: _ }, use, { parallelIndex }) => {
      const shop = await openOwnShop(`worker-${parallelIndex}`);
      keys.clear();
      home = shop.url;
      await use(shop);
      await shop.close();
    },
    { scope: 'worker', timeout: 90_000 },
  ],
  baseURL: async ({ shop }, use) => use(shop.url),
  tablet: [
    async ({ browser, shop }, use) => {
      const context = await browser.newContext({ ...TABLET, baseURL: shop.url });
      await use(context);
      await context.close();
    },
    { scope: 'worker' },
  ],
  // Tests that let the bench's worker in have a tablet of their own: what it keeps is what they look at.
  context: async ({ context, tablet, serviceWorkers, shop }, use) => {
    if (serviceWorkers === 'allow') return use(context);
    await use(tablet);
    await wipe(tablet, shop.url);
  },
  watched: [
    async ({ page, baseURL }, use) => {
      const heard: string[] = [];
      await slowedDown(page);
      page.on('console', (message) => {
        if (
          ['error', 'warning'].includes(message.type()) &&
          !NOTED.some((each) => message.text().startsWith(each))
        )
          heard.push(message.text());
      });
      page.on('pageerror', (error) => heard.push(String(error)));
      page.on('request', (request) => {
        const url = request.url();
        if (/^https?:/.test(url) && !url.startsWith(baseURL ?? '')) heard.push(`left the machine: ${url}`);
      });
      await use(heard);
      expect(heard).toEqual([]);
    },
    { auto: true },
  ],
});
export { expect };

/**
 * `STEREOTOME_SLOW=6` makes the tablet's processor so many times slower: what only holds on a quick machine shows here. The
 * suite must pass so too.
 */
async function slowedDown(page: Page): Promise<void> {
  const rate = Number(process.env.STEREOTOME_SLOW ?? 1);
  if (rate <= 1) return;
  const session = await page.context().newCDPSession(page);
  await session.send('Emulation.setCPUThrottlingRate', { rate });
}

/** The session of each person who has signed in on this worker's shop. */
const keys = new Map<Somebody, Awaited<ReturnType<BrowserContext['cookies']>>>();

/**
 * Signs in without the door's form, for tests that are about something else, and opens a page if one is named. A session is made once a worker and
 * shared by its tests; a test that ends sessions asks for one of its own (`anew`).
 */
export async function enter(
  page: Page,
  who: Somebody,
  url?: string,
  { anew = false }: { readonly anew?: boolean } = {},
): Promise<void> {
  await test.step('sign in', () => signIn(page, who, anew));
  if (url === undefined) return;
  await test.step('load', async () => {
    await page.goto(url);
    await alive(page);
  });
}

async function signIn(page: Page, who: Somebody, anew: boolean): Promise<void> {
  const kept = keys.get(who);
  if (kept && !anew) return page.context().addCookies(kept);
  const answer = await page.request.post('/api/v1/session', {
    data: { name: PEOPLE[who], password: PASSWORD },
    headers: { origin: homeOf(page) },
  });
  expect(answer.ok()).toBe(true);
  if (!anew) keys.set(who, await page.context().cookies());
}

/** One tablet a worker: what the build costs to load and to compile is paid once. */
const TABLET = {
  viewport: { width: 1280, height: 800 },
  reducedMotion: 'reduce',
  serviceWorkers: 'block',
} as const;

/** As from its box: nobody signed in, nothing kept, no page open, on the network. */
async function wipe(tablet: BrowserContext, origin: string): Promise<void> {
  await Promise.all(tablet.pages().map((page) => page.close()));
  await tablet.setOffline(false);
  await tablet.unrouteAll({ behavior: 'ignoreErrors' });
  await tablet.clearCookies();
  const page = await tablet.newPage();
  const session = await tablet.newCDPSession(page);
  const storageTypes = 'local_storage,indexeddb,cache_storage,service_workers';
  await session.send('Storage.clearDataForOrigin', { origin, storageTypes });
  await page.close();
}

let home = '';
/** Where this page's shop is: what the application itself sends as the origin of its requests. */
const homeOf = (page: Page): string => (page.url().startsWith('http') ? new URL(page.url()).origin : home);

/** Waits until the page has come to life, the bench with it: what is typed before that is the browser’s, not yet the page’s. */
export const alive = (page: Page) =>
  test.step('load', () =>
    page.locator('html[data-alive]:not(:has([data-loading]))').waitFor({ state: 'attached' }));

/** Loads the page anew and waits until it has come to life. */
export async function reload(page: Page): Promise<void> {
  await page.reload();
  await alive(page);
}

export interface StoredJob {
  readonly records: readonly { readonly content: { readonly what: string } }[];
  readonly job: { readonly id: string; readonly machine: string };
  readonly readings: readonly {
    readonly id: string;
    readonly positionId: string;
    readonly checkId: string;
    readonly place: string;
    readonly raw: string;
    readonly unit: string;
    readonly value: number;
    readonly authorId: string;
  }[];
  readonly findings: readonly { readonly id: string; readonly positionId: string; readonly mode: string }[];
  readonly photographs: readonly {
    readonly id: string;
    readonly positionId: string | null;
    readonly fileName: string;
    readonly bytes: number;
    readonly width: number;
    readonly height: number;
  }[];
  readonly recordings: readonly {
    readonly id: string;
    readonly fileName: string;
    readonly rate: number;
    readonly seconds: number;
  }[];
}

/** What the shop's computer holds about a job, asked of it directly. */
export async function storedJob(page: Page, jobId: string): Promise<StoredJob> {
  const answer = await page.request.get(`/api/v1/jobs/${jobId}`);
  expect(answer.ok()).toBe(true);
  return (await answer.json()) as StoredJob;
}

/** The id of the job that is open. */
export const jobIdOf = async (page: Page): Promise<string> =>
  (await page.locator('[data-job]').getAttribute('data-job')) ?? '';

/** What the counter's form calls the types that the tests book in, and what each test asks of the counter. */
const UNIT_TYPES = {
  'Hypoid axle head 11/41': { unitTypeId: 'torvane-hx41', unitFamily: 'hypoid-axle' },
  'Five-speed box': { unitTypeId: 'skell-five', unitFamily: 'countershaft' },
  'Not described yet': { unitFamily: 'other' },
} as const;
export type BookedType = keyof typeof UNIT_TYPES;
const COMPLAINT = 'Howls on the way up, clunks on the way down.';

/** Books a unit in as the counter's form does and opens it where parts are graded; answers its peg. */
export async function bookIn(
  page: Page,
  machine: string,
  type: BookedType | { readonly unitTypeId: string; readonly unitFamily: string } = 'Hypoid axle head 11/41',
): Promise<number> {
  const asked = (peg: number) =>
    page.request.post('/api/v1/jobs', {
      headers: { origin: homeOf(page) },
      data: {
        ...{ peg, customer: 'Odda Lyng, farmer', customerContact: '', machine, serial: '', tag: '' },
        ...(typeof type === 'string'
          ? { unitTitle: type === 'Not described yet' ? 'Box of the test' : type, ...UNIT_TYPES[type] }
          : { unitTitle: 'Box of the test', ...type }),
        ...{ complaint: COMPLAINT, symptoms: [], oilClaimed: '', history: '', dueOn: '2030-01-15' },
      },
    });
  const taken = await (await asked(TAKEN_PEG)).json();
  const peg = Number(/next free one is (\d+)/.exec(taken.message)?.[1]);
  expect((await asked(peg)).status()).toBe(200);
  await page.goto(`/jobs/${peg}?station=grade`);
  await alive(page);
  return peg;
}
/** A unit of the demonstration hangs here: asked for it, the counter says which peg is free. */
const TAKEN_PEG = 412;

/** Books a hypoid axle in over the counter's form, as a person does, and goes on to where parts are graded. */
export async function bookInAtTheCounter(page: Page, machine: string): Promise<number> {
  await page.goto('/book-in');
  await alive(page);
  await page.getByLabel('Type of unit').selectOption({ label: 'Hypoid axle head 11/41' });
  await page.getByLabel('Customer', { exact: true }).fill('Odda Lyng, farmer');
  await page.getByLabel('Machine').fill(machine);
  // As the application prints distances.
  await page.getByLabel('Distance, km').fill('62\u2009000 km');
  await page.getByLabel(/^Complaint/).fill(COMPLAINT);
  const peg = Number(await page.getByLabel(/^Peg number/).inputValue());
  await page.getByRole('button', { name: /^Hang it on the rack/ }).click();
  await page.waitForURL(new RegExp(`/jobs/${peg}`));
  await alive(page);
  await toStation(page, 'Grade');
  return peg;
}

export const toStation = (page: Page, name: string) =>
  page
    .getByRole('navigation', { name: 'Stations' })
    .getByRole('button', { name: new RegExp(`^${name}`) })
    .click();

export const openTicket = async (page: Page, name: string) => {
  // A described unit shows its section first; one that nobody has described has the sheet only.
  const list = page.getByTestId('part-list');
  await expect(list.or(page.getByTestId('section')).or(page.getByTestId('sheet')).first()).toBeVisible();
  if ((await list.count()) === 0) await page.getByRole('button', { name: 'List', exact: true }).click();
  await page
    .getByTestId('part-list')
    .getByRole('button', { name: new RegExp(`^${name.replace(/[()]/g, '.')}`) })
    .first()
    .click();
  await expect(page.getByRole('complementary', { name: `Ticket of ${name}` })).toBeVisible();
};

/** Waits until everything that comes later has come: from then on the network may go. */
export const wholeBench = (page: Page) => expect(page.locator('[data-job][data-whole]')).toBeVisible();

/** Waits until nothing is left on this device, as the page says it. */
export const everythingStored = (page: Page) =>
  expect(page.getByTestId('waiting-uploads')).toHaveText('Everything is stored', { timeout: 120_000 });

/** Waits until the shop's computer holds so many captures of this job, and answers what it holds. */
export async function stored(page: Page, jobId: string, count: number): Promise<StoredJob> {
  const total = async () => {
    const { readings, findings, photographs } = await storedJob(page, jobId);
    return readings.length + findings.length + photographs.length;
  };
  await expect.poll(total).toBe(count);
  await everythingStored(page);
  return storedJob(page, jobId);
}

/** The file chooser on the open ticket. */
export const chooser = (page: Page) => page.getByRole('tabpanel').getByTestId('photograph-files');

/** A unit on the rack, whichever page it hangs on: the tests before this one have hung up theirs. */
export async function onTheRack(page: Page, peg: number) {
  await page.goto('/');
  await alive(page);
  const link = page.getByRole('link', { name: new RegExp(`Peg ${peg},`) });
  const next = page.getByRole('button', { name: 'Show the next that are due' });
  await expect(async () => {
    if ((await link.count()) === 0) await next.click({ timeout: 2_000 });
    expect(await link.count()).toBeGreaterThan(0);
  }).toPass();
  return link.first();
}

export async function passesTheRules(page: Page): Promise<void> {
  const { violations } = await test.step('axe', () =>
    new AxeBuilder({ page })
      .setLegacyMode()
      .withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'])
      .analyze());
  expect(violations.map(({ id, nodes }) => `${id}: ${nodes[0]?.html}`)).toEqual([]);
}
