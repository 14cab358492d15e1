import path from 'node:path';
import { chromium } from '@playwright/test';
import { wavOf } from '@/core/sound/wav';
import { BROWSER } from './chromium.mjs';
import {
  bookIn,
  enter,
  everythingStored,
  expect,
  jobIdOf,
  passesTheRules,
  reload,
  storedJob,
  test,
  toStation,
} from './fixtures';

const demoRecording = (file: string) => path.join(import.meta.dirname, '../../demo/recordings', file);
const wav = (samples: Float32Array) => Buffer.from(wavOf([samples], 8000));
const named = (name: string, buffer: Buffer) => ({ name, mimeType: 'audio/wav', buffer });

test('a recording is brought, told, heard and kept by keyboard; it speaks among the causes; what is none is refused in words', async ({
  page,
}) => {
  await enter(page, 'inspector');
  await bookIn(page, 'bus of the pass road');
  const job = await jobIdOf(page);
  await toStation(page, 'Baseline');
  await page.getByRole('button', { name: 'Record the noise' }).click();
  const desk = page.getByTestId('sound-desk');
  const file = desk.getByLabel('Or bring one');
  await file.setInputFiles(
    named('song.wav', Buffer.from([0xff, 0xfb, 0x90, 0x64, ...new Array(400).fill(3)])),
  );
  await expect(desk.getByRole('alert')).toContainText(
    '“song.wav”: This recording can’t be taken: it is an MP3',
  );
  await file.setInputFiles(named('mute.wav', wav(new Float32Array(8000))));
  await expect(desk.getByRole('alert')).toContainText('nothing but silence in this recording');
  await file.setInputFiles(demoRecording('pass-road-60.wav'));
  const one = desk.getByTestId('one-recording');
  await expect(one).toContainText('In which gear it was made isn’t told yet.');
  // What was typed stays through a reload.
  const form = one.getByTestId('tell-recording');
  await form.getByLabel('road speed, km/h').fill('600');
  await reload(page);
  await expect(form.getByLabel('road speed, km/h')).toHaveValue('600');
  await form.getByLabel('gear').selectOption('Drive');
  await form.getByLabel('road speed, km/h').press('Enter');
  await expect(form.getByRole('alert')).toContainText('a road speed lies between 1 and 300 km/h');
  await form.getByLabel('road speed, km/h').fill('60');
  await form.getByLabel('output turns for one of the wheel').fill('1');
  await form.getByLabel('road speed, km/h').press('Enter');
  await expect(one.getByTestId('in-one-line')).toContainText('Speaks most for Head bearing, outer race');
  await expect(one.getByRole('table', { name: 'What is heard' })).toContainText(
    'Pinion teeth and Ring gear, 11 with 41 teeth',
  );
  // Its tone is taken in hand, and looked at from nearer by keys.
  await one.getByRole('button', { name: /^194\.\d Hz$/ }).press('Enter');
  const chart = one.getByTestId('order-chart').getByRole('img');
  await chart.focus();
  for (const key of ['+', '+', '+']) await page.keyboard.press(key);
  await expect(chart).toHaveAttribute('aria-label', /nearby, \d+ to (2|3)\d\d Hz/);
  const cursor = one.getByRole('slider', { name: 'Where it is played' });
  await cursor.focus();
  await page.keyboard.press('ArrowRight');
  await expect(cursor).toHaveAttribute('aria-valuetext', '0.5 seconds');
  // The shop's computer gives it piece by piece.
  await everythingStored(page);
  const { recordings } = await storedJob(page, job);
  const kept = recordings.find(({ fileName }) => fileName === 'pass-road-60.wav');
  expect(kept).toMatchObject({ rate: 16_000, seconds: 10 });
  const piece = await page.request.get(`/api/v1/jobs/${job}/recordings/${kept!.id}`, {
    headers: { range: 'bytes=0-3' },
  });
  expect([piece.status(), await piece.text()]).toEqual([206, 'RIFF']);
  await passesTheRules(page);
  await one.getByRole('button', { name: 'Keep what is heard' }).click();
  await expect(one.getByRole('button', { name: 'Kept; it stands among the causes' })).toBeVisible();
  await everythingStored(page);
  await toStation(page, 'Cause');
  await expect(page.locator('main')).toContainText('Head bearing');
  // Told otherwise it is another hearing: nothing of the unit fits at twice the speed, and that is said.
  await toStation(page, 'Baseline');
  await page.getByRole('button', { name: 'Noise: 2 recordings' }).click();
  await one.getByRole('button', { name: 'it was otherwise' }).click();
  await form.getByLabel('road speed, km/h').fill('93');
  await form.getByRole('button', { name: 'Hold it against the unit' }).click();
  await expect(one.getByRole('button', { name: 'Keep what is heard' })).toBeEnabled();
});

// Full run only: a made microphone of its own; bringing a recording stays.
test('the device’s own microphone records, with how loud it is, and the recording is kept without network @full', async ({
  baseURL,
}) => {
  const browser = await chromium.launch({
    ...BROWSER,
    args: [...BROWSER.args, '--use-fake-device-for-media-stream', '--use-fake-ui-for-media-stream'],
  });
  try {
    const page = await browser.newPage({
      ...(baseURL ? { baseURL } : {}),
      viewport: { width: 1024, height: 768 },
    });
    await enter(page, 'inspector');
    await bookIn(page, 'mower of the microphone');
    const job = await jobIdOf(page);
    await toStation(page, 'Book in');
    await page.getByRole('button', { name: 'Record the noise' }).click();
    const desk = page.getByTestId('sound-desk');
    await desk.getByRole('button', { name: 'Record now' }).click();
    await expect(desk.getByRole('meter', { name: 'Loudness' })).toBeVisible();
    await expect(desk.getByRole('button', { name: /^Stop, [3-9] s/ })).toBeVisible();
    await page.context().setOffline(true);
    await desk.getByRole('button', { name: /^Stop/ }).click();
    await expect(desk.getByText(/^recorded \d+ s\.wav/)).toBeVisible();
    // It is heard from this device while it waits.
    await expect(desk.getByRole('slider', { name: 'Where it is played' })).toBeVisible();
    await page.context().setOffline(false);
    await everythingStored(page);
    const { recordings } = await storedJob(page, job);
    expect(recordings).toHaveLength(1);
    expect(recordings[0]!.seconds).toBeGreaterThan(2);
  } finally {
    await browser.close();
  }
});
