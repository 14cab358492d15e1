import { alive, enter, everythingStored, expect, test, toStation } from './fixtures';
import { demoPhotograph } from './pictures';

test('symptoms by gear and load narrow the suspects at the counter; a reload loses none of it', async ({
  page,
}) => {
  await enter(page, 'inspector', '/book-in');
  await alive(page);
  // No type stands there by itself: one that nobody chose would go through unseen.
  await expect(page.getByLabel('Type of unit')).toHaveValue('');
  await page.getByRole('button', { name: /^Hang it on the rack/ }).click();
  await expect(page.getByText('Choose the type of unit, or “Not described yet”')).toBeVisible();
  await page.getByLabel('Type of unit').selectOption({ label: 'Five-speed box' });
  await page.getByLabel('Machine').fill('van of the counter');
  await page.getByRole('button', { name: 'Pops out of gear' }).click();
  const pops = page.getByRole('group', { name: 'Pops out of gear' });
  await expect(page.getByTestId('look-first')).toContainText('point at no part alone yet');
  await pops.getByRole('button', { name: '3', exact: true }).click();
  await expect(page.getByTestId('look-first')).toContainText(
    '3–4 sleeve, 3rd ring, 3rd dog teeth: puts 3 in',
  );
  await page.getByRole('button', { name: 'Vibration' }).click();
  const vibration = page.getByRole('group', { name: 'Vibration' });
  await vibration.getByLabel('From, km/h').fill('60');
  await vibration.getByLabel('to, km/h').fill('40');
  await page.getByRole('button', { name: 'wet with oil outside' }).click();

  await page.reload();
  await alive(page);
  await page.getByRole('button', { name: 'Go on with it' }).click();
  await expect(page.getByLabel('Machine')).toHaveValue('van of the counter');
  await expect(pops.getByRole('button', { name: '3', exact: true })).toHaveAttribute('aria-pressed', 'true');
  await page.getByLabel('Photograph files').setInputFiles([demoPhotograph('ring-4-sound.jpg')]);
  await page.getByLabel('Customer', { exact: true }).fill('Odda Lyng, farmer');
  await page.getByLabel(/^Complaint/).fill('Jumps out of third.');
  await page.getByRole('button', { name: /^Hang it on the rack/ }).click();
  await expect(
    page.getByText('One of the symptoms can’t be kept: the lower speed stands first.'),
  ).toBeVisible();
  await vibration.getByLabel('From, km/h').fill('30');
  await page.getByRole('button', { name: /^Hang it on the rack/ }).click();
  await page.waitForURL(/\/jobs\/\d+\?station=drain/);
  await alive(page);
  await everythingStored(page);

  await toStation(page, 'Book in');
  await expect(page.getByTestId('look-first')).toContainText('3–4 sleeve');
  await expect(page.getByTestId('station-pictures').locator('[data-photograph]')).toHaveCount(1);
  await expect(page.getByRole('button', { name: 'wet with oil outside' })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  // What a test drive tells later is added, and stands in the report.
  await page
    .getByRole('group', { name: 'Pops out of gear' })
    .getByRole('button', { name: 'on coast' })
    .click();
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Saved.')).toBeVisible();
  await toStation(page, 'Hand over');
  await expect(page.getByRole('main')).toContainText(
    'Pops out of gear: in 3; on coast; Vibration: from 30 to 40 km/h',
  );
  await page.goto('/book-in');
  await alive(page);
  await expect(page.getByLabel('Machine')).toHaveValue('');
});
