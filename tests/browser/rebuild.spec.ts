import { AxeBuilder } from '@axe-core/playwright';
import { alive, bookIn, enter, everythingStored, expect, jobIdOf, reload, storedJob, test } from './fixtures';

/* The way back: the strip the other way round, bolts round the star, the bench counted down. */

test('an assembler puts a unit back: how it lay, its bolts round the star by keyboard, a bolt that turned, pieces down to zero', async ({
  page,
}) => {
  await enter(page, 'assembler', '/jobs/398?station=rebuild');
  const station = page.getByTestId('rebuild');
  await expect(station).toContainText('0 of 8 steps are in');
  const step = page.getByTestId('step-in');
  await expect(step).toContainText('Press the pinion out, the other way round');
  await expect(step).toContainText('Never used twice, a new one goes in:Crush sleeve');
  await step.getByLabel(/^Anything else/).fill('new sleeve, crushed last');
  await step.getByRole('button', { name: 'It is in' }).click();
  await expect(step).toContainText('Undo the pinion nut');
  await expect(station).toContainText('1 of 8 steps are in');
  // The run counts it from now on.
  await expect(
    page
      .getByRole('link', { name: /^Rebuild/ })
      .or(page.getByRole('button', { name: /^Rebuild/ }))
      .first(),
  ).toContainText('open');

  // The four bolts of the caps, three rounds of a star; one turns at its value.
  await station.getByRole('button', { name: /Mark and take off the bearing caps/ }).click();
  const circle = page.getByTestId('bolt-circle');
  await expect(circle).toContainText('Bolt 1 of 4, 26 N·m');
  await page.locator('body').press('t');
  await expect(circle).toContainText('Bolt 2 of 4, 26 N·m');
  await page.keyboard.press('x');
  await expect(circle).toContainText('Turned at its value: 2');
  await expect(circle).toContainText('Bolt 2 of 4, 26 N·m');
  // What is only snugged goes round in one word, apart from the bolt that turned; at its value each is ticked alone.
  await page.keyboard.press('r');
  await expect(circle.getByRole('img')).toHaveAccessibleName(/next is bolt 2 of 4 at 26 N·m/);
  await page.keyboard.press('t');
  await expect(circle).toContainText('Bolt 1 of 4, 51 N·m');
  await circle.getByRole('button', { name: 'All 4 hold at 51 N·m (R)' }).click();
  for (const bolt of [1, 2, 3, 4]) {
    await expect(circle).toContainText(`Bolt ${bolt} of 4, 85 N·m`);
    await expect(circle.getByRole('button', { name: /\(R\)/ })).toHaveCount(0);
    await page.keyboard.press('r');
    if (bolt < 4) await page.keyboard.press('t');
  }
  await page.keyboard.press('t');
  await expect(circle).toContainText('Every bolt holds at 85 N·m');
  await expect(circle.getByRole('img')).toHaveAccessibleName(/all 4 bolts hold/);

  // A piece too few is told, and keeps it open.
  const bench = page.getByRole('region', { name: 'On the bench' });
  const bolts = bench.getByLabel('Ring bolts, how many are in');
  await bolts.fill('9');
  await bolts.press('Enter');
  await expect(bench).toContainText('Ring bolts: 9 of 10 in');
  await bolts.fill('ten');
  await bolts.press('Enter');
  await expect(bench.getByRole('alert')).toContainText('“ten” is no count');
  await page.getByLabel('A compound, an odd shim, a trick').fill('Left stack came from another case.');
  await page.getByRole('button', { name: 'Note it' }).click();
  await expect(page.getByRole('region', { name: 'For the next opener' })).toContainText('(');
  await everythingStored(page);
  await reload(page);
  await expect(bench).toContainText('Ring bolts: 9 of 10 in');
  const { records } = await storedJob(page, await jobIdOf(page));
  // The first, the one that turned and was mended, and four at their value; two rounds in one word.
  const torqued = records.filter(({ content }) => content.what === 'torqued');
  expect(torqued).toHaveLength(7);
  expect(records.filter(({ content }) => content.what === 'round-torqued')).toHaveLength(2);
  const { violations } = await new AxeBuilder({ page })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'])
    .analyze();
  expect(violations.map(({ id, nodes }) => `${id}: ${nodes[0]?.html}`)).toEqual([]);
});

test('a gear set is set up by keyboard: the tool tells the move, learns from it, and says when to leave it', async ({
  page,
}) => {
  await enter(page, 'inspector', '/jobs/412?station=rebuild');
  await page.getByRole('button', { name: 'Set-up', exact: true }).click();
  const bench = page.getByRole('region', { name: /^Set-up of Pinion teeth and Ring gear/ });
  const form = bench.getByTestId('round-form');
  await expect(form).toContainText('Round 1, as it is together now');
  // With what suits the backlash one begins.
  await expect(form.getByLabel('Read with')).toHaveValue('dial-g4');
  await form.getByLabel('tooth 1', { exact: true }).fill('a third');
  await form.getByRole('button', { name: 'Keep this round' }).click();
  await expect(form.getByRole('alert')).toContainText('“a third” is no figure');
  const read = async (figures: readonly string[]) => {
    await form.getByLabel('tooth 1', { exact: true }).focus();
    for (const figure of figures) {
      await page.keyboard.press('Control+a');
      await page.keyboard.type(figure);
      await page.keyboard.press('Tab');
    }
  };
  const mark = async () => {
    for (const [label, words] of [
      ['Drive, toe or heel', 'drive: at the middle, a little to the toe'],
      ['Drive, root or top', 'drive: half way up'],
      ['Coast, toe or heel', 'coast: at the middle, a little to the toe'],
      ['Coast, root or top', 'coast: half way up'],
    ] as const)
      await form.getByLabel(label).selectOption({ label: words });
  };
  await read(['0,33', '0.34', '0.34', '0.34', '0.34', '0.33', '0.33', '0.33']);
  // A reload loses nothing of what was typed.
  await reload(page);
  await expect(form.getByLabel('tooth 37')).toHaveValue('0.33');
  await mark();
  await form.getByRole('button', { name: 'Keep this round' }).click();
  const advice = page.getByTestId('advice');
  await expect(advice).toContainText(/^Ring 0\.\d+ mm toward the pinion/);
  // Where the ring comes to lie is drawn on the unit, larger than life and said so.
  await expect(page.getByTestId('section').locator('[data-ghost="ring-gear"]')).toContainText(/0\.\d\d/);
  await expect(page.getByText('Moves are drawn 25 times their size')).toBeVisible();
  await expect(
    bench.getByRole('img', { name: /^Backlash: found 0\.3\d, now 0\.3\d mm, band 0\.15 to 0\.20/ }),
  ).toBeVisible();
  await expect(form).toContainText('Round 2');
  await read(['0.17', '0.18', '0.18', '0.18', '0.18', '0.17', '0.17', '0.17']);
  await mark();
  await page.keyboard.press('Enter');
  await form.getByRole('button', { name: 'Keep this round' }).click();
  await expect(advice).toHaveAttribute('data-status', 'in-band');
  await expect(advice).toContainText('It stays so');
  await expect(advice).toContainText('when the new sleeve is crushed, last of all');
  await expect(bench.getByRole('list', { name: 'Rounds' })).toContainText('toward the pinion');
  await everythingStored(page);
});

test('who orders parts sees the way back and has no key to it; a unit of which nothing was put down says so', async ({
  page,
}) => {
  await enter(page, 'parts', '/jobs/398?station=rebuild');
  await expect(page.getByTestId('step-in')).toBeVisible();
  await expect(page.getByRole('button', { name: 'It is in' })).toHaveCount(0);
  await page.goto('/jobs/421?station=rebuild');
  await alive(page);
  await expect(page.getByText('Nothing was written down of how it came apart')).toBeVisible();
});

// Full run only: core/practice plays hundreds of axles; the fingers’ test opens the same screen.
test('a practice axle is set up by keyboard with what the tool would do; it is no job @full', async ({
  page,
}) => {
  await enter(page, 'apprentice', '/training');
  await page.getByRole('link', { name: 'Set up a practice axle' }).click();
  const practice = page.getByTestId('practice');
  await expect(practice).toContainText('Axle 1, round 1');
  const left = practice.getByRole('textbox', { name: /^Left / });
  await left.fill('200');
  await left.press('Enter');
  await expect(practice.getByRole('alert')).toContainText('“200” is no move');
  const nut = practice.getByLabel('Tighten the nut by, degrees');
  await nut.fill('-3');
  await nut.press('Enter');
  await expect(practice.getByRole('alert').last()).toContainText('only ever goes tighter');
  // What is read before it was turned is called nothing.
  await expect(practice.locator('[data-instrument="Pinion preload"]')).toContainText('Turn it first');
  // As told, by keyboard, until the tool says that it stays; only a move is a round.
  const word = practice.getByTestId('tools-word');
  let round = 1;
  const done: string[] = [];
  for (let act = 1; act <= 30; act += 1) {
    await practice.getByRole('button', { name: 'What would the tool do?' }).press('Enter');
    const what = (await word.getAttribute('data-next'))!;
    if (what === 'done') break;
    done.push(what);
    await word.getByRole('button', { name: 'Do as told' }).press('Enter');
    await expect(word).toHaveCount(0);
    if (what === 'move') round += 1;
    await expect(practice).toContainText(`Axle 1, round ${round}`);
  }
  expect(done).toEqual(expect.arrayContaining(['turn', 'move', 'caps', 'nut']));
  // It outlives a reload.
  await reload(page);
  await practice.getByRole('button', { name: 'It stays so' }).click();
  await expect(practice.getByTestId('practice-told')).toContainText('It is right, after');
  await expect(practice.getByTestId('practice-told')).toContainText('Who could see inside');
  await expect(practice.getByTestId('practice-told')).toContainText(
    'The tool, which sees no more than you, took',
  );
  await practice.getByRole('button', { name: 'Another axle' }).click();
  await expect(practice).toContainText('Axle 2, round 1');
  const { violations } = await new AxeBuilder({ page })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'])
    .analyze();
  expect(violations.map(({ id, nodes }) => `${id}: ${nodes[0]?.html}`)).toEqual([]);
});

test('the move is told in pieces: what comes out, what goes in, from what lies in the drawer; a read-again is no round', async ({
  page,
}) => {
  await enter(page, 'lead');
  const peg = await bookIn(page, 'axle of packs', 'Hypoid axle head 11/41');
  await page.goto(`/jobs/${peg}?station=rebuild`);
  await alive(page);
  await page.getByRole('button', { name: 'Set-up', exact: true }).click();
  const form = page.getByTestId('round-form');
  const read = async (figures: readonly string[]) => {
    for (const [at, figure] of figures.entries())
      await form
        .getByLabel(/^tooth \d+$/)
        .nth(at)
        .fill(figure);
  };
  await form.getByLabel(/^B: pieces/).fill('2.40 0.50 x');
  await read(['0.27', '0.28', '0.28', '0.28', '0.28', '0.27', '0.27', '0.27']);
  await form.getByRole('button', { name: 'Keep this round' }).click();
  await expect(form.getByRole('alert')).toContainText('B: “x” is no thickness');
  await form.getByLabel(/^B: pieces/).fill('2.40 0.50 0.36');
  await form.getByLabel(/^C: pieces/).fill('4.10 0,14');
  for (const [label, words] of [
    ['Drive, toe or heel', 'drive: at the middle, a little to the toe'],
    ['Drive, root or top', 'drive: half way up'],
  ] as const)
    await form.getByLabel(label).selectOption({ label: words });
  await form.getByRole('button', { name: 'Keep this round' }).click();
  const advice = page.getByTestId('advice');
  await expect(advice).toContainText(/^Ring 0\.1\d mm toward the pinion/);
  const packs = page.getByTestId('how-to-move');
  await expect(packs.locator('[data-pack="B"]')).toContainText(/\d out, \d.*3\.26 → 3\.1\d/);
  await expect(packs.locator('[data-pack="C"]')).toContainText(/4\.24 → 4\.[34]\d/);
  await expect(packs).toContainText('Together still 7.50');
  await expect(packs.getByRole('img', { name: /^Stack B: 2\.40 and 0\.50 and 0\.36/ })).toBeVisible();

  // A drawer that can't make it says what to buy.
  await page.getByText('Shims on hand').click();
  const drawer = page.getByTestId('shim-drawers').getByLabel(/^For B and C/);
  const before = await drawer.inputValue();
  await drawer.fill('9');
  await page.getByTestId('shim-drawers').getByRole('button', { name: 'Keep' }).first().click();
  await expect(packs).toContainText('buy or make');
  await drawer.fill(before);
  await page.getByTestId('shim-drawers').getByRole('button', { name: 'Keep' }).first().click();
  await expect(packs).not.toContainText('buy or make');

  // Nothing moved, one tooth read again: the round stays the first.
  await form.getByRole('button', { name: 'Nothing moved, read again' }).click();
  await form
    .getByLabel(/^tooth \d+$/)
    .first()
    .fill('0.275');
  await form.getByRole('button', { name: 'Keep what was read again' }).click();
  await everythingStored(page);
  const rounds = page.getByRole('list', { name: 'Rounds' });
  await expect(rounds).toContainText('first build');
  await expect(rounds.getByText(/^0\.2\d mm/)).toHaveCount(1);
  // As told: what lies in the stacks is known from then on.
  await expect(form).toContainText('Round 2');
  await read(['0.17', '0.18', '0.18', '0.18', '0.18', '0.17', '0.17', '0.17']);
  await form.getByRole('button', { name: 'Keep this round' }).click();
  await expect(rounds).toContainText('toward the pinion');
  await everythingStored(page);
  const { records } = await storedJob(page, await jobIdOf(page));
  const last = records.map(({ content }) => content as Record<string, unknown>).at(-1)!;
  expect(last).toMatchObject({ what: 'setup-round', moved: { asTold: true } });
  expect((last.packs as { stackId: string }[]).map(({ stackId }) => stackId).sort()).toEqual([
    's-left',
    's-right',
  ]);
});

test('the preload goes only tighter, and the first stack is figured by the maker’s own sign', async ({
  page,
}) => {
  await enter(page, 'assembler', '/jobs/444?station=rebuild');
  await page.getByRole('button', { name: 'Set-up', exact: true }).click();
  const preload = page.locator('[data-instrument="Pinion preload"]');
  await preload.getByRole('button', { name: 'Read the turning torque' }).click();
  const form = preload.getByTestId('torque-form');
  await form.getByRole('button', { name: 'the new sleeve' }).click();
  await form.getByRole('button', { name: 'new', exact: true }).click();
  await form.getByLabel('Turning steadily, N·m').fill('2.9');
  await form.getByRole('button', { name: 'Keep the turning torque' }).click();
  await expect(form.getByRole('alert')).toContainText('How many turns');
  await form.getByLabel('Turns before it').fill('20');
  await form.getByRole('button', { name: 'Keep the turning torque' }).click();
  await expect(preload.getByTestId('preload-advice')).toHaveAttribute('data-act', 'new-sleeve');
  // The next reading is of the same set-up until somebody says otherwise.
  await preload.getByRole('button', { name: 'Read the turning torque' }).click();
  await expect(form.getByRole('button', { name: 'the new sleeve' })).toHaveAttribute('aria-pressed', 'true');
  await expect(form.getByRole('button', { name: 'new', exact: true })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await expect(preload.getByRole('img', { name: /^Crush sleeve: only tighter/ })).toBeVisible();

  const depth = page.locator('[data-instrument="Pinion depth"]');
  await depth.getByRole('button', { name: 'Figure the first stack' }).click();
  const figures = depth.getByTestId('depth-form');
  for (const [label, figure] of [
    ['Old stack, mm', '1.02'],
    ['Etched on the old pinion, mm', '0.05'],
    ['Etched on the new pinion, mm', '-0.02'],
    ['Old bearing, width, mm', '22'],
    ['New bearing, width, mm', '21.98'],
  ] as const)
    await figures.getByLabel(label).fill(figure);
  await figures.getByRole('button', { name: 'Figure it' }).click();
  await expect(figures.getByRole('alert')).toContainText('Which way does the maker count');
  await figures.getByRole('button', { name: '+ means thinner' }).click();
  await figures.getByRole('button', { name: 'Figure it' }).click();
  await expect(depth).toContainText('First figured: 1.11 mm');
  await everythingStored(page);
});

test('a reworked part stays out until it measures within; a refused work needs its process', async ({
  page,
}) => {
  await enter(page, 'assembler', '/jobs/444?station=rebuild');
  await page.getByRole('button', { name: 'Rework', exact: true }).click();
  const ticket = page.locator('[data-rework="yoke"]').first();
  await expect(ticket).toHaveAttribute('data-state', 'out');
  const form = page.getByTestId('rework-form');
  await form.getByLabel('Which part').selectOption({ label: 'Lock spring' });
  await form.getByRole('button', { name: 'Plate' }).click();
  await expect(form.getByRole('note')).toContainText('brittle');
  await expect(form.getByRole('button', { name: 'Write the ticket' })).toBeDisabled();
  await form.getByRole('button', { name: 'Turn over' }).click();
  await form.getByLabel('What is done').fill('turned end for end');
  await form.getByRole('button', { name: 'Write the ticket' }).click();
  await expect(form.getByRole('alert')).toContainText('to which figure');

  await ticket.getByLabel('Read with').selectOption('micrometer-m2');
  await ticket.getByLabel('After the work, mm').fill('0.11');
  await ticket.getByRole('button', { name: 'Measured after' }).click();
  await expect(ticket).toHaveAttribute('data-state', 'beyond');
  await page.getByRole('button', { name: 'The way back' }).click();
  await page.getByRole('button', { name: /^\d+\. Undo the pinion nut, draw the yoke/ }).click();
  await expect(page.getByTestId('step-in')).toContainText('Yoke may not go in');
  await expect(page.getByTestId('step-in').getByRole('button', { name: 'It is in' })).toBeDisabled();
  await page.getByRole('button', { name: 'Rework', exact: true }).click();
  await ticket.getByLabel('Read with').selectOption('micrometer-m2');
  await ticket.getByLabel('After the work, mm').fill('0.02');
  await ticket.getByRole('button', { name: 'Measured after' }).click();
  await expect(ticket).toHaveAttribute('data-state', 'within');
  await page.getByRole('button', { name: 'The way back' }).click();
  await expect(page.getByTestId('step-in').getByRole('button', { name: 'It is in' })).toBeEnabled();
  await everythingStored(page);
});

test('a box is proved, measured anew and closed: a wrong ratio is told, a float names its stack, a deviation wants a name, a day goes into a calendar', async ({
  page,
}) => {
  await enter(page, 'lead');
  const peg = await bookIn(page, 'box to close', 'Five-speed box');
  await page.goto(`/jobs/${peg}?station=rebuild`);
  await alive(page);
  await page.getByRole('button', { name: 'Proof', exact: true }).click();
  const third = page.locator('[data-proof="ratio:3"]');
  await third.getByRole('button').first().click();
  await third.getByRole('button', { name: 'Turns free', exact: true }).click();
  await expect(third.getByRole('alert')).toContainText('Input in turns is needed');
  await third.getByLabel('Input, turns').fill('48.4');
  await third.getByLabel('Output, turns').fill('20');
  await third.getByRole('button', { name: 'Turns free', exact: true }).click();
  // 35/25 · 38/22 = 2.42: second gear is in.
  await expect(third).toHaveAttribute('data-state', 'fail');
  await expect(third).toContainText('that is 2');
  const heat = page.locator('[data-proof="heat-bearings"]');
  await heat.getByRole('button').first().click();
  await heat.getByLabel('Highest, °C').fill('140');
  await heat.getByRole('button', { name: 'Fitted within the limit' }).click();
  await expect(heat).toContainText('softens above 110');

  await page.getByRole('button', { name: 'Measured', exact: true }).click();
  const float = page.locator('[data-after="after:main-float:shim-input"]');
  await float.getByRole('button', { name: 'Read it' }).click();
  await float.getByLabel(/^End play of the input shaft/).fill('0.31');
  await float.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(float).toHaveAttribute('data-state', 'beyond');
  await expect(float.getByTestId('float-advice')).toContainText('Add 0.21 mm at A');

  await page.getByRole('button', { name: 'Closing', exact: true }).click();
  const closing = page.getByTestId('closing');
  const deviation = closing.locator('[data-deviation="after:main-float:shim-input"]');
  await deviation.getByRole('button', { name: 'Sign for it' }).click();
  await expect(deviation.getByRole('alert')).toContainText('Say why');
  await deviation.getByLabel('Why it may leave so').fill('the owner wants it for one winter');
  await deviation.getByRole('button', { name: 'Sign for it' }).click();
  await expect(deviation).toContainText('Signed by Jonas Telle');
  await closing.getByLabel('What is done or looked at').fill('oil after 800 km');
  await closing.getByRole('button', { name: 'Note the day' }).click();
  await expect(closing.getByRole('alert').last()).toContainText('On which day?');
  await closing.getByLabel('On which day').fill('24 Dec 2026');
  await closing.getByLabel('On which day').blur();
  await closing.getByRole('button', { name: 'Note the day' }).click();
  await everythingStored(page);
  const address = await closing.getByRole('link', { name: /iCalendar/ }).getAttribute('href');
  const calendar = await (await page.request.get(address!)).text();
  expect(calendar).toContain('DTSTART;VALUE=DATE:20261224');
  expect(calendar).toContain('oil after 800 km');
  // Where it is settled is a press away.
  await closing.locator('[data-still-open="proof"]').click();
  await expect(page.getByTestId('proofs')).toBeVisible();
  for (const view of ['Proof', 'Measured', 'Rework', 'Closing']) {
    await page.getByRole('button', { name: view, exact: true }).click();
    const { violations } = await new AxeBuilder({ page })
      .exclude('[data-testid="section"]')
      .withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'])
      .analyze();
    expect(violations.map(({ id, nodes }) => `${view} ${id}: ${nodes[0]?.html}`)).toEqual([]);
  }
});

test('bolts turned on by an angle, with the bench’s wrench; a wrench that can’t be trusted with the value is refused', async ({
  page,
}) => {
  await enter(page, 'assembler', '/jobs/444?station=rebuild');
  await page.getByRole('button', { name: /^\d+\. Take the ring gear off/ }).click();
  const circle = page.getByTestId('bolt-circle');
  await expect(circle).toContainText('Round 1 of 4');
  await expect(circle).toContainText('new bolts');
  await circle.getByLabel('Its range to').fill('500');
  await expect(circle.getByTestId('wrong-wrench')).toContainText('Not with this wrench');
  // What it says is no tick.
  await expect(circle.getByRole('button', { name: /^Holds at/ })).toBeDisabled();
  await circle.getByLabel('Its range to').fill('140');
  await expect(circle.getByTestId('wrong-wrench')).toHaveCount(0);
  await circle.getByRole('button', { name: /^Pull the bench/ }).click();
  await expect(circle).toContainText('Bolt 2 of 10');
  await everythingStored(page);
  const { records } = await storedJob(page, await jobIdOf(page));
  const tick = records
    .map(({ content }) => content as Record<string, unknown>)
    .findLast(({ what }) => what === 'torqued');
  expect(tick).toMatchObject({ of: 'ring-off', held: true });
  expect(tick!.figure as number).toBeGreaterThanOrEqual(30);
});

test('a practice axle is set up with fingers alone: every key is large enough, the tool’s word is followed', async ({
  browser,
  shop,
}) => {
  const context = await browser.newContext({
    ...{
      hasTouch: true,
      viewport: { width: 1024, height: 768 },
      baseURL: shop.url,
      serviceWorkers: 'block',
    },
  });
  const page = await context.newPage();
  await enter(page, 'apprentice', '/training/axle');
  const practice = page.getByTestId('practice');
  for (const key of await practice.getByRole('button').all()) {
    const box = (await key.boundingBox())!;
    expect(Math.min(box.width, box.height)).toBeGreaterThanOrEqual(44);
  }
  await practice.getByRole('button', { name: 'What would the tool do?' }).tap();
  await expect(practice.getByTestId('tools-word')).toContainText('Turn it 15 times');
  await practice.getByRole('button', { name: /^Tooth 22,/ }).tap();
  await practice.getByRole('textbox', { name: /^Left / }).tap();
  await page.keyboard.type('1');
  await practice.getByRole('button', { name: 'Move and read' }).tap();
  await expect(practice).toContainText('round 2');
  await practice.getByRole('button', { name: 'It stays so' }).tap();
  await expect(practice.getByTestId('practice-told')).toContainText('after 2 rounds');
  await context.close();
});
