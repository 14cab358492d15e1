import { randomUUID } from 'node:crypto';
import { v7 as uuidv7 } from 'uuid';
import {
  alive,
  bookIn,
  chooser,
  enter,
  everythingStored,
  expect,
  jobIdOf,
  openTicket,
  PEOPLE,
  reload,
  stored,
  storedJob,
  test,
  wholeBench,
} from './fixtures';
import { demoPhotograph } from './pictures';

test('an upload that is cut off, a reload, the network back: every capture is there once', async ({
  page,
  context,
}) => {
  await enter(page, 'inspector');
  await bookIn(page, 'trailer of the dead network');
  const jobId = await jobIdOf(page);
  await openTicket(page, 'Ring gear');

  // The first upload dies on its way; then the network is gone.
  let cut = 0;
  await page.route('**/api/v1/photographs/*', async (route) => {
    cut += 1;
    await route.abort('connectionreset');
  });
  await page.getByRole('tab', { name: 'Picture' }).click();
  await chooser(page).setInputFiles(
    ['ring-gear-pitted.jpg', 'ring-gear-sound-tooth.jpg', 'magnet-412.jpg'].map(demoPhotograph),
  );
  await expect(page.locator('[data-photograph]')).toHaveCount(3);
  await expect.poll(() => cut).toBeGreaterThan(0);
  await wholeBench(page);
  await context.setOffline(true);
  await page.getByRole('tab', { name: 'Measure' }).click();
  await page.getByLabel('Gauge', { exact: true }).selectOption({ label: 'Dial G4, reads to 0.01 mm' });
  const pad = page.getByLabel('Reading, Backlash');
  for (const figures of ['0.21', '0.19', '0.18', '0.22']) {
    await pad.fill(figures);
    await pad.press('Enter');
  }
  await page.getByRole('tab', { name: 'Look' }).click();
  await page.getByRole('button', { name: /^scuffing/ }).click();
  await page.getByRole('button', { name: 'drive flank' }).click();
  await page.getByRole('button', { name: 'light' }).click();
  await expect(page.getByTestId('waiting-uploads')).toHaveText('8 captures waiting');
  expect((await storedJob(page, jobId).catch(() => undefined))?.readings ?? []).toEqual([]);

  await context.setOffline(false);
  await page.unroute('**/api/v1/photographs/*');
  await reload(page);
  const held = await stored(page, jobId, 8);
  expect(held.readings.map(({ raw }) => raw)).toEqual(['0.21', '0.19', '0.18', '0.22']);
  expect(held.findings.map(({ mode }) => mode)).toEqual(['scuffing']);
  expect(held.photographs.map(({ fileName }) => fileName).sort()).toEqual([
    'magnet-412.jpg',
    'ring-gear-pitted.jpg',
    'ring-gear-sound-tooth.jpg',
  ]);
  for (const { id, positionId } of held.photographs) {
    expect(positionId).toBe('ring-gear');
    expect((await page.request.get(`/api/v1/jobs/${jobId}/photographs/${id}?size=320`)).ok()).toBe(true);
  }
});

test('what waits stays with its author when the tablet changes hands', async ({ page }) => {
  await enter(page, 'inspector', undefined, { anew: true });
  await bookIn(page, 'shared trailer');
  const jobId = await jobIdOf(page);
  await openTicket(page, 'Ring gear');
  await page.getByRole('tab', { name: 'Measure' }).click();
  await page.route('**/api/v1/captures/**', (route) => route.abort());
  await page.getByLabel('Reading, Backlash').fill('0.2');
  await page.getByLabel('Reading, Backlash').press('Enter');
  await expect(page.getByTestId('waiting-uploads')).toHaveText('1 reading waiting');

  await page.getByRole('button', { name: /Mirel Astrand/ }).click();
  await page.getByLabel('Hand over to').selectOption({ label: PEOPLE.lead });
  await page.getByLabel('PIN', { exact: true }).fill('0000');
  await page.getByRole('button', { name: 'Change person' }).click();
  await expect(page.getByText('That PIN is not right. Mirel Astrand stays signed in.')).toBeVisible();
  await page.getByLabel('PIN', { exact: true }).fill('2580');
  await page.getByRole('button', { name: 'Change person' }).click();
  await expect(page.getByRole('button', { name: /Jonas Telle/ })).toBeVisible();
  await alive(page);
  await page.unroute('**/api/v1/captures/**');
  await page.getByTestId('waiting-uploads').click();
  await expect(page.getByText('waits for Mirel Astrand')).toBeVisible();
  expect((await storedJob(page, jobId)).readings).toEqual([]);

  await page.getByRole('button', { name: /Jonas Telle/ }).click();
  await page.getByLabel('Hand over to').selectOption({ label: PEOPLE.inspector });
  await page.getByLabel('PIN', { exact: true }).fill('4711');
  await page.getByRole('button', { name: 'Change person' }).click();
  expect((await stored(page, jobId, 1)).readings).toHaveLength(1);
});

const LARGE = 25_000_000;

test('files that are no good are named, the rest of the batch is kept, 25 MB arrive whole', async ({
  page,
}) => {
  await enter(page, 'inspector');
  await bookIn(page, 'trailer of bad files');
  const jobId = await jobIdOf(page);
  await openTicket(page, 'Ring gear');
  await page.getByRole('tab', { name: 'Picture' }).click();
  const sound = demoPhotograph('ring-gear-pitted.jpg').buffer;
  // What follows the end of a JPEG makes a larger file of the same picture; made in the page, as a card reader would hand it over.
  await chooser(page).evaluate(
    (input: HTMLInputElement, { base64, bytes }) => {
      const picture = Uint8Array.from(atob(base64), (letter) => letter.charCodeAt(0));
      const padding = new Uint8Array(bytes - picture.length).map((_, at) => (at * 7919) % 251);
      const list = new DataTransfer();
      const add = (parts: BlobPart[], name: string, type: string) =>
        list.items.add(new File(parts, name, { type }));
      add(['%PDF-1.7 this is no picture'], 'invoice.pdf', 'image/jpeg');
      add(['II*\0\x10\0\0\0CR\x02\0', new Uint8Array(64)], 'camera.raw', 'image/tiff');
      add([picture, padding], 'large.jpg', 'image/jpeg');
      add([picture], 'ring-gear-pitted.jpg', 'image/jpeg');
      input.files = list.files;
      input.dispatchEvent(new Event('change', { bubbles: true }));
    },
    { base64: sound.toString('base64'), bytes: LARGE },
  );
  await expect(
    page.getByText('invoice.pdf: this is no JPEG, PNG, WebP or HEIC picture. It was not taken.'),
  ).toBeVisible();
  await expect(page.getByText('camera.raw: this is a camera’s raw file')).toBeVisible();
  const { photographs } = await stored(page, jobId, 2);
  expect(photographs.map(({ fileName, bytes }) => [fileName, bytes])).toEqual([
    ['large.jpg', LARGE],
    ['ring-gear-pitted.jpg', sound.length],
  ]);

  // More than a browser's file chooser of the test can hold is made in the page itself.
  await chooser(page).evaluate((input: HTMLInputElement) => {
    const list = new DataTransfer();
    list.items.add(
      new File([new Uint8Array([0xff, 0xd8, 0xff]), new Uint8Array(60_000_000)], 'sixty.jpg', {
        type: 'image/jpeg',
      }),
    );
    input.files = list.files;
    input.dispatchEvent(new Event('change', { bubbles: true }));
  });
  await expect(page.getByText('sixty.jpg: 60 MB is more than the 50 MB')).toBeVisible();
});

test('a capture that the server refuses stays visible and can be taken off', async ({ page }) => {
  await enter(page, 'inspector');
  await bookIn(page, 'trailer of the broken picture');
  const jobId = await jobIdOf(page);
  await openTicket(page, 'Ring gear');
  await page.getByRole('tab', { name: 'Picture' }).click();
  const { buffer } = demoPhotograph('ring-gear-pitted.jpg');
  await chooser(page).setInputFiles([
    { name: 'broken.jpg', mimeType: 'image/jpeg', buffer: buffer.subarray(0, buffer.length / 2) },
  ]);
  await expect(page.getByTestId('waiting-uploads')).toHaveText('1 photograph, 1 needs you', {
    timeout: 20_000,
  });
  await page.getByTestId('waiting-uploads').click();
  await expect(page.getByRole('alert').filter({ hasText: 'damaged and cannot be shown' })).toBeVisible();
  const off = page.getByRole('button', { name: 'Take off this device' });
  await page.getByRole('button', { name: 'Give it up' }).click();
  await expect(off).toBeDisabled();
  await page.getByLabel('Why is it given up?').fill('the card is broken');
  await off.click();
  await everythingStored(page);
  expect((await storedJob(page, jobId)).photographs).toEqual([]);
});

test('figures that are no reading say so at the field and are not stored', async ({ page }) => {
  await enter(page, 'inspector');
  await bookIn(page, 'trailer of slips');
  const jobId = await jobIdOf(page);
  await openTicket(page, 'Ring gear');
  await page.getByRole('tab', { name: 'Measure' }).click();
  await page.getByLabel('Gauge', { exact: true }).selectOption({ label: 'Dial G4, reads to 0.01 mm' });
  const pad = page.getByLabel('Reading, Backlash');
  const refused = async (figures: string, words: string) => {
    await pad.fill(figures);
    await pad.press('Enter');
    await expect(page.getByText(words)).toBeVisible();
    await expect(pad).toHaveValue(figures);
  };
  await refused('1,2,3', 'is not one number');
  await refused('1,234', 'can mean 1.234 or 1234');
  await refused('12', 'far from what is usual here');
  expect((await storedJob(page, jobId)).readings).toEqual([]);
  // Over the wire, in a unit that the check does not know: refused with the field's name.
  const { origin } = new URL(page.url());
  const answer = await page.request.put(`/api/v1/captures/readings/${uuidv7()}`, {
    headers: { origin },
    data: {
      jobId,
      authorId: randomUUID(),
      deviceTime: new Date().toISOString(),
      positionId: 'ring-gear',
      checkId: 'backlash',
      place: 'tooth 1',
      raw: '0.2',
      unit: 'furlong',
      gaugeId: 'dial-g4',
    },
  });
  expect(answer.status()).toBe(422);
  expect(await answer.json()).toMatchObject({ code: 'bad-input', details: { faults: [{ path: 'unit' }] } });
});

test('the same mark with other figures is a conflict, and both stay visible', async ({ page }) => {
  await enter(page, 'inspector');
  await bookIn(page, 'trailer of two truths');
  const jobId = await jobIdOf(page);
  await openTicket(page, 'Ring gear');
  await page.getByRole('tab', { name: 'Measure' }).click();
  await page.getByLabel('Reading, Backlash').fill('0.2');
  await page.getByLabel('Reading, Backlash').press('Enter');
  const [reading] = (await stored(page, jobId, 1)).readings;
  const { origin } = new URL(page.url());
  const again = {
    jobId,
    authorId: reading?.authorId,
    deviceTime: new Date().toISOString(),
    positionId: 'ring-gear',
    checkId: 'backlash',
    place: 'tooth 1',
    raw: '0.31',
    unit: 'mm',
    gaugeId: 'dial-g4',
  };
  const answer = await page.request.put(`/api/v1/captures/readings/${reading?.id}`, {
    headers: { origin },
    data: again,
  });
  expect(answer.status()).toBe(409);
  await reload(page);
  const notice = page.getByRole('alert').filter({ hasText: 'Two different captures came under one mark' });
  await expect(notice).toContainText('stored 0.2 mm');
  await expect(notice).toContainText('0.31 mm by Mirel Astrand');
});

test('the last capture can be taken back for ten seconds, an older one is struck out with a reason', async ({
  page,
}) => {
  await enter(page, 'inspector');
  await bookIn(page, 'trailer of second thoughts');
  const jobId = await jobIdOf(page);
  await openTicket(page, 'Ring gear');
  await page.getByRole('tab', { name: 'Measure' }).click();
  const pad = page.getByLabel('Reading, Backlash');
  await pad.fill('0.2');
  await pad.press('Enter');
  await stored(page, jobId, 1);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(page.locator('[data-capture]')).toHaveCount(0);
  await pad.fill('0.23');
  await pad.press('Enter');
  await stored(page, jobId, 2);
  await page.getByRole('button', { name: 'strike out' }).click();
  await page.getByLabel('Why?').fill('plunger on a burr');
  await page.getByRole('button', { name: 'Strike out', exact: true }).click();
  await expect(page.getByText('Struck out by Mirel Astrand: plunger on a burr')).toBeVisible();
  await everythingStored(page);
  expect((await storedJob(page, jobId)).readings).toMatchObject([
    { raw: '0.2', struck: { slip: true } },
    { raw: '0.23', struck: { slip: false, reason: 'plunger on a burr' } },
  ]);
});
