import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { chromium } from '@playwright/test';
import encodeQr from 'qr';
import { BROWSER } from './chromium.mjs';
import { alive, enter, expect, test } from './fixtures';

/** A film of one still frame with a code in it, as the browser's own stand-in for a camera plays it (YUV4MPEG2). */
function filmOf(text: string): string {
  const [width, height, module] = [640, 480, 8];
  const data = encodeQr(text, 'raw', { ecc: 'medium', border: 4 });
  const size = data.length;
  const light = Buffer.alloc(width * height, 200);
  const [left, top] = [(width - size * module) >> 1, (height - size * module) >> 1];
  data.forEach((row, down) => {
    row.forEach((dark, across) => {
      for (let y = 0; y < module; y += 1)
        light.fill(
          dark ? 20 : 235,
          (top + down * module + y) * width + left + across * module,
          (top + down * module + y) * width + left + (across + 1) * module,
        );
    });
  });
  const frame = Buffer.concat([Buffer.from('FRAME\n'), light, Buffer.alloc((width * height) / 2, 128)]);
  const file = path.join(fs.mkdtempSync(path.join(os.tmpdir(), 'film-')), 'label.y4m');
  fs.writeFileSync(
    file,
    Buffer.concat([
      Buffer.from(`YUV4MPEG2 W${width} H${height} F10:1 Ip A1:1 C420jpeg\n`),
      frame,
      frame,
      frame,
    ]),
  );
  return file;
}

// Full run only: a made camera stream of its own; the label’s words are held in labelsAndHistory.
test('a bag’s label before the camera opens its part; in another job it says whose it is @full', async ({
  baseURL,
}) => {
  const film = filmOf(`${baseURL}/jobs/409?part=gear-3`);
  const browser = await chromium.launch({
    ...BROWSER,
    args: [
      ...BROWSER.args,
      '--use-fake-device-for-media-stream',
      '--use-fake-ui-for-media-stream',
      `--use-file-for-fake-video-capture=${film}`,
    ],
  });
  const page = await (await browser.newContext({ ...(baseURL ? { baseURL } : {}) })).newPage();
  // From whatever station, the photographs' desk among them.
  await enter(page, 'inspector', '/jobs/409?station=grade&photographs=all');
  await alive(page);
  await page.getByRole('button', { name: 'Scan a bag’s label' }).click();
  await expect(page.getByRole('complementary', { name: 'Ticket of 3rd gear' })).toBeVisible();
  await expect(page.getByTestId('scan-label')).toHaveCount(0);

  await page.goto('/jobs/412?station=strip');
  await alive(page);
  await page.getByRole('button', { name: 'Scan a bag’s label' }).click();
  const scan = page.getByTestId('scan-label');
  await expect(scan.getByRole('alert')).toContainText('This label belongs to peg 409, not to 412');
  await expect(scan.getByRole('link', { name: 'Open peg 409' })).toBeVisible();
  await scan.getByLabel('or type it').fill('bag 200');
  await scan.getByRole('button', { name: 'Open its part' }).click();
  await expect(scan.getByRole('alert')).toContainText('Peg 412 has no bag 200');
  await scan.getByLabel('or type it').fill('1');
  await scan.getByRole('button', { name: 'Open its part' }).click();
  await expect(page.getByRole('complementary', { name: /^Ticket of/ })).toBeVisible();
  await browser.close();
});

test('without a camera the label is typed', async ({ page }) => {
  await enter(page, 'inspector', '/jobs/412?station=strip');
  await alive(page);
  await page.getByRole('button', { name: 'Scan a bag’s label' }).click();
  await expect(page.getByTestId('scan-label')).toContainText('The camera can’t be used');
});
