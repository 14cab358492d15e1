// npm run screenshots: one picture of each main view into docs/screenshots/, from freshly made demo data.
import fs from 'node:fs';
import path from 'node:path';
import { chromium } from '@playwright/test';
import { BROWSER } from '../tests/browser/chromium.mjs';
import {
  endChildren,
  ensureBuild,
  ensureChromium,
  ensureDatabaseDriver,
  ROOT,
  start,
  waitForServer,
} from './steps.mjs';

const PORT = '4392';
const HOME = `http://127.0.0.1:${PORT}`;
const FOLDER = path.join(ROOT, 'docs/screenshots');
const VIEWS = [
  { name: 'decide', url: '/jobs/412?station=decide', steps: [/^Accept all/], wait: 4000 },
  { name: 'rack', url: '/' },
  { name: 'section-axle', url: '/jobs/412?show=section' },
  { name: 'power', url: '/jobs/409?gear=3', height: 1200 },
  { name: 'sheet', url: '/jobs/412' },
  { name: 'ticket-measure', url: '/jobs/412?part=cross-pin&face=measure' },
  { name: 'set-up', url: '/jobs/444?station=rebuild', steps: ['Set-up'], height: 900 },
  { name: 'limit-sheet', url: '/limits/skell-five', press: '[data-check="ring-3-gap"] button' },
  { name: 'book-in', url: '/jobs/409?station=book-in', height: 1700 },
  { name: 'sound', url: '/jobs/412?station=baseline&sound=all', height: 1100, wait: 4000 },
  {
    name: 'type-editor',
    url: '/unit-types/ostrevik-w3',
    press: '[data-position="clutch"]',
    key: 'Enter',
    height: 900,
  },
  { name: 'drain', url: '/jobs/409?station=drain' },
  { name: 'strip', url: '/jobs/426?station=strip', height: 1000 },
  { name: 'photographs', url: '/jobs/412?photographs=all', height: 1000 },
  {
    name: 'picture-measured',
    url: '/jobs/412?photographs=all',
    steps: ['Open pattern-drive.jpg', 'Pattern, pits', 'Measure'],
    wait: 4000,
  },
  {
    name: 'light-table',
    url: '/jobs/412?photographs=all',
    tick: ['ring-gear-pitted.jpg', 'ring-gear-sound-tooth.jpg'],
    steps: [/^Onto the light table/, 'Nearer', 'Nearer'],
    wait: 2000,
    night: true,
  },
  { name: 'ticket-picture', url: '/jobs/412?part=ring-gear&face=picture' },
  { name: 'cause', url: '/jobs/412?station=cause', height: 1100, wait: 6000 },
  { name: 'report', url: '/jobs/398/reports/1', height: 1500 },
];

await ensureChromium();
await ensureDatabaseDriver();
const build = await ensureBuild();
if (build.code !== 0) throw new Error(build.output);
const server = start('node', ['tests/browser/server.mjs', PORT], { stdio: 'ignore' });
try {
  await waitForServer(`${HOME}/sign-in`, server, 120);
  const browser = await chromium.launch(BROWSER);
  fs.mkdirSync(FOLDER, { recursive: true });
  for (const { name, url, night, link, tick = [], steps = [], press, key, wait, height = 800 } of VIEWS) {
    const context = await browser.newContext({ viewport: { width: 1280, height }, reducedMotion: 'reduce' });
    const page = await context.newPage();
    await page.addInitScript((theme) => localStorage.setItem('theme', theme), night ? 'dark' : 'light');
    await context.request.post(`${HOME}/api/v1/session`, {
      data: { name: 'Jonas Telle', password: 'scribed-in-blue' },
      headers: { origin: HOME },
    });
    await page.goto(HOME + url, { waitUntil: 'networkidle' });
    // Fields are filled when the page has come to life.
    await page.locator('html[data-alive]:not(:has([data-loading]))').waitFor({ state: 'attached' });
    await page.waitForTimeout(400);
    if (link) await page.getByRole('link', { name: link }).click();
    if (link) await page.waitForURL((at) => at.pathname !== url);
    if (link) await page.waitForLoadState('networkidle');
    for (const label of tick) await page.locator('label', { hasText: label }).click();
    for (const step of steps) {
      await page.getByRole('button', { name: step, exact: typeof step === 'string' }).click();
      await page.waitForTimeout(600);
    }
    if (press && key) await page.locator(press).focus();
    else if (press) await page.locator(press).click();
    if (key) await page.keyboard.press(key);
    if (wait) await page.waitForTimeout(wait);
    await page.evaluate(() => document.activeElement instanceof HTMLElement && document.activeElement.blur());
    await page.screenshot({ path: path.join(FOLDER, `${name}.png`) });
    await context.close();
    console.log(`${name}.png`);
  }
  await browser.close();
} finally {
  endChildren();
}
process.exit(0);
