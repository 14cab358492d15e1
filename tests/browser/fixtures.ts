import { test as base, expect, type Page } from '@playwright/test';

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

/** Every page is watched: no word in the console, and no request that leaves the machine. */
export const test = base.extend<{ watched: string[] }>({
  watched: [
    async ({ page, baseURL }, use) => {
      const heard: string[] = [];
      page.on('console', (message) => {
        // The browser itself notes each refused or failed request; those are what the tests provoke.
        if (
          ['error', 'warning'].includes(message.type()) &&
          !message.text().startsWith('Failed to load resource')
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

/** Signs in without the door's form, for tests that are about something else. */
export async function enter(page: Page, who: Somebody, url = '/'): Promise<void> {
  const { origin } = new URL(test.info().project.use.baseURL ?? '');
  const answer = await page.request.post('/api/v1/session', {
    data: { name: PEOPLE[who], password: PASSWORD },
    headers: { origin },
  });
  expect(answer.ok()).toBe(true);
  await page.goto(url);
  await alive(page);
}

/** Waits until the page has come to life: what is typed before that is the browser’s, not yet the page’s. */
export const alive = (page: Page) => page.locator('html[data-alive]').waitFor({ state: 'attached' });

/** Loads the page anew and waits until it has come to life. */
export async function reload(page: Page): Promise<void> {
  await page.reload();
  await alive(page);
}

export interface StoredJob {
  readonly job: { readonly id: string; readonly machine: string };
  readonly readings: readonly {
    readonly id: string;
    readonly positionId: string;
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

/** Books a hypoid axle in over the counter's form and opens it. */
export async function bookIn(page: Page, machine: string, type = 'Hypoid axle head 11/41'): Promise<number> {
  await page.goto('/book-in');
  await alive(page);
  await page.getByLabel('Type of unit').selectOption({ label: type });
  if (type === 'Not described yet') await page.getByLabel('Name of the unit').fill('Box of the test');
  await page.getByLabel('Customer', { exact: true }).fill('Odda Lyng, farmer');
  await page.getByLabel('Machine').fill(machine);
  await page.getByLabel(/^Complaint/).fill('Howls on the way up, clunks on the way down.');
  const peg = Number(await page.getByLabel(/^Peg number/).inputValue());
  await page.getByRole('button', { name: /^Hang it on the rack/ }).click();
  await page.waitForURL(new RegExp(`/jobs/${peg}`));
  await alive(page);
  // Booked in, the way leads on to Drain; most tests begin where parts are graded.
  await toStation(page, 'Grade');
  await expect(page.getByRole('region', { name: 'Tray of unfiled photographs' })).toBeVisible();
  return peg;
}

export const toStation = (page: Page, name: string) =>
  page
    .getByRole('navigation', { name: 'Stations' })
    .getByRole('button', { name: new RegExp(`^${name}`) })
    .click();

export const openTicket = async (page: Page, name: string) => {
  const list = page.getByRole('button', { name: 'List', exact: true });
  if (await list.isVisible()) await list.click();
  await page
    .getByTestId('part-list')
    .getByRole('button', { name: new RegExp(`^${name.replace(/[()]/g, '.')}`) })
    .first()
    .click();
  await expect(page.getByRole('complementary', { name: `Ticket of ${name}` })).toBeVisible();
};

/** Waits until nothing is left on this device, as the page says it. */
export const everythingStored = (page: Page) =>
  expect(page.getByTestId('waiting-uploads')).toHaveText('Everything is stored', { timeout: 30_000 });

/** Waits until the shop's computer holds so many captures of this job, and answers what it holds. */
export async function stored(page: Page, jobId: string, count: number): Promise<StoredJob> {
  const total = async () => {
    const { readings, findings, photographs } = await storedJob(page, jobId);
    return readings.length + findings.length + photographs.length;
  };
  await expect.poll(total, { timeout: 30_000 }).toBe(count);
  await everythingStored(page);
  return storedJob(page, jobId);
}

/** The file chooser on the open ticket. */
export const chooser = (page: Page) => page.getByRole('tabpanel').getByTestId('photograph-files');
