import { alive, bookIn, enter, expect, jobIdOf, openTicket, type Somebody, stored, test } from './fixtures';

test('a gauge study: planned, taken blind by two people, told in words, its scatter put on the list', async ({
  page,
}) => {
  await enter(page, 'lead', '/gauges/studies');
  await page.getByLabel('What is measured').fill('Three shims');
  await page.getByLabel('Gauge', { exact: true }).selectOption({ label: 'Caliper C1' });
  await page.getByLabel('Parts').fill('2');
  await page.getByRole('button', { name: 'Plan it' }).click();
  await expect(page.getByText('at least two people')).toBeVisible();
  await page.getByLabel('Mirel Astrand').check();
  await page.getByLabel('Pia Lund-Orrey').check();
  await page.getByLabel(/^Width of the limit/).fill('0,2');
  await page.getByRole('button', { name: 'Plan it' }).click();
  await expect(
    page.getByText('Still to read: Mirel Astrand (0 of 4), Pia Lund-Orrey (0 of 4).'),
  ).toBeVisible();
  const url = new URL(page.url()).pathname;

  /** Parts of 2.00 and 2.10 mm; the second time a hundredth more. */
  const readAll = async (who: Somebody) => {
    await enter(page, who, url);
    const seen = { A: 0, B: 0 };
    for (let number = 1; number <= 4; number += 1) {
      await expect(page.getByText(`Reading ${number} of 4.`)).toBeVisible();
      const part = (await page.getByTestId('blind').textContent())?.endsWith('A') ? 'A' : 'B';
      const field = page.getByLabel(`Part ${part}, as the gauge shows it`);
      if (number === 1) {
        await field.fill('two');
        await field.press('Enter');
        await expect(page.getByRole('alert').filter({ hasText: 'is not one number' })).toBeVisible();
      }
      await field.fill(((part === 'A' ? 2 : 2.1) + seen[part] * 0.01).toFixed(2));
      await field.press('Enter');
      seen[part] += 1;
    }
  };
  await readAll('inspector');
  await expect(page.getByText('You are through. Still to read: Pia Lund-Orrey (0 of 4).')).toBeVisible();
  await expect(page.getByText('2.01')).toHaveCount(0);
  await readAll('apprentice');
  const result = page.getByTestId('study-result');
  await expect(result).toContainText('of the limit’s width');
  await expect(result.getByRole('table', { name: 'What was read' })).toContainText('2.11');
  await expect(result.getByRole('button', { name: 'Put it on the list' })).toHaveCount(0);
  await enter(page, 'lead', url);
  await result.getByRole('button', { name: 'Put it on the list' }).click();
  await expect(result).toContainText('stands on the list of gauges');
});

test('the bench caliper sends what it shows, in the unit its key has chosen', async ({ page }) => {
  await enter(page, 'inspector');
  await bookIn(page, 'van of the caliper', 'Five-speed box');
  const jobId = await jobIdOf(page);
  await openTicket(page, '3–4 sleeve');
  await page.getByRole('tab', { name: 'Measure' }).click();
  await alive(page);
  await page.getByLabel('Gauge', { exact: true }).selectOption({ label: 'Bench caliper, reads to 0.01 mm' });
  const gauge = page.getByTestId('bench-gauge');
  await expect(gauge).toContainText(/8\.\d\d mm/);
  await gauge.getByRole('button', { name: /^Send/ }).click();
  await stored(page, jobId, 1);
  await gauge.getByRole('button', { name: 'mm / in' }).click();
  await expect(gauge).toContainText(/0\.3\d\d[05] in/);
  await gauge.getByRole('button', { name: /^Send/ }).click();
  const { readings } = await stored(page, jobId, 2);
  expect(readings[0]?.raw).toMatch(/^8\.\d\d$/);
  expect(readings[1]?.raw).toMatch(/^0\.3\d\d[05]$/);
  expect(readings[1]).toMatchObject({ unit: 'in' });
  await expect(page.getByLabel('Unit as printed on the gauge')).toHaveValue('in');
  // Back to millimetres, for whoever comes next.
  await gauge.getByRole('button', { name: 'mm / in' }).click();
  await expect(gauge).toContainText(/8\.\d\d mm/);
});
