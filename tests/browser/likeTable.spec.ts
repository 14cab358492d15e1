import {
  bookIn,
  enter,
  everythingStored,
  expect,
  jobIdOf,
  openTicket,
  reload,
  storedJob,
  test,
} from './fixtures';

const RINGS = 5;
const PLACES = ['0°', '90°', '180°', '270°'];
const gap = (ring: number, place: number) => (0.8 + 0.05 * ring + 0.01 * place).toFixed(2);

// Full run only: likeChecks and pastedTable are held in the core.
test('the reserve of five rings in one table: figures and Enter alone, or pasted; a wrong paste says where and stays @full', async ({
  page,
}) => {
  await enter(page, 'inspector');
  await bookIn(page, 'box of five rings', 'Five-speed box');
  await openTicket(page, '1st ring');
  await page.getByRole('tab', { name: 'Measure' }).click();
  let keys = 2;
  const open = page.getByRole('button', { name: 'Type all of its like in a table, or paste them' });
  await open.focus();
  await page.keyboard.press('Enter');
  keys += 1;
  const table = page.getByTestId('like-table');
  const here = table.getByTestId('place');
  await expect(here).toHaveText('1st ring, 0°');
  let figures = 0;
  for (let ring = 0; ring < RINGS - 1; ring += 1)
    for (let place = 0; place < PLACES.length; place += 1) {
      await page.keyboard.type(gap(ring, place));
      await page.keyboard.press('Enter');
      figures += gap(ring, place).length + 1;
    }
  keys += figures;
  // Nothing but figures and Enter; place and gauge stand in sight all the while.
  expect(keys).toBeLessThanOrEqual(figures + 30);
  await expect(here).toHaveText('5th ring, 0°');
  await expect(table.getByLabel('Gauge', { exact: true })).toBeInViewport();
  await page.keyboard.type('a third');
  await page.keyboard.press('Enter');
  await expect(table.getByRole('alert')).toContainText('5th ring, 0°: “a third” is not one number');
  await page.keyboard.press('Control+a');
  await page.keyboard.press('Backspace');

  const paste = (text: string) =>
    page.evaluate((words) => {
      const data = new DataTransfer();
      data.setData('text/plain', words);
      document.activeElement?.dispatchEvent(
        new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }),
      );
    }, text);
  await paste('1.00\n1.01\n1.02\n1.03\n1.04');
  const pasted = page.getByTestId('pasted');
  await expect(pasted).toContainText(
    'The paste has 5 rows and 1 column; from here there is room for 4 rows and 1 column',
  );
  await pasted.getByLabel('What was pasted').fill('1.00\nmissing\n1.02\n1.03');
  await pasted.getByRole('button', { name: 'Put it in now' }).click();
  await expect(pasted).toContainText('Row 2, column 1: “missing” is no figure');
  await pasted.getByLabel('What was pasted').fill('1.00 mm\n40 thou\n1.02 mm\n1.03 mm');
  await pasted.getByRole('button', { name: 'Put it in now' }).click();
  await expect(pasted).toContainText('There is mm in column 1 and thou in column 1');
  // A unit beside the figures holds for them: they are not taken for the other one.
  await pasted.getByLabel('What was pasted').fill('40 thou');
  await pasted.getByRole('button', { name: 'Put it in now' }).click();
  await expect(table.getByLabel('Unit as printed on the gauge')).toHaveValue('thou');
  await table.getByRole('button', { name: 'Throw them away' }).click();
  await table.getByLabel('Unit as printed on the gauge').selectOption('mm');
  // A slip of the decimal point is asked back.
  await table.getByLabel(/^5th ring, 0°/).fill('100');
  await table.getByLabel(/^5th ring, 0°/).press('Enter');
  await expect(table.getByRole('alert')).toContainText('100 mm is far from what is usual here');
  await table.getByLabel(/^5th ring, 0°/).fill('');
  await paste('1.00\nmissing');
  await pasted.getByLabel('What was pasted').fill('1.00\n1.01\n1.02\n1.03');
  await pasted.getByRole('button', { name: 'Put it in now' }).click();
  await expect(pasted).toHaveCount(0);
  // What is only typed is kept over a reload, and no reading yet.
  await reload(page);
  await open.click();
  await table.getByRole('button', { name: 'Take these 4 figures' }).click();
  await expect(table.getByRole('button', { name: /^Take/ })).toHaveCount(0);
  await everythingStored(page);
  const { readings } = await storedJob(page, await jobIdOf(page));
  expect(readings).toHaveLength(RINGS * PLACES.length);
  for (const place of PLACES)
    expect(readings.filter((reading) => reading.place === place)).toHaveLength(RINGS);
  expect(readings.filter(({ positionId }) => positionId === 'ring-5').map(({ raw }) => raw)).toEqual([
    '1.00',
    '1.01',
    '1.02',
    '1.03',
  ]);
});
