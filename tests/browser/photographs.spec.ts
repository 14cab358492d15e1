import fs from 'node:fs';
import path from 'node:path';
import { chromium, type Page } from '@playwright/test';
import sharp from 'sharp';
import { homographyOf, project } from '@/core/imaging/homography';
import type { Quad } from '@/core/imaging/raster';
import { BROWSER } from './chromium.mjs';
import {
  alive,
  bookIn,
  chooser,
  enter,
  everythingStored,
  expect,
  jobIdOf,
  openTicket,
  passesTheRules,
  storedJob,
  test,
  toStation,
} from './fixtures';
import { drawOn, openPhotograph, toTool } from './pictureDesk';
import { demoPhotograph } from './pictures';

const transformOf = (page: Page, index = 0) =>
  page
    .getByTestId('pane')
    .nth(index)
    .evaluate((pane) => (pane.firstElementChild as HTMLElement).style.transform);

test('the live camera, framed like the last picture of the place, gives photographs; the same one is not taken twice', async ({
  baseURL,
}) => {
  const browser = await chromium.launch({
    ...BROWSER,
    args: [...BROWSER.args, '--use-fake-device-for-media-stream', '--use-fake-ui-for-media-stream'],
  });
  try {
    const page = await browser.newPage({
      ...(baseURL ? { baseURL } : {}),
      viewport: { width: 1280, height: 800 },
    });
    await enter(page, 'inspector');
    await bookIn(page, 'mower of the camera');
    const job = await jobIdOf(page);
    await openTicket(page, 'Ring gear');
    await page.getByRole('tab', { name: 'Picture' }).click();
    const face = page.getByRole('tabpanel');
    await face.getByRole('button', { name: 'Live camera' }).click();
    const camera = face.getByTestId('live-camera');
    await expect
      .poll(() => camera.locator('video').evaluate((video: HTMLVideoElement) => video.videoWidth))
      .toBeGreaterThan(100);
    await expect(camera.getByRole('button', { name: 'Frame like the last' })).toHaveCount(0);
    await camera.getByRole('button', { name: 'Take it' }).click();
    await expect(camera).toContainText('One taken');
    await everythingStored(page);
    // The second one is framed like the first, which lies faintly over what the camera sees.
    await expect(camera.getByAltText('This place as it was taken last, for the same framing')).toBeVisible();
    await camera.getByRole('button', { name: 'Take it' }).click();
    await expect(camera).toContainText('2 taken');
    await everythingStored(page);
    const { photographs } = await storedJob(page, job);
    expect(photographs).toHaveLength(2);
    expect(photographs.every(({ positionId, width }) => positionId === 'ring-gear' && width > 100)).toBe(
      true,
    );
    await camera.getByRole('button', { name: 'Camera away' }).click();

    // Chosen again at once, while the first is still being kept.
    await chooser(page).setInputFiles([demoPhotograph('ring-gear-pitted.jpg')]);
    await chooser(page).setInputFiles([
      demoPhotograph('ring-gear-pitted.jpg'),
      demoPhotograph('pinion-tips.jpg'),
    ]);
    await expect(
      page.getByText('ring-gear-pitted.jpg: it is here already under Ring gear, and was not taken again.'),
    ).toBeVisible();
    await expect.poll(async () => (await storedJob(page, job)).photographs.length).toBe(4);
  } finally {
    await browser.close();
  }
});

test('a phone’s HEIC is shown and measured as its JPEG; a picture is pasted; one tap on the section files what lay in the tray', async ({
  page,
}) => {
  await enter(page, 'inspector');
  await bookIn(page, 'tedder of the phone');
  const job = await jobIdOf(page);
  await page.getByRole('button', { name: /^Photographs 0/ }).click();
  const desk = page.getByTestId('photograph-desk');
  await desk.getByTestId('photograph-files').setInputFiles([
    {
      name: 'IMG_7.heic',
      mimeType: 'image/heic',
      buffer: fs.readFileSync(path.resolve(import.meta.dirname, '../fixtures/phone.heic')),
    },
  ]);
  await everythingStored(page);
  const cell = desk.locator('[data-cell]').first();
  await expect(cell).toContainText('IMG_7.heic');
  await expect
    .poll(() => cell.locator('img').evaluate((image: HTMLImageElement) => image.naturalWidth))
    .toBe(160);

  // Pasted as from a screenshot: the clipboard of a headless browser is not to be had, the event is.
  await page.evaluate(async () => {
    const canvas = document.createElement('canvas');
    canvas.width = canvas.height = 90;
    const blob = await new Promise<Blob>((done) => canvas.toBlob((made) => done(made!), 'image/png'));
    const clipboardData = new DataTransfer();
    clipboardData.items.add(new File([blob], 'pasted.png', { type: 'image/png' }));
    window.dispatchEvent(new ClipboardEvent('paste', { clipboardData }));
  });
  await expect(desk.locator('[data-cell]')).toHaveCount(2);
  await everythingStored(page);

  for (const box of await desk.getByRole('checkbox').all()) await box.check();
  const filing = desk.getByTestId('file-by-tap');
  await expect(filing).toContainText('Tap the part that these 2 show');
  // A tap into the upper wall of the left tube, where nothing else lies.
  const left = filing.locator('[data-position="tube-left"]');
  await left.evaluate((piece) => piece.scrollIntoView({ block: 'center' }));
  const tube = (await left.boundingBox())!;
  await page.mouse.click(tube.x + tube.width * 0.25, tube.y + 6);
  await expect(desk.getByRole('region', { name: 'Axle tube, left' }).locator('[data-cell]')).toHaveCount(2);
  expect((await storedJob(page, job)).photographs.map(({ positionId }) => positionId)).toEqual([
    'tube-left',
    'tube-left',
  ]);
  await desk.getByRole('button', { name: 'by station' }).click();
  await expect(desk.getByRole('region', { name: 'Grade' }).locator('[data-cell]')).toHaveCount(2);
});

test('photographs that come late push nothing away from under a finger', async ({ page }) => {
  await enter(page, 'lead');
  let release = () => {};
  const late = new Promise<void>((resolve) => {
    release = resolve;
  });
  await page.route(/photographs\/[^/]+\?size=320/, async (route) => {
    await late;
    await route.continue();
  });
  await page.goto('/jobs/412?photographs=all', { waitUntil: 'domcontentloaded' });
  const cells = page.locator('[data-cell]');
  await expect(cells.first()).toBeVisible();
  const places = async () =>
    cells.evaluateAll((all) => all.map((cell) => Math.round(cell.getBoundingClientRect().top + scrollY)));
  const before = await places();
  release();
  await expect
    .poll(() =>
      page
        .locator('[data-cell] img')
        .evaluateAll(
          (all) => all.length > 0 && all.every((img) => (img as HTMLImageElement).naturalWidth > 0),
        ),
    )
    .toBe(true);
  expect(before.length).toBeGreaterThan(4);
  expect(await places()).toEqual(before);
});

test('marks are drawn, moved, numbered to a finding, taken back, kept, and stand in the report', async ({
  page,
}) => {
  await enter(page, 'lead');
  await openPhotograph(page, 412, 'pinion-tips.jpg');
  await toTool(page, 'Mark');
  const tool = page.getByTestId('mark-tool');
  const marks = page.getByTestId('marks').first();
  const draw = async (shape: string, places: readonly (readonly [number, number])[]) => {
    const key = tool.getByRole('button', { name: shape, exact: true });
    if ((await key.getAttribute('aria-pressed')) !== 'true') await key.click();
    await drawOn(page, places);
  };
  await draw('Arrow', [
    [0.3, 0.3],
    [0.5, 0.5],
  ]);
  await expect(marks.locator('[data-shape="arrow"]')).toHaveCount(1);
  await draw('Ring', [
    [0.4, 0.4],
    [0.6, 0.6],
  ]);
  await draw('Pin', [[0.55, 0.55]]);
  await expect(marks.locator('[data-shape]')).toHaveCount(3);
  await tool.getByLabel('The finding that it shows').selectOption({ index: 1 });
  await expect(tool.getByRole('list', { name: 'Marks on this photograph' })).toContainText(/Pin 1: \w/);
  await draw('Words', [[0.2, 0.2]]);
  await tool.getByLabel('Words on the picture').fill('tip gone');
  await tool.getByLabel('Words on the picture').blur();
  await expect(marks.locator('[data-shape="text"]')).toContainText('tip gone');
  // Two steps back: the words were “Words” again, then they weren't there.
  await tool.getByRole('button', { name: 'Take back the last step' }).click();
  await expect(marks.locator('[data-shape="text"]')).toContainText('Words');
  await tool.getByRole('button', { name: 'Take back the last step' }).click();
  await expect(marks.locator('[data-shape="text"]')).toHaveCount(0);

  // An end is moved by keyboard; rubbed out, the ring is gone.
  await tool.getByRole('button', { name: 'Arrow', exact: true }).last().click();
  const before = await marks.locator('[data-shape="arrow"] path').first().getAttribute('d');
  await page.getByRole('button', { name: /^Arrow, point 2/ }).focus();
  await page.keyboard.press('Shift+ArrowRight');
  await expect
    .poll(() => marks.locator('[data-shape="arrow"] path').first().getAttribute('d'))
    .not.toBe(before);
  await tool.getByRole('button', { name: 'Ring', exact: true }).last().click();
  await tool.getByRole('button', { name: 'Rub it out' }).click();
  await expect(marks.locator('[data-shape="ring"]')).toHaveCount(0);
  await passesTheRules(page);
  await everythingStored(page);
  await page.reload();
  await alive(page);
  await expect(page.getByTestId('marks').first().locator('[data-shape]')).toHaveCount(2);

  await page.getByRole('button', { name: 'Back to the station' }).click();
  await toStation(page, 'Hand over');
  const figure = page
    .locator('figure')
    .filter({ hasText: 'Pinion teeth' })
    .filter({ has: page.locator('[data-shape="arrow"]') });
  await expect(figure).toHaveCount(1);
  await expect(figure.locator('[data-shape="pin"]')).toHaveCount(1);
});

test('the scale card is found, and a washer of 40 mm beside it is 40 mm; a known length serves as well', async ({
  page,
}) => {
  await enter(page, 'inspector');
  await openPhotograph(page, 412, 'washers-card.jpg');
  await toTool(page, 'Lengths');
  const tool = page.getByTestId('scale-tool');
  await tool.getByRole('button', { name: 'Find the scale card' }).click();
  await tool.getByRole('button', { name: 'Keep the scale' }).click();
  await expect(tool).toContainText('Scale: a flat thing of 80 × 50 mm');
  await tool.getByRole('button', { name: 'length', exact: true }).click();
  // The ends of the large washer across its middle, where the renderer's camera sees them: (98, 22) and (138, 22) mm.
  const pane = page.getByTestId('pane');
  const at = await pane.evaluate((box) => {
    const [, x, y, scale] = /translate\((.+)px, (.+)px\) scale\((.+)\)/.exec(
      (box.firstElementChild as HTMLElement).style.transform,
    )!;
    const { left, top } = box.getBoundingClientRect();
    return { left: left + Number(x), top: top + Number(y), scale: Number(scale) };
  });
  for (const [x, y] of WASHER_ENDS) await page.mouse.click(at.left + x * at.scale, at.top + y * at.scale);
  const told = await tool.getByTestId('sized').innerText();
  const [, length, uncertainty] = /Length (\d+\.\d+) ± (\d+\.\d+) mm/.exec(told) ?? [];
  // A click lands on a whole pixel of the screen: within what the program says of itself.
  expect(Math.abs(Number(length) - 40)).toBeLessThan(Math.max(0.4, Number(uncertainty)));
  await tool.getByRole('button', { name: 'Keep the length' }).click();
  await expect(tool.locator('[data-capture]')).toContainText('Length');
  await everythingStored(page);
  await page.reload();
  await alive(page);
  await expect(tool.locator('[data-capture]')).toContainText('Length');

  await openPhotograph(page, 412, 'cross-pin-flat.jpg');
  await toTool(page, 'Lengths');
  await tool.getByRole('button', { name: 'Two points and a length' }).click();
  await tool.getByRole('button', { name: 'Keep the scale' }).click();
  await expect(tool.getByRole('alert')).toContainText('Give the length in mm');
  await tool.getByLabel('Length between the two, mm').fill('14,95');
  // Half a scale outlives a reload.
  await page.reload();
  await alive(page);
  await expect(tool.getByLabel('Length between the two, mm')).toHaveValue('14,95');
  await tool.getByRole('button', { name: 'Keep the scale' }).click();
  await expect(tool).toContainText('Scale: a length of 14.95 mm');
  const answer = await page.request.get('/api/v1/scale-card');
  expect(answer.headers()['content-type']).toBe('application/pdf');
});

/** By the renderer's own camera, pixels of its picture of 2000 × 1500. */
const WASHER_ENDS = washerEnds();

// Full run only: drawing in step only; nothing is kept by it.
test('on the light table several go in step, one alone where it is set right; other units’ pictures lie beside @full', async ({
  page,
}) => {
  await enter(page, 'lead', '/jobs/412?photographs=all');
  const desk = page.getByTestId('photograph-desk');
  for (const file of ['ring-gear-pitted.jpg', 'ring-gear-sound-tooth.jpg'])
    await desk.locator('label', { hasText: file }).click();
  await desk.getByRole('button', { name: /^Onto the light table/ }).click();
  const table = page.getByTestId('light-table');
  await expect(table.getByTestId('pane')).toHaveCount(2);
  const start = await transformOf(page);
  const box = (await table.getByTestId('pane').first().boundingBox())!;
  await page.mouse.move(box.x + 200, box.y + 150);
  await page.mouse.wheel(0, -400);
  await expect.poll(() => transformOf(page)).not.toBe(start);
  // The same size, so the same place and nearness are the same transform.
  await expect.poll(async () => (await transformOf(page, 1)) === (await transformOf(page))).toBe(true);
  await table.getByRole('button', { name: 'Alone' }).last().click();
  await page.mouse.move(box.x + box.width + 200, box.y + 150);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width + 260, box.y + 190, { steps: 3 });
  await page.mouse.up();
  const [left, right] = [await transformOf(page), await transformOf(page, 1)];
  expect(right).not.toBe(left);
  await table.getByRole('button', { name: 'All in step again' }).click();
  await expect.poll(async () => (await transformOf(page, 1)) === (await transformOf(page))).toBe(true);
  await passesTheRules(page);
  // A reload keeps what lies on the table.
  await page.reload();
  await alive(page);
  await expect(table.getByTestId('pane')).toHaveCount(2);
  await page.getByRole('button', { name: 'The same part in other units' }).click();
  await page
    .getByRole('button', { name: /of peg 398 beside it/ })
    .first()
    .click();
  await expect(table.getByTestId('pane')).toHaveCount(3);
  await expect(table).toContainText('Peg 398');
  await page.reload();
  await alive(page);
  await expect(table.getByTestId('pane')).toHaveCount(3);
  await table.getByRole('button', { name: 'Take away' }).last().click();
  await expect(table.getByTestId('pane')).toHaveCount(2);
});

test('twenty-four megapixels are sharp where one looks, and follow the hand @full', async ({ page }) => {
  await enter(page, 'inspector');
  await bookIn(page, 'combine of the large picture');
  await openTicket(page, 'Ring gear');
  await page.getByRole('tab', { name: 'Picture' }).click();
  await chooser(page).setInputFiles([
    { name: 'large.jpg', mimeType: 'image/jpeg', buffer: await largePicture() },
  ]);
  await everythingStored(page);
  await page.getByRole('button', { name: 'Show large.jpg large' }).click();
  const pane = page.getByTestId('pane');
  await expect.poll(() => transformOf(page)).toMatch(/scale\(0?\.?[1-9]|scale\(0\.0*[1-9]/);
  await pane.focus();
  for (let step = 0; step < 7; step += 1) await page.keyboard.press('+');
  // Pieces of full size have come, and are there.
  await expect.poll(() => pane.locator('img[data-tile^="0/"]').count()).toBeGreaterThan(1);
  await expect
    .poll(() =>
      pane
        .locator('img[data-tile^="0/"]')
        .evaluateAll((tiles) => tiles.every((tile) => (tile as HTMLImageElement).naturalWidth > 0)),
    )
    .toBe(true);
  // It follows the hand, as far as the hand goes. How fluidly, `npm run bench` tells.
  const box = (await pane.boundingBox())!;
  const before = await placeOf(page);
  await page.mouse.move(box.x + 400, box.y + 300);
  await page.mouse.down();
  await page.mouse.move(box.x + 340, box.y + 270, { steps: 5 });
  await page.mouse.up();
  const after = await placeOf(page);
  expect([after.x - before.x, after.y - before.y]).toEqual([-60, -30]);
});

/** Where the picture's corner lies in its pane, pixels. */
async function placeOf(page: Page): Promise<{ readonly x: number; readonly y: number }> {
  const [, x, y] = /translate\((.+)px, (.+)px\)/.exec(await transformOf(page)) ?? [];
  return { x: Math.round(Number(x)), y: Math.round(Number(y)) };
}

/** 24 megapixels that a JPEG packs well enough to be sent quickly. */
const largePicture = () =>
  sharp(path.resolve(import.meta.dirname, '../../demo/photographs/ring-gear-pitted.jpg'))
    .resize(6000, 4000, { fit: 'fill' })
    .jpeg({ quality: 85 })
    .toBuffer();

function washerEnds(): readonly (readonly [number, number])[] {
  const corners = [
    [0.13, 0.24],
    [0.52, 0.17],
    [0.56, 0.47],
    [0.15, 0.56],
  ].map(([x, y]) => [x! * 2000, y! * 1500] as const) as unknown as Quad;
  const camera = homographyOf(
    [
      [0, 0],
      [80, 0],
      [80, 50],
      [0, 50],
    ],
    corners,
  );
  return [project(camera, 98, 22), project(camera, 138, 22)];
}

test('sixty photographs of twelve megapixels chosen at once stay under a tablet’s ceiling, and all arrive @full', async ({
  page,
}) => {
  await enter(page, 'inspector');
  await bookIn(page, 'baler of the sixty');
  const job = await jobIdOf(page);
  await page.getByRole('button', { name: /^Photographs 0/ }).click();
  const jpeg = await sharp(demoPhotograph('ring-gear-pitted.jpg').buffer)
    .resize(4000, 3000, { fit: 'fill' })
    .jpeg({ quality: 80 })
    .toBuffer();
  await page.getByTestId('photograph-files').evaluate(async (input: HTMLInputElement, base64) => {
    const bytes = Uint8Array.from(atob(base64), (letter) => letter.charCodeAt(0));
    const list = new DataTransfer();
    // What follows the end of a JPEG makes another file of the same picture.
    for (let index = 0; index < 60; index += 1)
      list.items.add(new File([bytes, `no. ${index}`], `many-${index}.jpg`, { type: 'image/jpeg' }));
    input.files = list.files;
    input.dispatchEvent(new Event('change', { bubbles: true }));
  }, jpeg.toString('base64'));
  await expect(page.getByText(/Keeping \d+ of 60/)).toBeVisible();
  await expect
    .poll(async () => (await storedJob(page, job)).photographs.length, { timeout: 300_000 })
    .toBe(60);
  await everythingStored(page);
  const peak = await peakOfRenderers(page);
  test.info().annotations.push({ type: 'peak', description: `${Math.round(peak)} MB` });
  expect(peak).toBeLessThan(900);
});

/** The most memory that any page's process of this browser has held, MB. */
async function peakOfRenderers(page: Page): Promise<number> {
  const session = await page.context().browser()!.newBrowserCDPSession();
  const { processInfo } = await session.send('SystemInfo.getProcessInfo');
  const peaks = processInfo
    .filter(({ type }) => type === 'renderer')
    .map(({ id }) => /VmHWM:\s+(\d+) kB/.exec(fs.readFileSync(`/proc/${id}/status`, 'utf8'))?.[1]);
  return Math.max(...peaks.map((kilobytes) => Number(kilobytes ?? 0))) / 1024;
}
