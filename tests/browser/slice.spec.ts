import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import {
  alive,
  bookIn,
  bookInAtTheCounter,
  enter,
  expect,
  jobIdOf,
  openTicket,
  PASSWORD,
  PEOPLE,
  stored,
  storedJob,
  test,
} from './fixtures';
import { demoPhotograph, phonePhotograph } from './pictures';

async function textOf(pdf: Buffer): Promise<{ text: string; pages: number; images: number }> {
  const document = await getDocument({ data: new Uint8Array(pdf), verbosity: 0 }).promise;
  let text = '';
  let images = 0;
  for (let number = 1; number <= document.numPages; number += 1) {
    const page = await document.getPage(number);
    text += (await page.getTextContent()).items.map((item) => ('str' in item ? item.str : '')).join(' ');
    images += (await page.getOperatorList()).fnArray.filter((operation) => operation === 85).length;
  }
  return { text: text.replace(/\s+/g, ' '), pages: document.numPages, images };
}

test('one failed unit from the counter to the customer’s page', async ({ page, browser, baseURL }) => {
  await page.goto('/');
  await alive(page);
  await page.getByLabel('Name').fill(PEOPLE.lead);
  await page.getByLabel('Password').fill(PASSWORD);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('heading', { name: 'The rack' })).toBeVisible();

  const peg = await bookInAtTheCounter(page, 'hay trailer');
  const jobId = await jobIdOf(page);

  // A part, opened on the drawing by keyboard.
  await page.locator('[data-position="cross-pin"]').focus();
  await page.keyboard.press('Enter');
  const ticket = page.getByRole('complementary', { name: 'Ticket of Cross-pin' });
  await expect(ticket).toBeVisible();

  await ticket.getByRole('tab', { name: 'Picture' }).click();
  await ticket
    .getByTestId('photograph-files')
    .setInputFiles([await phonePhotograph(), demoPhotograph('cross-pin-flat.jpg')]);
  await expect(ticket.locator('[data-photograph]')).toHaveCount(2);
  await stored(page, jobId, 2);

  // Read at two places: the pad moves on to the next by itself.
  await ticket.getByRole('tab', { name: 'Measure' }).click();
  await page.getByLabel('Gauge', { exact: true }).selectOption({ label: 'Micrometer M2, reads to 0.001 mm' });
  const pad = page.getByLabel(/^Reading, Diameter/);
  for (const [order, figures] of ['14.95', '14,88'].entries()) {
    await pad.fill(figures);
    await pad.press('Enter');
    await stored(page, jobId, 3 + order);
    if (order === 0) await expect(page.getByTestId('verdict')).toContainText('Still to read: lower.');
  }
  await expect(page.getByTestId('verdict')).toContainText('Beyond the limit');
  await expect(page.getByTestId('verdict')).toContainText('smallest, lower: 14.880');

  await ticket.getByRole('tab', { name: 'Look' }).click();
  await ticket.getByRole('button', { name: /^one-sided flat/ }).click();
  await ticket.getByRole('button', { name: 'moderate' }).click();
  await stored(page, jobId, 5);
  const proposal = ticket.getByTestId('proposal');
  await expect(proposal).toContainText('The rules propose 4 done');
  await expect(proposal).toContainText('beyond its limit');
  await ticket.getByRole('button', { name: 'Grade it 4 done' }).click();
  await expect(ticket).toContainText(`by ${PEOPLE.lead}`);

  await ticket.getByRole('tab', { name: 'Decide' }).click();
  await ticket.getByRole('button', { name: 'Replace', exact: true }).click();
  await expect(ticket.getByRole('heading', { name: 'Replace' })).toBeVisible();
  await ticket.getByRole('button', { name: 'Close the ticket' }).click();

  await page.getByRole('button', { name: /^Cause/ }).click();
  await page.getByLabel('What failed first').selectOption({ label: 'Cross-pin, grade 4' });
  await page.getByLabel('Cause, for colleagues').fill('One wheel spun for long; pin scuffed flat.');
  await page
    .getByLabel('In plain words, for the customer')
    .fill('The pin in the middle of the differential is worn flat on one side.');
  await page.getByRole('button', { name: /^Likely/ }).click();
  await page.getByRole('button', { name: 'Note the cause' }).click();
  await expect(page.getByText(`Noted by ${PEOPLE.lead}`)).toBeVisible();

  await page.getByRole('button', { name: /^Decide/ }).click();
  await page.getByRole('button', { name: 'Repair as found' }).click();
  await page.getByLabel('Why, in plain words').fill('A new pin brings it back.');
  await page.getByRole('button', { name: 'Decide for the unit' }).click();
  await expect(page.getByText(`decided by ${PEOPLE.lead}`)).toBeVisible();

  await page.getByRole('button', { name: /^Hand over/ }).click();
  await page.getByLabel('Why it goes out all the same').fill('The farmer waits for the figure.');
  await page.getByRole('button', { name: `Issue report ${peg}-1` }).click();
  const issue = page.getByTestId('issue-1');
  await expect(issue).toContainText('digest');

  const { text, images } = await textOf(
    await (await page.request.get(`/api/v1/jobs/${jobId}/reports/1/pdf`)).body(),
  );
  for (const words of [
    ...[
      `Report ${peg}-1`,
      'Howls on the way up',
      'Cross-pin – 4, done',
      'at least 14.93 mm',
      'Torvane book HX, p. 5-3',
    ],
    ...[
      'Beyond the limit, the doubt of the gauge allowed for.',
      'worn flat on one side',
      'Repair as found',
      'A new pin brings it back.',
    ],
    ...[
      'These are open questions',
      'Not looked at: Axle housing',
      'Head bearing',
      'Please note',
      'page 1 of',
    ],
  ]) {
    expect(text).toContain(words);
  }
  expect(text).not.toContain('Looked at and sound');
  expect(images).toBe(2);

  // What leaves the shop is upright and says nothing of the place it was taken at.
  const { photographs } = await storedJob(page, jobId);
  const fromPhone = photographs.find(({ fileName }) => fileName === 'IMG_2041.jpg');
  expect(fromPhone).toMatchObject({
    width: 1200,
    height: 900,
    positionId: 'cross-pin',
    takenAt: '2026-11-20T15:42:10',
  });
  const shown = await (
    await page.request.get(`/api/v1/jobs/${jobId}/photographs/${fromPhone?.id}?size=1280`)
  ).body();
  expect(shown.includes(Buffer.from('Exif'))).toBe(false);

  // A second issue says what changed.
  await page.getByRole('button', { name: /^Decide/ }).click();
  await page.getByLabel('What to watch').fill('Show us the magnet after 500 km.');
  await page.getByRole('button', { name: 'Decide for the unit' }).click();
  await page.getByRole('button', { name: /^Hand over/ }).click();
  await expect(page.getByText('Against the last issue: What to watch was changed.')).toBeVisible();
  await page.getByLabel('Why it goes out all the same').fill('The farmer waits for the figure.');
  await page.getByRole('button', { name: `Issue report ${peg}-2` }).click();
  await expect(page.getByTestId('issue-2')).toContainText('What changed: What to watch was changed.');

  // The customer opens the letter by its link alone, on a phone.
  await page.getByTestId('issue-2').getByRole('button', { name: 'Link for the customer' }).click();
  const link = await page.getByTestId('customer-link').getByRole('link').getAttribute('href');
  const phone = await browser.newPage({
    viewport: { width: 320, height: 640 },
    ...(baseURL ? { baseURL } : {}),
  });
  await phone.goto(link ?? '');
  await expect(
    phone
      .getByRole('heading', { name: 'What changed since issue 1' })
      .or(phone.getByText('What changed since issue 1:')),
  ).toBeVisible();
  await expect(phone.locator('[data-open="head-bearing"]')).toHaveText(/Head bearing/);
  expect(await phone.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(320);
  await phone.close();
});

test('a unit that nobody has described works at every station', async ({ page }) => {
  await enter(page, 'inspector');
  await bookIn(page, 'old winch', 'Not described yet');
  const jobId = await jobIdOf(page);
  await expect(page.getByText('This type of unit is not described yet')).toBeVisible();
  await page.getByLabel('What it is').fill('Band lever');
  await page.getByLabel('Kind of part').selectOption({ label: 'Friction clutch, band, drum' });
  await page.getByRole('button', { name: 'Add the part' }).click();
  await openTicket(page, 'Band lever');
  await page.getByRole('tab', { name: 'Measure' }).click();
  await expect(page.getByText('No check is described for this part')).toBeVisible();
  await page.getByRole('tab', { name: 'Look' }).click();
  await page.getByRole('button', { name: /^nothing to see/ }).click();
  await stored(page, jobId, 1);
  await page.getByRole('button', { name: /^Grade it 0/ }).click();
  await expect(page.getByRole('complementary')).toContainText('0 as new by Mirel Astrand');
});
