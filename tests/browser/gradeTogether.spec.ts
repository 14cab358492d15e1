import type { Page } from '@playwright/test';
import { alive, bookIn, enter, everythingStored, expect, jobIdOf, onTheRack, test } from './fixtures';

/* Grading with others: what is said of several parts, pieces and faces apart, questions, second looks, the shop's rules and words. */

interface Held {
  readonly findings: readonly Record<string, unknown>[];
  readonly records: readonly { readonly content: Record<string, unknown> }[];
}
const held = async (page: Page) =>
  (await (await page.request.get(`/api/v1/jobs/${await jobIdOf(page)}`)).json()) as Held;
const sheetOf = (page: Page) => page.getByTestId('sheet');
const row = (page: Page, name: RegExp) => sheetOf(page).getByRole('option', { name }).first();

test('a finding says how far it goes, no further than there are teeth, and is said of others by one key', async ({
  page,
}) => {
  await enter(page, 'inspector');
  await bookIn(page, 'box said again', 'Five-speed box');
  await row(page, /^1st gear/).click();
  await page.keyboard.press('f');
  const keys = page.getByTestId('finding-keys');
  // Searched by the workshop's word, and taken by Enter as the only one that is left.
  await page.keyboard.press('/');
  await keys.getByLabel('Search the words').fill('macropitting, isolated');
  await page.keyboard.press('Enter');
  await page.keyboard.press('1');
  // The pair 39·15: 39 teeth on the gear of the main shaft.
  await keys.getByLabel(/How many teeth of/).fill('400');
  await expect(keys).toContainText('can’t be');
  await expect(keys.getByRole('button', { name: 'light' })).toBeDisabled();
  await keys.getByLabel(/How many teeth of/).fill('2');
  await keys.getByLabel(/Per cent of/).fill('3');
  await keys.getByLabel('Its part in the story').selectOption('dragged-along');
  await keys.getByLabel('In your own words').focus();
  await page.keyboard.press('Enter');
  await page.keyboard.press('1');
  await expect(keys).toHaveCount(0);
  await expect(sheetOf(page)).toContainText('The rules propose 3');
  await row(page, /^2nd gear/).click();
  await expect(sheetOf(page).getByRole('button', { name: /The same here: macropitting/ })).toBeVisible();
  await page.keyboard.press('s');
  await expect(row(page, /^2nd gear/)).toContainText('macropitting');
  // Of a bearing nobody says it.
  await row(page, /^Middle bearing/).click();
  await expect(sheetOf(page).getByRole('button', { name: /The same here/ })).toHaveCount(0);
  await everythingStored(page);
  const { findings } = await held(page);
  expect(findings).toHaveLength(2);
  for (const finding of findings)
    expect(finding).toMatchObject({
      ...{ mode: 'macropitting-isolated', count: 2, share: 0.03, severity: 'light', story: 'dragged-along' },
    });
});

test('like parts are let go or taken one by one before anything is said of them @full', async ({ page }) => {
  await enter(page, 'inspector');
  await bookIn(page, 'box one by one', 'Five-speed box');
  await row(page, /^1st gear/).click();
  await page.keyboard.press('Space');
  const chosen = () => sheetOf(page).getByRole('option', { selected: true }).count();
  const like = await chosen();
  await page.keyboard.press('Space');
  await expect(sheetOf(page).getByRole('button', { name: 'One by one' })).toHaveCount(0);
  await page.keyboard.press('Space');
  await expect.poll(chosen).toBe(like - 1);
  await row(page, /^Middle bearing/).click();
  await expect.poll(chosen).toBe(like);
  await page.keyboard.press('Escape');
  await expect.poll(chosen).toBe(1);
});

test('pieces and faces are graded apart, and a colleague is asked; it stands on the rack until it is settled', async ({
  page,
}) => {
  await enter(page, 'inspector');
  const peg = await bookIn(page, 'box asked about', 'Five-speed box');
  await page.locator('[data-sheet-row="keys-34"]').click();
  await sheetOf(page).getByRole('button', { name: 'Piece by piece' }).click();
  const pieces = page.getByTestId('pieces-keys');
  await pieces.getByRole('button', { name: /One more 4/ }).click();
  await expect(pieces).toContainText('2 not looked at');
  await pieces.getByRole('button', { name: /One more 1/ }).click();
  await pieces.getByRole('button', { name: /One more 1/ }).click();
  await expect(pieces.getByRole('button', { name: /One more 1/ })).toBeDisabled();
  await pieces.getByRole('button', { name: 'Put it down' }).click();
  await expect(sheetOf(page)).toContainText('1 of 3 done, 2 run in');

  await page.locator('[data-sheet-row="washer-32"]').click();
  await sheetOf(page).getByRole('button', { name: 'Face by face' }).click();
  const faces = page.getByTestId('faces-keys');
  await faces.getByRole('button', { name: /The worn face 3/ }).click();
  await faces.getByRole('button', { name: /The other face 1/ }).click();
  await expect(faces).toContainText('It may be turned over');
  await faces.getByLabel('What forbids turning it over').selectOption('dished');
  await expect(faces).toContainText('isn’t turned over: it is dished');
  await faces.getByRole('button', { name: 'Put it down' }).click();

  await sheetOf(page).getByRole('button', { name: 'Ask a colleague' }).click();
  const question = page.getByTestId('question-keys');
  await expect(question.getByRole('button', { name: 'Ask it' })).toBeDisabled();
  await question.getByLabel('What do you want to know?').fill('Is it worth a new one?');
  await question.getByRole('button', { name: 'Ask it' }).click();
  const asked = page.getByTestId('questions');
  await expect(asked).toContainText('Asked: Is it worth a new one?');
  await everythingStored(page);
  const { records } = await held(page);
  expect(records.map(({ content }) => content.what)).toEqual(['pieces-graded', 'faces-graded', 'asked']);
  await expect(await onTheRack(page, peg)).toContainText('A colleague is asked');

  await enter(page, 'apprentice', `/jobs/${peg}?station=grade`);
  await asked.getByLabel(/Your answer/).fill('It is; it costs little.');
  await asked.getByRole('button', { name: 'Answer', exact: true }).click();
  await expect(asked).toContainText('Pia Lund-Orrey: It is; it costs little.');
  await everythingStored(page);
  await enter(page, 'inspector', `/jobs/${peg}?station=grade`);
  await asked.getByRole('button', { name: 'Settled', exact: true }).click();
  await expect(asked).toContainText('Settled: Is it worth a new one?');
});

test('this strip is held beside a sister’s: the parts on which they differ @full', async ({ page }) => {
  await enter(page, 'inspector');
  await bookIn(page, 'box beside', 'Five-speed box');
  const beside = page.getByTestId('beside');
  await beside.getByLabel('Hold it beside').selectOption({ label: await sister(page) });
  await expect(beside).toContainText(/parts are graded otherwise/);
  await expect(beside.getByRole('table')).toContainText('not looked at');
});
const sister = async (page: Page) => {
  const option = page.getByTestId('beside').locator('option', { hasText: 'peg 409' });
  await option.waitFor({ state: 'attached' });
  return (await option.textContent()) ?? '';
};

test('a second look from photographs alone, what differs is settled, and an apprentice learns by it', async ({
  page,
}) => {
  await enter(page, 'lead', '/second-look');
  const main = page.getByRole('main');
  await expect(main).toContainText(/\d+ still to be looked at by you/);
  await expect(main.getByRole('button', { name: 'Grade 3' })).toBeVisible();
  await page.keyboard.press('0');
  const told = main.getByRole('status');
  await expect(told).toContainText('Mirel Astrand said');
  const agreed = (await told.innerText()).includes('You agree');
  await told.getByRole('button', { name: 'Next part' }).click();
  await expect(told).toHaveCount(0);
  if (!agreed) {
    const settle = main.getByTestId('settle').last();
    await expect(settle.getByRole('button', { name: 'Settle it' })).toBeDisabled();
    const before = await main.getByTestId('settle').count();
    await settle.getByRole('button', { name: /The shop says 4/ }).click();
    await settle.getByLabel('Why: people learn by it').fill('It goes on getting worse.');
    await settle.getByRole('button', { name: 'Settle it' }).click();
    await expect(main.getByTestId('settle')).toHaveCount(before - 1);
  }

  await enter(page, 'apprentice', '/training');
  await expect(main).toContainText(/\d+ parts left/);
  await main.getByRole('button', { name: 'Grade 2' }).click();
  await expect(main.getByRole('status')).toContainText('The shop says');
  await expect(main.getByRole('button', { name: 'Grade 2' })).toBeDisabled();
  await main.getByRole('button', { name: 'Next part' }).click();
  await expect(main.getByRole('status')).toHaveCount(0);
  await expect(main).toContainText('How you and the shop agree');
  await page.goto('/second-look');
  await expect(page.getByRole('main')).not.toContainText('still to be looked at');
});

// Full run only: rulesTrial and tests/unit/gradeTogether hold what it says.
test('the lead tries a rule on the shop’s parts before he keeps it, and gives a word of the shop’s own @full', async ({
  page,
}) => {
  await enter(page, 'lead', '/grade-rules');
  const shipped = await (await page.request.get('/api/v1/grade-rules')).json();
  const rule = page.getByTestId('rule-looked-sound');
  await expect(rule).toContainText(/Held \d+×/);
  await rule.getByRole('combobox').selectOption('1');
  const trial = page.getByTestId('rules-trial');
  await expect(trial).toContainText('not tried yet');
  await page.getByRole('button', { name: 'Try the changes' }).click();
  await expect(trial).toContainText(/\d+ of \d+ parts would be proposed otherwise/);
  await expect(page.getByRole('button', { name: 'Keep as the shop’s rules' })).toBeDisabled();
  await page.getByLabel('Why the shop grades so from now on').fill('nothing that has run is as new');
  await page.getByRole('button', { name: 'Keep as the shop’s rules' }).click();
  await expect(page.getByRole('heading', { name: /Revision 10\d\d/ })).toBeVisible();

  // The other tests on this shop go by the rules that ship.
  const { document } = await (await page.request.get('/api/v1/grade-rules')).json();
  const back = { basedOnRevision: document.revision, rules: shipped.document.rules, note: 'as before' };
  const headers = { origin: new URL(page.url()).origin };
  expect((await page.request.put('/api/v1/grade-rules', { headers, data: back })).status()).toBe(200);

  await page.goto('/damage-words');
  await alive(page);
  await page.getByLabel('The shop’s own word for scuffing').first().fill('smeared');
  await page.getByRole('button', { name: 'Keep the words' }).click();
  await expect(page.getByText(/Revision 10\d\d\./)).toBeVisible();
  await enter(page, 'inspector');
  await bookIn(page, 'box by own word', 'Five-speed box');
  await row(page, /^1st gear/).click();
  await page.keyboard.press('f');
  await page.getByLabel('Search the words').fill('smeared');
  await expect(page.getByTestId('finding-keys').getByRole('button', { name: /here: smeared/ })).toBeVisible();
});
