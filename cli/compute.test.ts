import { spawnSync } from 'node:child_process';
import { describe, expect, it } from 'vitest';
import { answerOf } from './answer';

/** As a program of its own: what a shell sees of it. */
const run = (parts: readonly string[], input: string) =>
  spawnSync(process.execPath, ['--import', 'tsx', 'cli/compute.ts', ...parts], { input, encoding: 'utf8' });
/** The same answers without a process for each. */
const compute = (parts: readonly string[], input = '') => answerOf(parts, () => input);

describe('npm run compute', () => {
  it('answers a verdict in JSON', () => {
    // Worked figures that were computed apart from this project: mean of repeats against a smallest value.
    const input = {
      unit: 'mm',
      readings: [7.24, 7.22, 7.25, 7.23, 7.24],
      limits: { min: 7.2 },
      gauge: { resolution: 0.01, maxPermissibleError: 0.02 },
    };
    const { status, stdout, stderr } = run(['verdict'], JSON.stringify(input));
    expect({ status, stderr }).toEqual({ status: 0, stderr: '' });
    const answer = JSON.parse(stdout) as Record<string, number | string>;
    expect(answer.verdict).toBe('within');
    expect(answer.guardBand).toBeCloseTo(0.021418, 6);
    expect(answer.probabilityWithin).toBeCloseTo(0.99697, 5);
  });

  it('names what is heard in a recording, the strongest first, and refuses a speed that is given twice', async () => {
    const asked = {
      ...{
        recording: 'demo/recordings/pass-road-60.wav',
        unitType: 'torvane-hx41',
        gear: 'Drive',
        speedKmh: 60,
      },
    };
    const { status, stdout } = await compute(['order-analysis'], JSON.stringify(asked));
    expect(status).toBe(0);
    const { matches, clipped, speedOff } = JSON.parse(stdout) as {
      matches: { place: string; order: number; level: number; ratio: number }[];
      clipped: boolean;
      speedOff: number;
    };
    // As the recording was made: blows at the outer race of the head bearing, 0.6 % faster than was said.
    expect(matches[0]).toMatchObject({ place: 'head-bearing' });
    expect(matches[0]!.ratio).toBeGreaterThan(5);
    expect(clipped).toBe(false);
    expect(Math.abs(speedOff - 0.006)).toBeLessThan(0.003);
    const twice = await compute(['order-analysis'], JSON.stringify({ ...asked, inputTurnsPerMinute: 1500 }));
    expect(JSON.parse(twice.stderr)).toMatchObject({
      code: 'bad-input',
      message: expect.stringContaining('given once'),
    });
    const gear = await compute(['order-analysis'], JSON.stringify({ ...asked, gear: '7' }));
    expect(JSON.parse(gear.stderr)).toMatchObject({ path: 'gear' });
    const text = await compute(['order-analysis'], JSON.stringify({ ...asked, recording: 'package.json' }));
    expect(JSON.parse(text.stderr)).toMatchObject({
      path: 'recording',
      message: expect.stringContaining('no WAV'),
    });
  });

  it('ends with 2 and one line on standard error when its input is no good', () => {
    const { status, stdout, stderr } = run(['verdict'], 'readings: 1');
    expect({ status, stdout }).toEqual({ status: 2, stdout: '' });
    expect(JSON.parse(stderr)).toMatchObject({ code: 'bad-input', path: '' });
  });

  it.each([
    [
      'a text among the readings',
      '{"unit":"mm","readings":[1,2,"3"],"limits":{},"gauge":{"resolution":0,"maxPermissibleError":0}}',
      'readings.2',
    ],
    ['a missing gauge', '{"unit":"mm","readings":[1],"limits":{}}', 'gauge'],
    ['no JSON', 'readings: 1', ''],
    [
      'a confidence beyond certainty',
      '{"unit":"mm","readings":[1],"limits":{},"confidence":1.2,"gauge":{"resolution":0,"maxPermissibleError":0}}',
      'confidence',
    ],
  ])('refuses %s on one line, with its path', async (_, input, path) => {
    const { status, stdout, stderr } = await compute(['verdict'], input);
    expect({ status, stdout }).toEqual({ status: 2, stdout: '' });
    expect(stderr.trim().split('\n')).toHaveLength(1);
    expect(JSON.parse(stderr)).toMatchObject({ code: 'bad-input', path });
  });

  it('reads the picture that an input names, and refuses one that is none', async () => {
    const input = (image: string, x = 20) =>
      JSON.stringify({
        image,
        region: [
          [x, 20],
          [300, 20],
          [300, 200],
          [x, 200],
        ],
        mmPerPixel: 0.05,
      });
    const { status, stdout } = await compute(
      ['surface-damage'],
      input('demo/photographs/ring-gear-sound-tooth.jpg'),
    );
    expect(status).toBe(0);
    expect(JSON.parse(stdout)).toMatchObject({
      areaFraction: expect.any(Number),
      largest: { diameterMm: expect.any(Number) },
    });
    expect(Object.keys(JSON.parse(stdout))).toEqual(['areaFraction', 'count', 'largest', 'confidence']);
    const none = await compute(['surface-damage'], input('package.json'));
    expect([none.status, JSON.parse(none.stderr)]).toMatchObject([2, { code: 'bad-input', path: 'image' }]);
    const outside = await compute(
      ['surface-damage'],
      input('demo/photographs/ring-gear-sound-tooth.jpg', -900),
    );
    expect(JSON.parse(outside.stderr)).toMatchObject({ code: 'bad-input', path: 'region.0' });
  });

  it('lists what it knows and shows the schema of each', async () => {
    expect((await compute(['--list'])).stdout).toMatch(/^verdict {2,}\S/m);
    const schema = JSON.parse((await compute(['verdict', '--schema'])).stdout) as {
      input: { properties: object };
      output: { properties: object };
    };
    expect(Object.keys(schema.input.properties)).toEqual(
      expect.arrayContaining(['readings', 'limits', 'gauge']),
    );
    expect(Object.keys(schema.output.properties)).toEqual(
      expect.arrayContaining(['verdict', 'guardBand', 'extraReadings']),
    );
    expect(JSON.parse((await compute(['wizardry'])).stderr)).toMatchObject({ code: 'bad-input', path: '' });
  });
});
