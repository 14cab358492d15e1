import { AxeBuilder } from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { alive, bookIn, enter, everythingStored, expect, jobIdOf, reload, test } from './fixtures';

/* Causes: a guess first, then what the evidence says, what to look at next, and what a person concludes. */

const held = async (page: Page) =>
  (await (await page.request.get(`/api/v1/jobs/${await jobIdOf(page)}`)).json()) as {
    readonly cause: {
      readonly conclusion: { readonly roots: readonly string[]; readonly reason: string } | null;
    } | null;
    readonly records: readonly { readonly content: Record<string, unknown> }[];
  };
const ranking = (page: Page) => page.getByRole('group', { name: 'Causes', exact: true });
const first = (page: Page) => page.locator('[data-cause-row]').first();

test('who says his guess first sees what the findings say: they move beams, chain and section, and a what-if is taken back', async ({
  page,
}) => {
  await enter(page, 'inspector');
  const peg = await bookIn(page, 'box of causes', 'Five-speed box');
  await page.goto(`/jobs/${peg}?station=cause`);
  await alive(page);
  await expect(ranking(page)).toHaveCount(0);
  const guess = page.getByTestId('guess-first');
  await guess.getByLabel('Search the causes').fill('oil level');
  await guess.getByRole('button', { name: 'oil level too low' }).click();
  await guess.getByRole('button', { name: 'That is my guess' }).click();
  await expect(ranking(page)).toBeVisible();
  await expect(page.getByText(/guessed: oil level too low/)).toBeVisible();

  // What is asked is answered in place, and the causes follow.
  const next = page.getByTestId('look-next');
  await expect(next.locator('[data-look]')).toHaveCount(3);
  const before = await first(page).innerText();
  await next.locator('[data-look]').first().getByRole('button', { name: 'What if seen?' }).click();
  await expect(
    page.getByRole('status').filter({ hasText: 'What if: 1 finding is assumed otherwise' }),
  ).toBeVisible();
  // From what is only assumed nothing is concluded.
  await expect(page.getByTestId('conclusion')).toContainText('Some findings are only assumed');
  await page.getByRole('button', { name: 'Back to what is' }).click();
  await expect(page.getByTestId('conclusion')).not.toContainText('Some findings are only assumed');
  await expect(first(page)).toHaveText(before, { useInnerText: true });
  const asked = await next.locator('[data-look]').first().getAttribute('data-look');
  await next.locator('[data-look]').first().getByRole('button', { name: 'Seen', exact: true }).click();
  await expect(next.locator(`[data-look="${asked}"]`)).toHaveCount(0);
  await expect(page.getByTestId('chain')).toBeVisible();
  await everythingStored(page);
  expect((await held(page)).records.map(({ content }) => content.what)).toEqual([
    'cause-guess',
    'cause-finding',
  ]);

  // It is evidence from now on; set aside with a reason it is none.
  await page.getByRole('button', { name: /^Show all \d+ findings/ }).click();
  const row = page.locator(`[data-evidence="${asked}"]`);
  await expect(row).toContainText('seen');
  await row.getByRole('button', { name: 'as it was' }).click();
  await expect(row).toHaveCount(0);
});

test('a conclusion is chosen, worded, differs with a reason, and is checked later', async ({ page }) => {
  await enter(page, 'lead', '/jobs/441?station=cause');
  await expect(first(page)).toContainText('Oil level too low');
  const conclusion = page.getByTestId('conclusion');
  const chosen = conclusion.getByRole('group', { name: 'Which causes' });
  await expect(chosen).toContainText('Choose one of these causes, and words are proposed');
  await chosen.getByRole('button', { name: 'Oil level too low' }).click();
  await expect(chosen).not.toContainText('Choose one of these causes');
  await chosen.getByRole('button', { name: 'Propose words' }).click();
  const plain = conclusion.getByLabel('In plain words, for the customer');
  await expect(plain).toHaveValue(/probably too little oil was in it/);
  await expect(plain).not.toHaveValue(/owner|blame|fault of/);
  // Another than the ranking's first asks for a reason.
  await chosen.getByRole('button', { name: 'Oil level too low' }).click();
  await chosen.getByRole('button').nth(1).click();
  const note = conclusion.getByRole('button', { name: 'Note the cause' });
  await expect(note).toBeDisabled();
  await conclusion
    .getByLabel('The ranking puts another first. Why this one?')
    .fill('the gauge glass was dirty');
  await note.click();
  await expect(page.getByRole('contentinfo')).toContainText('The cause is noted');
  await everythingStored(page);
  const { cause } = await held(page);
  expect(cause?.conclusion).toMatchObject({ reason: 'the gauge glass was dirty', networkRevision: 2 });
  expect(cause?.conclusion?.roots).toHaveLength(1);

  const checked = page.getByTestId('cause-checked');
  await checked.getByRole('button', { name: 'It was refuted' }).click();
  await checked.getByLabel(/By which check/).fill('refilled, ran a month');
  await checked.getByRole('button', { name: 'Oil level too low' }).click();
  await checked.getByRole('button', { name: 'Refuted', exact: true }).click();
  await expect(checked).toContainText('Refuted by Jonas Telle: refilled, ran a month');
});

test('the section shows what may have failed first by its share, and where to look next; both follow the findings', async ({
  page,
}) => {
  await enter(page, 'lead', '/jobs/412?station=cause');
  const plate = page.locator('[data-plate="Head bearing"]');
  await expect(plate).toContainText('in 10');
  await expect(page.locator('[data-suspect="head-bearing"]').first()).toBeAttached();
  const before = await plate.innerHTML();
  const pin = page.getByRole('button', { name: /^Look at next, 1/ });
  await pin.focus();
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-look]').first().getByRole('button').first()).toBeFocused();

  // Without the spalled track it is another place's turn, or at least less this one's.
  await page.getByRole('button', { name: /^Show all \d+ findings/ }).click();
  await page
    .locator('[data-evidence="bearing-spall@head-bearing"]')
    .getByRole('button', { name: 'what if not?' })
    .click();
  await expect(page.getByRole('status').filter({ hasText: 'What if: 1 finding' })).toBeVisible();
  await expect
    .poll(async () => ((await plate.count()) === 0 ? 'gone' : await plate.innerHTML()))
    .not.toBe(before);
});

// Full run only: walking is in the other two tests, waiting answers in stream.spec.
test('by keyboard and without network: causes are walked and opened, answers wait on the device @full', async ({
  page,
  context,
}) => {
  await enter(page, 'inspector', '/jobs/409?station=cause');
  const guess = page.getByTestId('guess-first');
  await expect(guess.or(first(page)).first()).toBeVisible();
  if (await guess.isVisible()) await guess.getByRole('button', { name: 'I’d rather not say' }).click();
  await expect(first(page)).toBeVisible();
  await everythingStored(page);
  await context.setOffline(true);
  await page.locator('body').press('ArrowDown');
  await expect(first(page)).toBeFocused();
  for (let step = 0; step < 2; step += 1) await page.keyboard.press('ArrowDown');
  const third = page.locator('[data-cause-row]').nth(2);
  await expect(third).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(third).toHaveAttribute('aria-expanded', 'true');
  await page.keyboard.press('1');
  const look = page.locator('[data-look]').first();
  await expect(look.getByRole('button').first()).toBeFocused();
  const asked = await look.getAttribute('data-look');
  await page.keyboard.press('Enter');
  await expect(page.locator(`[data-look="${asked}"]`)).toHaveCount(0);
  await context.setOffline(false);
  await everythingStored(page);
  expect((await held(page)).records.some(({ content }) => content.node === asked)).toBe(true);
});

test('the ranking, the chain and the checks pass the accessibility rules, by day and by night @full', async ({
  page,
}) => {
  await enter(page, 'inspector', '/jobs/442?station=cause');
  for (const theme of ['light', 'dark']) {
    await page.evaluate((chosen) => localStorage.setItem('theme', chosen), theme);
    await reload(page);
    await expect(page.getByTestId('look-next')).toBeVisible();
    await page.getByRole('button', { name: /^Show all \d+ findings/ }).click();
    const { violations } = await new AxeBuilder({ page })
      .exclude('[data-testid="section"]')
      .withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'])
      .analyze();
    expect(
      violations.map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html.slice(0, 120)).join(' | ')}`),
    ).toEqual([]);
  }
});

test('the lead reads and corrects the network, tried on the shop’s conclusions first @full', async ({
  page,
}) => {
  await enter(page, 'lead', '/cause-network');
  await page.getByLabel('Search causes and findings').fill('oil-short');
  const node = page.getByTestId('node-oil-short');
  await node.getByLabel(/from oil level too low/).selectOption('often');
  await page.getByRole('button', { name: 'Try the changes' }).click();
  await expect(page.getByTestId('network-trial')).toContainText(/concluded jobs would be ranked otherwise/);
  await expect(page.getByRole('button', { name: 'Keep as the shop’s own' })).toBeDisabled();
  await page.getByRole('button', { name: 'Take them back' }).click();
  await expect(node.getByLabel(/from oil level too low/)).toHaveValue('usually');
});
