import path from 'node:path';
import type { Page } from '@playwright/test';
import { contactPattern } from '@/core/imaging/pattern/contactPattern';
import type { Quad } from '@/core/imaging/raster';
import { decodePicture } from '@/server/photos/decodePicture';
import { flankCorners } from '../../demo/render/flankCorners';
import {
  alive,
  bookIn,
  chooser,
  enter,
  everythingStored,
  expect,
  jobIdOf,
  openTicket,
  stored,
  test,
} from './fixtures';
import { drawOn, openPhotograph, toTool } from './pictureDesk';
import { demoPhotograph } from './pictures';

/** The flank's corners in the demonstration's painted pictures, as their renderer was told. */
const FLANK = flankCorners(2000, 1500);
const NAMES = ['toe, root', 'heel, root', 'heel, top', 'toe, top'] as const;

const cornersOf = async (page: Page): Promise<[number, number][]> =>
  Promise.all(
    NAMES.map(async (name) => {
      const label = await page
        .getByRole('button', { name: new RegExp(`^${name}`) })
        .getAttribute('aria-label');
      const [, x, y] = /: (-?\d+), (-?\d+)/.exec(label ?? '') ?? [];
      return [Number(x), Number(y)] as [number, number];
    }),
  );

async function measure(page: Page, peg: number, file: string, kind: string): Promise<void> {
  await openPhotograph(page, peg, file);
  await toTool(page, 'Pattern, pits');
  // Corners begin in the middle of the picture of 2000 × 1500 until the program has looked, or where they were the last time.
  await expect.poll(async () => (await cornersOf(page))[0]).not.toEqual([500, 975]);
  await page.getByRole('button', { name: kind }).click();
  await page.getByRole('button', { name: 'Measure', exact: true }).click();
  await expect(page.getByTestId('measured')).toBeVisible();
}

async function keep(page: Page): Promise<void> {
  await page.getByRole('button', { name: /^Keep it/ }).click();
  await expect(page.getByTestId('measured')).toHaveCount(0);
}

test('corners are proposed from the painted flank, the pattern read in a worker, both flanks say what to move, and a move teaches the unit @full', async ({
  page,
}) => {
  await enter(page, 'inspector');
  const peg = await bookIn(page, 'sprayer of the pattern');
  await openTicket(page, 'Ring gear');
  await page.getByRole('tab', { name: 'Picture' }).click();
  const files = ['pattern-drive.jpg', 'pattern-coast.jpg', 'pattern-drive-2.jpg'];
  await chooser(page).setInputFiles(files.map(demoPhotograph));
  await stored(page, await jobIdOf(page), 3);
  await openPhotograph(page, peg, 'pattern-drive.jpg');
  await toTool(page, 'Pattern, pits');
  // The picture is 2000 × 1500; the proposal comes within a tenth of the flank's length of the renderer's corners.
  await expect
    .poll(async () =>
      (await cornersOf(page)).every(
        ([x, y], index) => Math.hypot(x - FLANK[index]![0], y - FLANK[index]![1]) < 140,
      ),
    )
    .toBe(true);
  // A corner set by hand outlives a reload.
  const grip = page.getByRole('button', { name: /^heel, top/ });
  await grip.focus();
  await page.keyboard.press('ArrowRight');
  const moved = await cornersOf(page);
  await page.reload();
  await alive(page);
  await expect.poll(() => cornersOf(page)).toEqual(moved);
  await page.getByRole('button', { name: 'Measure', exact: true }).click();
  // By the renderer's formula the patch has its middle at 0.58 and 0.62 and covers π · 0.25 · 0.27 = 0.21 of the flank, or a little more.
  const told = await page.getByTestId('measured').innerText();
  const [, coverage, length, height] =
    /: (\d+) % of the flank; middle (\d+) % from the toe and (\d+) %/.exec(told) ?? [];
  expect(Math.abs(Number(coverage) - 21.5)).toBeLessThanOrEqual(6);
  expect(Math.abs(Number(length) - 58)).toBeLessThanOrEqual(5);
  expect(Math.abs(Number(height) - 62)).toBeLessThanOrEqual(5);

  // The brush takes away what a person says is none of the patch; the figures follow.
  await page.getByRole('button', { name: 'Brush: take away' }).click();
  await drawOn(page, [
    [0.45, 0.5],
    [0.68, 0.5],
  ]);
  await expect(page.getByTestId('measured')).toContainText('corrected by hand');
  const [, less] = /: (\d+) % of the flank/.exec(await page.getByTestId('measured').innerText()) ?? [];
  expect(Number(less)).toBeLessThan(Number(coverage));
  // What the brush did outlives a reload, and is taken back stroke by stroke.
  await page.reload();
  await alive(page);
  await expect(page.getByTestId('measured')).toContainText('corrected by hand');
  await expect(page.getByTestId('measured')).toContainText(`: ${less} % of the flank`);
  await page.getByRole('button', { name: 'Take the last stroke back' }).click();
  await expect(page.getByTestId('measured')).not.toContainText('corrected by hand');
  await expect(page.getByTestId('measured')).toContainText(`: ${coverage} % of the flank`);
  await keep(page);

  // The worker saw what the command line sees: the same corners give the same figures.
  const jobId = await jobIdOf(page);
  await everythingStored(page);
  const { records } = (await (await page.request.get(`/api/v1/jobs/${jobId}`)).json()) as {
    records: {
      content: {
        what: string;
        corners: Quad;
        found: { coverage: number; centroid: { length: number; height: number } };
      };
    }[];
  };
  const kept = records.map(({ content }) => content).findLast(({ what }) => what === 'picture-measured')!;
  const picture = await decodePicture(
    path.resolve(import.meta.dirname, '../../demo/photographs/pattern-drive.jpg'),
  );
  const again = contactPattern(picture, { flank: kept.corners });
  expect(Math.abs(again.coverage - kept.found.coverage)).toBeLessThan(0.004);
  expect(Math.abs(again.centroid.length - kept.found.centroid.length)).toBeLessThan(0.004);

  await measure(page, peg, 'pattern-coast.jpg', 'pattern on coast');
  await keep(page);
  await measure(page, peg, 'pattern-drive-2.jpg', 'pattern on drive');
  await keep(page);
  await everythingStored(page);

  await page.goto(`/jobs/${peg}?part=ring-gear&face=picture`);
  await alive(page);
  const advice = page.getByTestId('pattern-advice');
  await expect(advice).toContainText('Mean of 2 teeth');
  await expect(advice).toContainText('toward the ring');
  await expect(advice).toContainText('by the default sensitivities');
  await expect(advice.getByRole('img', { name: /The pinion moves .* toward the ring/ })).toBeVisible();
  await advice.getByRole('button', { name: 'The set-up was moved' }).click();
  await advice.getByRole('button', { name: 'Begin the next round' }).click();
  await expect(advice.getByRole('alert')).toContainText('Nothing was moved');
  await advice.getByLabel('Pinion, mm').fill('0,10');
  await advice.getByRole('button', { name: 'Begin the next round' }).click();
  await expect(advice.getByLabel('Pinion, mm')).toHaveCount(0);
  await everythingStored(page);
  await measure(page, peg, 'pattern-drive.jpg', 'pattern on drive');
  await keep(page);
  await measure(page, peg, 'pattern-coast.jpg', 'pattern on coast');
  await keep(page);
  await everythingStored(page);
  await page.goto(`/jobs/${peg}?part=ring-gear&face=picture`);
  await alive(page);
  await expect(advice.getByTestId('pattern-round')).toHaveCount(2);
  await expect(advice).toContainText('As found');
  await expect(advice).toContainText('After the pinion was moved +0.10 mm');
  await expect(advice.getByTestId('advice')).toContainText('The maker’s own chart decides');
});

// Full run only: refusals of crossed corners are held in core/imaging.
test('corners go by the keyboard too; crossed ones are refused in words, a bare picture is doubted, a sum can be stopped @full', async ({
  page,
}) => {
  await enter(page, 'inspector');
  await openPhotograph(page, 412, 'ring-gear-sound-tooth.jpg');
  await toTool(page, 'Pattern, pits');
  await expect(page.getByText(/ing the picture …/)).toHaveCount(0);
  const grip = page.getByRole('button', { name: /^toe, root/ });
  const before = await grip.getAttribute('aria-label');
  await grip.focus();
  await page.keyboard.press('Shift+ArrowRight');
  await expect(grip).not.toHaveAttribute('aria-label', before ?? '');
  await page.getByRole('button', { name: 'Measure', exact: true }).click();
  await expect(page.getByTestId('measured')).toContainText('not to be relied on');
  // The first corner carried far across the second.
  await grip.focus();
  for (let step = 0; step < 120; step += 1) await page.keyboard.press('Shift+ArrowRight');
  await page.getByRole('button', { name: 'Measure', exact: true }).click();
  await expect(page.getByTestId('measure-picture').getByRole('alert')).toContainText(
    /cross or fold in|enclose no area|lies outside/,
  );
  // Fetching is held back, so that there is something to stop.
  await page.route('**/pixels', () => new Promise(() => {}));
  await page.reload();
  await alive(page);
  await page.getByRole('button', { name: 'Propose corners' }).click();
  const stop = page.getByRole('button', { name: 'Stop' });
  await stop.click();
  await expect(stop).toHaveCount(0);
  await expect(page.getByRole('button', { name: 'Measure', exact: true })).toBeEnabled();
});

test('pits inside a line drawn round them become a finding’s extent when a person says so', async ({
  page,
}) => {
  await enter(page, 'inspector');
  await openPhotograph(page, 412, 'flank-pits.jpg');
  await toTool(page, 'Pattern, pits');
  await expect(page.getByText(/ing the picture …/)).toHaveCount(0);
  await page.getByRole('button', { name: 'pits', exact: true }).click();
  await page.getByRole('button', { name: 'Draw round it' }).click();
  await drawOn(page, [
    [0.22, 0.45],
    [0.8, 0.42],
    [0.82, 0.6],
    [0.22, 0.64],
    [0.22, 0.46],
  ]);
  await expect(page.getByTestId('outline')).toBeVisible();
  await page.reload();
  await alive(page);
  await expect(page.getByTestId('outline')).toBeVisible();
  // The eye comes first: before it has spoken nothing is measured.
  const measure = page.getByRole('button', { name: 'Measure', exact: true });
  await expect(measure).toBeDisabled();
  await page.getByRole('button', { name: 'nearly all', exact: true }).click();
  await measure.click();
  // The renderer drew five.
  await expect(page.getByTestId('measured')).toContainText('5 pits');
  await expect(page.getByTestId('measured').getByRole('alert')).toContainText(
    'By eye: nearly all; the picture:',
  );
  await expect(page.getByRole('button', { name: 'Keep both: I looked again' })).toBeEnabled();
  await page.getByRole('button', { name: 'few', exact: true }).click();
  await expect(page.getByTestId('measured')).toContainText('by eye: few');
  await keep(page);
  await page.getByRole('button', { name: 'Note it as a finding' }).click();
  const form = page.getByTestId('note-pits');
  await form.getByLabel('What it is').selectOption({ label: 'macropitting, isolated' });
  await form.getByLabel('Where').selectOption('drive flank');
  await form.getByRole('button', { name: 'moderate' }).click();
  await expect(form).toHaveCount(0);
  await everythingStored(page);
  const { findings } = (await (await page.request.get(`/api/v1/jobs/${await jobIdOf(page)}`)).json()) as {
    findings: { positionId: string; mode: string; share?: number; note: string }[];
  };
  const noted = findings.find(({ note }) => note.includes('flank-pits.jpg'));
  expect(noted?.positionId).toBe('pinion-head');
  expect(noted?.share).toBeGreaterThan(0.01);
  expect(noted?.share).toBeLessThan(0.15);
});

test('a picture that can’t be read tells no share: it is brushed, and then kept as a hand’s', async ({
  page,
}) => {
  await enter(page, 'inspector');
  await openPhotograph(page, 412, 'flank-pits.jpg');
  await toTool(page, 'Pattern, pits');
  await expect(page.getByText(/ing the picture …/)).toHaveCount(0);
  await page.getByRole('button', { name: 'pits', exact: true }).click();
  // Round a corner of the bench beside the part: no machining lines, no surface to compare with.
  await page.getByRole('button', { name: 'Draw round it' }).click();
  await drawOn(page, [
    [0.3, 0.75],
    [0.6, 0.75],
    [0.6, 0.86],
    [0.3, 0.86],
    [0.3, 0.76],
  ]);
  await expect(page.getByTestId('outline')).toBeVisible();
  await page.getByRole('button', { name: 'many', exact: true }).click();
  await page.getByRole('button', { name: 'Measure', exact: true }).click();
  const measured = page.getByTestId('measured');
  await expect(measured).toContainText('The pits can’t be read from this picture; by eye: many');
  await expect(measured).not.toContainText('%');
  const keep = page.getByRole('button', { name: 'Keep it: it took the right place' });
  await expect(keep).toBeDisabled();
  await page.getByRole('button', { name: 'Brush: add' }).click();
  await drawOn(page, [
    [0.35, 0.79],
    [0.5, 0.82],
  ]);
  await expect(measured).toContainText('corrected by hand');
  await expect(measured).toContainText('%');
  await expect(keep).toBeEnabled();
});
