import fs from 'node:fs';
import path from 'node:path';
import { bookIn, enter, expect, test, toStation } from './fixtures';

const SKETCH = path.resolve('tests/unit/fixtures/sketch-bevel.json');

test('a description is brought in: its faults by path, its drawing and ratio, stored, taken out again, copied', async ({
  page,
}) => {
  await enter(page, 'lead', '/unit-types');
  const pasted = page.getByLabel('Or pasted');
  const look = page.getByRole('button', { name: 'Look at it' });
  await pasted.fill('{ "id": ');
  await look.click();
  await expect(page.getByRole('alert').filter({ hasText: 'This is no JSON' })).toBeVisible();

  const document = JSON.parse(fs.readFileSync(SKETCH, 'utf8')) as { id: string; title: string };
  await pasted.fill(JSON.stringify({ ...document, schemaVersion: 9 }));
  await look.click();
  const found = page.getByTestId('looked-at');
  await expect(found).toContainText('Schema version');
  await expect(found.getByRole('button', { name: /^Store it/ })).toHaveCount(0);

  await page.getByLabel('File (JSON)').setInputFiles(SKETCH);
  await look.click();
  await expect(found).toContainText(document.title);
  await expect(found.getByTestId('section').locator('[data-position]').first()).toBeAttached();
  await found.getByLabel('What is new in it').fill('from a file');
  await found.getByRole('button', { name: 'Store it as a new type' }).click();
  await expect(page.getByRole('status')).toHaveText(`${document.id} is stored as revision 1.`);
  const wall = page.getByRole('list', { name: 'Unit types' });
  await expect(wall).toContainText(document.title);

  const out = await page.request.get(`/api/v1/unit-types/${document.id}`);
  expect(out.headers()['content-disposition']).toContain(`${document.id}-revision-1.json`);
  expect(((await out.json()) as { id: string }).id).toBe(document.id);

  await wall.getByRole('link', { name: new RegExp(`${document.title} .*${document.id}`) }).click();
  await page.getByRole('button', { name: 'Copy' }).click();
  await page.getByLabel('Id of the copy').fill('torvane-hx41');
  await page.getByRole('button', { name: 'Make the copy' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'already' })).toBeVisible();
  await page.getByLabel('Id of the copy').fill('bevel-of-the-test');
  await page.getByRole('button', { name: 'Make the copy' }).click();
  await page.waitForURL('/unit-types/bevel-of-the-test');
  await expect(page.getByRole('heading', { level: 1 })).toContainText(`${document.title}, copy`);
});

test('an unknown two-shaft box is described from nothing while it comes apart, and gets a drawing and a ratio', async ({
  page,
}) => {
  await enter(page, 'inspector');
  await bookIn(page, 'mill of the unknown box', 'Not described yet');
  const add = async (name: string, family: string) => {
    await page.getByLabel('What it is').fill(name);
    await page.getByLabel('Kind of part').selectOption(family);
    await page.getByRole('button', { name: 'Add the part' }).click();
    await expect(page.getByTestId('sheet')).toContainText(name);
  };
  await add('Upper shaft', 'shaft-spline');
  await add('Lower shaft', 'shaft-spline');
  await add('Driver', 'gear-teeth');
  await add('Driven', 'gear-teeth');
  await toStation(page, 'Strip');
  await page.getByRole('button', { name: 'Measured and drawn' }).click();
  const form = page.getByTestId('measured-box');
  const about = page.getByTestId('of-measured-box');
  const figures: [string, string][] = [
    ['Upper shaft, length, mm', '200'],
    ['Upper shaft, diameter, mm', '30'],
    ['Lower shaft, length, mm', '220'],
    ['Lower shaft, diameter, mm', '40'],
    ['Driver, from its end', '190'],
    ['Driver, width', '25'],
    ['Driver, teeth', '17'],
    ['Driven, from its end', '50'],
    ['Driven, width', '25'],
    ['Driven, teeth', '0'],
    ['module, where nothing tells it', '3'],
  ];
  for (const [label, figure] of figures) await form.getByLabel(label, { exact: true }).fill(figure);
  await form.getByLabel('Driver, on').selectOption({ label: 'Upper shaft' });
  await form.getByLabel('Driven, on').selectOption({ label: 'Lower shaft' });
  await form.getByLabel('Driver, meets').selectOption({ label: 'Driven' });
  await form.getByLabel('power comes in by').selectOption({ label: 'Upper shaft' });
  await form.getByLabel('power leaves by').selectOption({ label: 'Lower shaft' });
  await expect(about).toContainText('Driven: its teeth: at least 3 teeth');
  await expect(about).toContainText('Driver stands out beyond the end of its shaft');
  await form.getByLabel('Driven, teeth').fill('43');
  await form.getByLabel('Driver, from its end').fill('50');
  await form.getByRole('button', { name: 'Keep it as drawn' }).click();
  await expect(form).toContainText('Kept as revision');
  await toStation(page, 'Grade');

  const section = page.getByTestId('section');
  await expect(section.locator('[data-position]')).toHaveCount(4);
  await page
    .getByRole('group', { name: 'Gear engaged on the drawing' })
    .getByRole('button', { name: 'as found' })
    .click();
  // By hand: 43/17.
  await expect(page.getByTestId('power-panel')).toContainText('ratio 2.529, the output turns backwards');
  await expect(page.getByTestId('power').locator('[data-mesh="loaded"]')).toHaveCount(1);
});
