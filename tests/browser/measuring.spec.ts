import { bookIn, enter, expect, jobIdOf, openTicket, reload, stored, test } from './fixtures';

const TEETH = 41;
const NICK = 12;
/** Eccentric by 14 µm; the thirteenth tooth carries a nick. */
const figuresAt = (index: number) =>
  (
    0.176 +
    0.014 * Math.cos(((index * 360) / TEETH - 60) * (Math.PI / 180)) -
    (index === NICK ? 0.06 : 0)
  ).toFixed(3);

test('forty-one teeth by keyboard alone, a reload in the middle, a nick found, nothing lost @full', async ({
  page,
}) => {
  await enter(page, 'inspector');
  await bookIn(page, 'trailer of forty-one teeth');
  const jobId = await jobIdOf(page);
  await openTicket(page, 'Ring gear');
  await page.getByRole('tab', { name: 'Measure' }).focus();
  await page.keyboard.press('Enter');
  await page.getByLabel('Gauge', { exact: true }).selectOption({ label: 'Dial G4, reads to 0.01 mm' });
  await page.getByRole('button', { name: `Read all ${TEETH}, round the part` }).focus();
  await page.keyboard.press('Enter');

  const pad = page.getByLabel('Reading, Backlash');
  const take = async (from: number, to: number) => {
    await pad.focus();
    for (let index = from; index < to; index += 1) {
      await expect(page.getByTestId('place')).toHaveText(`tooth ${index + 1}`);
      await page.keyboard.type(figuresAt(index));
      await page.keyboard.press('Enter');
    }
  };
  await take(0, 20);
  await stored(page, jobId, 20);
  await reload(page);
  await expect(page.getByTestId('place')).toHaveText('tooth 21');
  await take(20, TEETH);
  const { readings } = await stored(page, jobId, TEETH);
  expect(readings.map(({ raw }) => raw)).toEqual(
    Array.from({ length: TEETH }, (_, index) => figuresAt(index)),
  );

  const series = page.getByTestId('series');
  await expect(series).toContainText('41 of 41');
  await expect(series.locator('[data-local]')).toHaveAttribute('data-local', 'tooth 13');
  await expect(series).toContainText('Tooth 13 stands alone');
  await expect(series).toContainText('Once a turn: eccentric, or the ring tilted');
  // Twice 14 µm by the curve, the nick left out: within 0.05.
  await expect(page.getByTestId('variation')).toContainText('Variation: within. 0.03');
  // One tooth below the band is beyond, whatever the mean of all says.
  await expect(page.getByTestId('verdict')).toContainText('Beyond the limit');
  await expect(page.getByTestId('verdict')).toContainText('smallest, tooth 13');

  await series.getByRole('button', { name: 'Read tooth 13 again' }).click();
  await expect(page.getByTestId('place')).toHaveText('tooth 13');
  await series.getByRole('button', { name: 'Table' }).click();
  await expect(series.getByRole('row')).toHaveCount(TEETH);
  await series.getByRole('button', { name: 'Unrolled' }).click();
  await expect(series.getByRole('img')).toBeVisible();
});

test('the same series through the bench gauge: it streams, it sends, the next tooth comes by itself @full', async ({
  page,
}) => {
  await enter(page, 'inspector');
  await bookIn(page, 'trailer on the bench gauge');
  const jobId = await jobIdOf(page);
  await openTicket(page, 'Ring gear');
  await page.getByRole('tab', { name: 'Measure' }).click();
  await page.getByLabel('Gauge', { exact: true }).selectOption({ label: 'Bench gauge, reads to 0.001 mm' });
  await page.getByRole('button', { name: `Read all ${TEETH}, round the part` }).click();
  const gauge = page.getByTestId('bench-gauge');
  for (let index = 0; index < TEETH; index += 1) {
    await expect(page.getByTestId('place')).toHaveText(`tooth ${index + 1}`);
    await expect(gauge).toContainText(/0\.\d{3} mm/);
    await gauge.getByRole('button', { name: /^Send/ }).click();
  }
  const { readings } = await stored(page, jobId, TEETH);
  expect(readings.every(({ raw }) => /^0\.\d{3}$/.test(raw))).toBe(true);
  // Sent the moment they were shown, values still move by a hundredth: another tooth may stand out too, the seventh always does.
  await expect(page.getByTestId('series').locator('[data-local="tooth 7"]')).toBeAttached();
  await expect(page.getByTestId('variation')).toContainText('Variation: within.');
});

for (const slowed of [1, 4]) {
  test(`ten readings as fast as keys can be pressed land on ten places in order, the processor slowed ${slowed} times${slowed === 1 ? ' @full' : ''}`, async ({
    page,
    context,
  }) => {
    await enter(page, 'inspector');
    await bookIn(page, 'trailer of the fast keys');
    const jobId = await jobIdOf(page);
    await openTicket(page, 'Ring gear');
    await page.getByRole('tab', { name: 'Measure' }).click();
    await page.getByLabel('Gauge', { exact: true }).selectOption({ label: 'Dial G4, reads to 0.01 mm' });
    await page.getByRole('button', { name: `Read all ${TEETH}, round the part` }).click();
    await expect(page.getByTestId('place')).toHaveText('tooth 1');
    const session = await context.newCDPSession(page);
    await session.send('Emulation.setCPUThrottlingRate', { rate: slowed });
    await page.getByLabel('Reading, Backlash').focus();
    const figures = Array.from({ length: 10 }, (_, index) => `0.${20 + index}`);
    // Nobody waits for anything here: the next figures are typed while the last ones are on their way.
    for (const each of figures) {
      await page.keyboard.type(each);
      await page.keyboard.press('Enter');
    }
    await session.send('Emulation.setCPUThrottlingRate', { rate: 1 });
    const { readings } = await stored(page, jobId, 10);
    expect(readings.map(({ place, raw }) => `${place}: ${raw}`)).toEqual(
      figures.map((each, index) => `tooth ${index + 1}: ${each}`),
    );
  });
}

test('the lead puts a gauge on the list; one whose calibration ran out is named in the verdict', async ({
  page,
}) => {
  await enter(page, 'lead', '/gauges');
  await page.getByLabel('Name, as it is called here').fill('Borrowed dial');
  await page.getByLabel(/^Kind/).fill('dial indicator');
  await page.getByLabel('Reads to').fill('nothing');
  await page.getByLabel(/^May be off by/).fill('0,01');
  await page.getByLabel(/^Scatter/).fill('0.002');
  await page.getByLabel('Calibrated until', { exact: true }).fill('2020-01-31');
  await page.getByRole('button', { name: 'Put it on the list' }).click();
  await expect(page.getByText('a number is needed')).toBeVisible();
  await page.getByLabel('Reads to').fill('0.01');
  await page.getByRole('button', { name: 'Put it on the list' }).click();
  await expect(page.getByRole('row', { name: /Borrowed dial/ })).toContainText('Overdue since 31 Jan 2020');

  await bookIn(page, 'trailer of the borrowed dial');
  const jobId = await jobIdOf(page);
  await openTicket(page, 'Ring gear');
  await page.getByRole('tab', { name: 'Measure' }).click();
  await page.getByRole('button', { name: 'Back-face run-out', exact: true }).click();
  await expect(page.getByLabel('Reading, Back-face run-out', { exact: true })).toBeVisible();
  await page.getByLabel('Gauge', { exact: true }).selectOption({ label: 'Borrowed dial, reads to 0.01 mm' });
  await page.getByLabel('Reading, Back-face run-out', { exact: true }).fill('0.12');
  await page.getByLabel('Reading, Back-face run-out', { exact: true }).press('Enter');
  await stored(page, jobId, 1);
  await expect(page.getByText('The calibration of Borrowed dial had run out.')).toBeVisible();
  // 0.7031 · 0.12 = 0.08, more than the 0.05 permitted.
  await expect(page.getByTestId('forecast')).toContainText(
    'wander by about 0.08 mm, more than the 0.05 mm permitted: no shim will cure it.',
  );
});
