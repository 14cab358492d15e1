import AxeBuilder from '@axe-core/playwright';
import {
  alive,
  bookIn,
  enter,
  everythingStored,
  expect,
  jobIdOf,
  openTicket,
  reload,
  storedJob,
  test,
  toStation,
} from './fixtures';

test('a box that nobody has described comes apart: each step with its pieces, counted; a bearing of another size is asked back', async ({
  page,
}) => {
  await enter(page, 'inspector');
  await bookIn(page, 'crane of the unknown box', 'Not described yet');
  await toStation(page, 'Strip');
  const form = page.getByTestId('step-with-pieces');
  await form.getByRole('button', { name: 'Done, nothing came off' }).click();
  await expect(form.getByRole('alert')).toContainText('What was done?');
  await form.getByLabel('What was done').fill('Rear cover off');
  const kinds = form.getByRole('group').last();
  for (const kind of ['bolt', 'bearing', 'washer', 'seal'])
    await kinds.getByRole('button', { name: kind, exact: true }).click();
  const piece = (number: number, what: string) => form.getByLabel(`Piece ${number}, ${what}`);
  await piece(1, 'how many').fill('8');
  await piece(1, 'of which worn').fill('9');
  await piece(2, 'number on it').fill('6205');
  await piece(2, 'inside, mm').fill('30');
  await piece(3, 'which way round').fill('groove to the gear');
  await form.getByRole('button', { name: /^Done, with 11 pieces/ }).click();
  await expect(form.getByRole('alert')).toContainText('Piece 1: 9 are worn, and 8 came off');
  await piece(1, 'of which worn').fill('2');
  await form.getByRole('button', { name: /^Done, with/ }).click();
  await expect(form.getByRole('alert')).toContainText(
    'The number 6205 is of a bore of 25 mm, and 30.0 was measured',
  );
  // A reload keeps what was typed of step and pieces.
  await reload(page);
  await expect(piece(2, 'number on it')).toHaveValue('6205');
  await piece(2, 'inside, mm').fill('25.1');
  await form.getByRole('button', { name: /^Done, with/ }).click();
  await expect(form.getByLabel('What was done')).toHaveValue('');
  await form.getByLabel('What was done').fill('Shaft out');
  await kinds.getByRole('button', { name: 'shaft', exact: true }).click();
  await form.getByRole('button', { name: 'Done, with one piece' }).click();
  await expect(page.getByTestId('strip')).toContainText('Steps: 2 of 2');
  await page.getByRole('button', { name: 'Pieces counted' }).click();
  await expect(page.getByTestId('strip')).toContainText('Bearing 6205');
  await everythingStored(page);
  const { records } = await storedJob(page, await jobIdOf(page));
  const kept = records.map(({ content }) => content as Record<string, unknown>);
  expect(kept.filter(({ what }) => what === 'step')).toHaveLength(2);
  expect(
    kept
      .filter(({ what }) => what === 'count')
      .map(({ counted }) => counted)
      .sort(),
  ).toEqual([1, 1, 1, 1, 8]);
  expect(kept.find(({ counted }) => counted === 8)).toMatchObject({ note: '2 of 8 worn' });
  // What came off has its checks and its hand test, and is to be looked at.
  await toStation(page, 'Grade');
  const sheet = page.getByTestId('sheet');
  await expect(sheet.getByRole('option', { name: /^Washer/ })).toContainText('1 not measured');
  await expect(sheet.getByRole('option', { name: /^Bearing 6205/ })).toContainText('bearing feel');
  // A figure that nobody asked for becomes a check, with a limit and where it comes from.
  await openTicket(page, 'Seal');
  await page.getByRole('tab', { name: 'Measure' }).click();
  const free = page.getByTestId('free-figure');
  await free.getByLabel('What is measured').fill('Lip interference');
  await free.getByLabel('Figure').fill('0.4');
  await free.getByLabel('With').selectOption({ label: 'Caliper C1' });
  await free.getByRole('button', { name: 'Take the figure' }).click();
  await everythingStored(page);
  await page.getByRole('button', { name: 'make it a check' }).click();
  const check = page.getByTestId('figure-to-check');
  await check.getByLabel('At least, mm').fill('0.6');
  await check.getByRole('button', { name: 'Make it a check' }).click();
  await expect(check.getByRole('alert')).toContainText('Where does the limit come from?');
  await check.getByLabel('Where the limit comes from').fill('a new one on the bench');
  await check.getByRole('button', { name: 'Make it a check' }).click();
  // It was taken as the first reading: below its limit, beyond or too close as far as the gauge is known here.
  await expect(page.getByTestId('verdict')).toContainText(/(Beyond the limit|Too close to call)0\.400/);
  await page.getByRole('button', { name: 'Close the ticket' }).click();
  // It goes back the other way round.
  await toStation(page, 'Rebuild');
  await expect(page.getByTestId('step-in')).toContainText('Shaft out');
  const { violations } = await new AxeBuilder({ page })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'])
    .analyze();
  expect(violations.map(({ id, nodes }) => `${id}: ${nodes[0]?.html}`)).toEqual([]);
});

test('what was described at the bench is kept as a type of the shop by its lead, under a name that is free', async ({
  page,
}) => {
  await enter(page, 'lead');
  await bookIn(page, 'crane of the kept box', 'Not described yet');
  await toStation(page, 'Strip');
  const form = page.getByTestId('step-with-pieces');
  await form.getByLabel('What was done').fill('Cover off');
  await form.getByRole('button', { name: 'clip', exact: true }).click();
  await form.getByRole('button', { name: 'Done, with one piece' }).click();
  const keep = page.getByTestId('keep-as-type');
  await keep.getByLabel('Name of the type').fill('Skell five');
  await keep.getByRole('button', { name: 'Keep it' }).click();
  await expect(keep.getByRole('alert')).toContainText('There is a unit type “skell-five” already');
  await keep.getByLabel('Name of the type').fill('Crane box of the yard');
  await keep.getByRole('button', { name: 'Keep it' }).click();
  await expect(keep).toContainText('It stands among the unit types');
  await page.goto('/book-in');
  await alive(page);
  await expect(
    page.getByLabel('Type of unit').locator('option', { hasText: 'Crane box of the yard' }),
  ).toHaveCount(1);
});
