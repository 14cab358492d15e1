import { spawnSync } from 'node:child_process';
import { describe, expect, it } from 'vitest';

const compute = (parts: readonly string[], input = '') =>
  spawnSync(process.execPath, ['--import', 'tsx', 'cli/compute.ts', ...parts], { input, encoding: 'utf8' });

describe('npm run compute', () => {
  it('answers a verdict in JSON', () => {
    // Worked figures that were computed apart from this project: mean of repeats against a smallest value.
    const input = {
      unit: 'mm',
      readings: [7.24, 7.22, 7.25, 7.23, 7.24],
      limits: { min: 7.2 },
      gauge: { resolution: 0.01, maxPermissibleError: 0.02 },
    };
    const { status, stdout, stderr } = compute(['verdict'], JSON.stringify(input));
    expect({ status, stderr }).toEqual({ status: 0, stderr: '' });
    const answer = JSON.parse(stdout) as Record<string, number | string>;
    expect(answer.verdict).toBe('within');
    expect(answer.guardBand).toBeCloseTo(0.021418, 6);
    expect(answer.probabilityWithin).toBeCloseTo(0.99697, 5);
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
  ])('refuses %s on one line, with its path', (_, input, path) => {
    const { status, stdout, stderr } = compute(['verdict'], input);
    expect({ status, stdout }).toEqual({ status: 2, stdout: '' });
    expect(stderr.trim().split('\n')).toHaveLength(1);
    expect(JSON.parse(stderr)).toMatchObject({ code: 'bad-input', path });
  });

  it('reads the picture that an input names, and refuses one that is none', () => {
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
    const { status, stdout } = compute(
      ['surface-damage'],
      input('demo/photographs/ring-gear-sound-tooth.jpg'),
    );
    expect(status).toBe(0);
    expect(JSON.parse(stdout)).toMatchObject({
      areaFraction: expect.any(Number),
      largest: { diameterMm: expect.any(Number) },
    });
    expect(Object.keys(JSON.parse(stdout))).toEqual(['areaFraction', 'count', 'largest', 'confidence']);
    const none = compute(['surface-damage'], input('package.json'));
    expect([none.status, JSON.parse(none.stderr)]).toMatchObject([2, { code: 'bad-input', path: 'image' }]);
    const outside = compute(['surface-damage'], input('demo/photographs/ring-gear-sound-tooth.jpg', -900));
    expect(JSON.parse(outside.stderr)).toMatchObject({ code: 'bad-input', path: 'region.0' });
  });

  it('lists what it knows and shows the schema of each', () => {
    expect(compute(['--list']).stdout).toMatch(/^verdict {2,}\S/m);
    const schema = JSON.parse(compute(['verdict', '--schema']).stdout) as {
      input: { properties: object };
      output: { properties: object };
    };
    expect(Object.keys(schema.input.properties)).toEqual(
      expect.arrayContaining(['readings', 'limits', 'gauge']),
    );
    expect(Object.keys(schema.output.properties)).toEqual(
      expect.arrayContaining(['verdict', 'guardBand', 'extraReadings']),
    );
    expect(JSON.parse(compute(['wizardry']).stderr)).toMatchObject({ code: 'bad-input', path: '' });
  });
});
