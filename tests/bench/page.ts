import { type Browser, chromium, type Page } from '@playwright/test';
import sharp from 'sharp';
import { v7 as uuidv7 } from 'uuid';
import { BROWSER } from '../browser/chromium.mjs';
import { type OwnShop, openOwnShop } from '../browser/ownServer';
import seedOnce from '../browser/seedOnce';
import { Caller } from '../faults/caller';

/* What is measured in the real page, on the production build: `npm run build` first. */

export interface OnPage {
  readonly shop: OwnShop;
  readonly browser: Browser;
  readonly caller: Caller;
  readonly page: Page;
  readonly close: () => Promise<void>;
}

export async function openPage(): Promise<OnPage> {
  seedOnce();
  const shop = await openOwnShop('bench');
  const browser = await chromium.launch(BROWSER);
  const context = await browser.newContext({
    baseURL: shop.url,
    viewport: { width: 1280, height: 800 },
    reducedMotion: 'reduce',
    serviceWorkers: 'block',
  });
  const page = await context.newPage();
  await page.request.post('/api/v1/session', {
    data: { name: 'Mirel Astrand', password: 'scribed-in-blue' },
    headers: { origin: shop.url },
  });
  const caller = await Caller.signedIn(shop.url, 'Mirel Astrand');
  return {
    ...{ shop, browser, caller, page },
    close: async () => {
      await browser.close();
      await shop.close();
    },
  };
}

const alive = (page: Page) =>
  page.locator('html[data-alive]:not(:has([data-loading]))').waitFor({ state: 'attached' });

/**
 * Bytes of all bodies sent and received from Enter until nothing more comes for two seconds, on a job with so many readings,
 * and how often the drawing of the section was touched meanwhile.
 */
export async function bytesOfAReading(
  { page, caller }: OnPage,
  readings: number,
): Promise<{ readonly bytes: number; readonly redrawn: number }> {
  const job = await caller.bookIn('bench of the many readings');
  for (let done = 0; done < readings; done += 20) {
    const batch = Array.from({ length: Math.min(20, readings - done) }, () =>
      caller.reading(job, uuidv7(), '0.20'),
    );
    if ((await Promise.all(batch)).some((status) => status !== 200))
      throw new Error('A reading of the bench was not taken.');
  }
  const peg = await caller.pegOf(job);
  await page.goto(`/jobs/${peg}?part=ring-gear&face=measure&check=backlash`);
  await alive(page);
  await page.getByLabel('Gauge', { exact: true }).selectOption({ label: 'Dial G4, reads to 0.01 mm' });
  await page.waitForTimeout(2500);
  await page.evaluate(() => {
    Object.assign(window, { redrawn: 0 });
    new MutationObserver((records) => {
      (window as unknown as { redrawn: number }).redrawn += records.length;
    }).observe(document.querySelector('[data-testid="section"]')!, {
      subtree: true,
      childList: true,
      attributes: true,
    });
  });
  let bytes = 0;
  let last = Date.now();
  const heard: Promise<void>[] = [];
  page.on('requestfinished', (request) => {
    last = Date.now();
    heard.push(
      request.sizes().then(({ requestBodySize, responseBodySize }) => {
        bytes += requestBodySize + responseBodySize;
      }),
    );
  });
  const pad = page.getByLabel('Reading, Backlash');
  await pad.fill('0.21');
  await pad.press('Enter');
  last = Date.now();
  while (Date.now() - last < 2000) await page.waitForTimeout(100);
  await Promise.all(heard);
  page.removeAllListeners('requestfinished');
  return { bytes, redrawn: await page.evaluate(() => (window as unknown as { redrawn: number }).redrawn) };
}

/** The middle time between frames, ms, while a picture of 24 megapixels is dragged; and while a bare block is. */
export async function framesOfALargePicture({
  page,
}: OnPage): Promise<{ readonly ours: number; readonly bare: number }> {
  const picture = await sharp('demo/photographs/ring-gear-pitted.jpg')
    .resize(6000, 4000, { fit: 'fill' })
    .jpeg({ quality: 85 })
    .toBuffer();
  await page.goto('/jobs/412?photographs=all');
  await alive(page);
  await page
    .getByTestId('photograph-files')
    .setInputFiles([{ name: 'large.jpg', mimeType: 'image/jpeg', buffer: picture }]);
  await page.getByRole('button', { name: 'Open large.jpg' }).click();
  const pane = page.getByTestId('pane').first();
  await page.waitForTimeout(2500);
  await pane.focus();
  for (let step = 0; step < 7; step += 1) await page.keyboard.press('+');
  await page.waitForTimeout(1500);
  const box = (await pane.boundingBox())!;
  const ours = await framesWhile(page, () => drag(page, box.x + 400, box.y + 300));
  await page.goto('about:blank');
  await page.setContent(`<div id="b" style="position:absolute;width:600px;height:400px;background:#456"></div><script>
    addEventListener('mousemove', (e) => { b.style.transform = 'translate(' + e.clientX + 'px,' + e.clientY + 'px)'; });</script>`);
  const bare = await framesWhile(page, () => drag(page, 400, 300));
  return { ours, bare };
}

async function drag(page: Page, x: number, y: number): Promise<void> {
  await page.mouse.move(x, y);
  await page.mouse.down();
  for (let step = 0; step < 60; step += 1)
    await page.mouse.move(x + 3 * Math.round(40 * Math.sin(step / 6)), y + step * 2);
  await page.mouse.up();
}

async function framesWhile(page: Page, work: () => Promise<void>): Promise<number> {
  // As text: what compiles this file names functions in a way that the page does not know.
  await page.evaluate(`
    window.frameTimes = [];
    (function tick(time) {
      window.frameTimes.push(time ?? performance.now());
      if (window.frameTimes.length < 5000) requestAnimationFrame(tick);
    })();
  `);
  await work();
  const times = await page.evaluate(() => (window as unknown as { frameTimes: number[] }).frameTimes);
  const gaps = times
    .slice(1)
    .map((time, index) => time - times[index]!)
    .sort((a, b) => a - b);
  return gaps[gaps.length >> 1] ?? Number.NaN;
}

/**
 * A finding assumed by a tap on the cause station: milliseconds from the tap until the causes are painted anew, and of those from the
 * question to the worker until its answer. The quickest of several rounds.
 */
export async function tapToPainted({
  browser,
  shop,
}: OnPage): Promise<{ readonly tap: number; readonly trip: number }> {
  const context = await browser.newContext({
    baseURL: shop.url,
    viewport: { width: 1280, height: 800 },
    serviceWorkers: 'block',
  });
  await context.addInitScript(() => {
    const times = { asked: 0, answered: 0 };
    Object.assign(window, { times });
    window.Worker = class extends Worker {
      constructor(url: string | URL, options?: WorkerOptions) {
        super(url, options);
        this.addEventListener('message', () => {
          times.answered = performance.now();
        });
      }
      override postMessage(message: unknown): void {
        times.asked = performance.now();
        super.postMessage(message);
      }
    };
  });
  const page = await context.newPage();
  await page.request.post('/api/v1/session', {
    data: { name: 'Jonas Telle', password: 'scribed-in-blue' },
    headers: { origin: shop.url },
  });
  await page.goto('/jobs/441?station=cause');
  await page.locator('[data-look]').first().waitFor();
  const rounds = [];
  for (let round = 0; round < 7; round += 1) {
    rounds.push(
      await page.evaluate(async () => {
        const { times } = window as unknown as { times: { asked: number; answered: number } };
        const list = document.querySelector('[aria-label="Causes"]')!;
        const painted = new Promise<number>((resolve) => {
          const seen = new MutationObserver(() => {
            if (times.answered < began) return;
            seen.disconnect();
            requestAnimationFrame(() => requestAnimationFrame(() => resolve(performance.now())));
          });
          seen.observe(list, { subtree: true, childList: true, characterData: true, attributes: true });
        });
        const began = performance.now();
        [...document.querySelectorAll<HTMLElement>('[data-look] button')]
          .find((button) => button.textContent === 'What if seen?')!
          .click();
        const done = await painted;
        return { tap: done - began, trip: times.answered - times.asked };
      }),
    );
    await page.getByRole('button', { name: 'Back to what is' }).click();
    await page.waitForTimeout(1500);
  }
  await context.close();
  return rounds.reduce((best, each) => (each.tap / each.trip < best.tap / best.trip ? each : best));
}
