import fc from 'fast-check';
import * as v from 'valibot';
import { describe, expect, it } from 'vitest';
import { BadInput } from '../badInput';
import { TrainInputSchema, train } from './train';

const solve = (input: unknown) => train(v.parse(TrainInputSchema, input));

/** Sun 30, ring 90, planets 30, as in any textbook's first example. */
const planetary = (over: object) =>
  solve({
    bodies: ['sun', 'planet', 'ring', 'carrier'],
    meshes: [
      { a: 'sun', b: 'planet', teethA: 30, teethB: 30, carrier: 'carrier' },
      { a: 'ring', b: 'planet', teethA: 90, teethB: 30, carrier: 'carrier', internal: 'a' },
    ],
    ...over,
  });

describe('an epicyclic set', () => {
  it('with the ring held turns 1 + 90/30 = 4 to 1', () => {
    const { status, speeds } = planetary({ held: ['ring'], driven: [{ body: 'sun', speed: 1 }] });
    expect(status).toBe('determined');
    expect(speeds?.carrier).toBeCloseTo(1 / 4, 12);
    // Willis: the planet turns about its own pin at −(sun − carrier)·30/30, so −0.5 in space.
    expect(speeds?.planet).toBeCloseTo(-0.5, 12);
  });

  it('with the carrier held reverses 90/30 = 3 to 1', () => {
    const { speeds } = planetary({ held: ['carrier'], driven: [{ body: 'sun', speed: 3 }] });
    expect(speeds?.ring).toBeCloseTo(-1, 12);
  });

  it('gives the case three times the torque put in, and the carrier four', () => {
    const { outside, meshLoads } = planetary({
      held: ['ring'],
      driven: [{ body: 'sun', speed: 1 }],
      loadOut: 'carrier',
    });
    // By hand, from equilibrium: 1 on the sun, 3 on the ring, −4 on the carrier.
    expect(outside?.sun).toBeCloseTo(1, 12);
    expect(outside?.ring).toBeCloseTo(3, 12);
    expect(outside?.carrier).toBeCloseTo(-4, 12);
    expect(meshLoads?.map(({ relativeTorque }) => relativeTorque)).toEqual([
      expect.closeTo(-1, 12),
      expect.closeTo(-3, 12),
    ]);
  });

  it('is free with nothing held, and locked with everything held', () => {
    const free = planetary({ driven: [{ body: 'sun', speed: 1 }] });
    expect(free).toMatchObject({ status: 'free', speeds: null });
    expect(free.free?.sort()).toEqual(['carrier', 'planet', 'ring']);
    const locked = planetary({ held: ['ring', 'carrier'], driven: [{ body: 'sun', speed: 1 }] });
    expect(locked).toMatchObject({ status: 'locked', speeds: null });
    expect(locked.lockedBy).toEqual([{ held: 'ring' }, { held: 'carrier' }]);
  });

  it('turns as one when two members are tied', () => {
    const { speeds } = planetary({ tied: [['sun', 'ring']], driven: [{ body: 'sun', speed: 2 }] });
    for (const speed of Object.values(speeds ?? {})) expect(speed).toBeCloseTo(2, 12);
  });
});

describe('two coupled sets with a common sun', () => {
  /* Suns 30, rings 70; ring 1 and carrier 2 are the output, as the rear-wheel three-speed arrangement of the textbooks. */
  const coupled = (over: object) =>
    solve({
      bodies: ['suns', 'p1', 'ring1', 'carrier1', 'p2', 'ring2', 'carrier2'],
      meshes: [
        { a: 'suns', b: 'p1', teethA: 30, teethB: 20, carrier: 'carrier1' },
        { a: 'ring1', b: 'p1', teethA: 70, teethB: 20, carrier: 'carrier1', internal: 'a' },
        { a: 'suns', b: 'p2', teethA: 30, teethB: 20, carrier: 'carrier2' },
        { a: 'ring2', b: 'p2', teethA: 70, teethB: 20, carrier: 'carrier2', internal: 'a' },
      ],
      tied: [['carrier1', 'ring2']],
      ...over,
    });

  it('has a first gear of 2 + 30/70 = 2.4286 with carrier 2 held', () => {
    // By hand, α = 30/70: ring1 = (1 + α)·c1 − α·s and s = −c1/α, so ring1/c1 = 2 + α.
    const { speeds } = coupled({ held: ['carrier2'], driven: [{ body: 'ring1', speed: 1 }] });
    expect(1 / (speeds?.carrier1 ?? 0)).toBeCloseTo(2 + 30 / 70, 10);
  });
  it('has a second gear of 1 + 30/70 = 1.4286 with the suns held', () => {
    const { speeds } = coupled({ held: ['suns'], driven: [{ body: 'ring1', speed: 1 }] });
    expect(1 / (speeds?.carrier1 ?? 0)).toBeCloseTo(1 + 30 / 70, 10);
  });
  it('has a reverse of −70/30 with the suns driven and carrier 2 held', () => {
    const { speeds } = coupled({ held: ['carrier2'], driven: [{ body: 'suns', speed: 1 }] });
    expect(1 / (speeds?.carrier1 ?? 0)).toBeCloseTo(-70 / 30, 10);
  });
});

describe('a differential', () => {
  const axle = (over: object) =>
    solve({
      bodies: ['pinion', 'case', 'left', 'right'],
      meshes: [
        { a: 'pinion', b: 'case', teethA: 11, teethB: 41 },
        { a: 'left', b: 'right', teethA: 16, teethB: 16, carrier: 'case' },
      ],
      ...over,
    });
  it('with one wheel held turns the other twice as fast as its case', () => {
    const { speeds } = axle({ held: ['left'], driven: [{ body: 'pinion', speed: -41 }] });
    expect(speeds?.case).toBeCloseTo(11, 10);
    expect(speeds?.right).toBeCloseTo(22, 10);
  });
  it('is free with both wheels off the ground, and splits the torque evenly on the road', () => {
    expect(axle({ driven: [{ body: 'pinion', speed: 1 }] }).free?.sort()).toEqual(['left', 'right']);
    const { outside } = axle({
      tied: [['left', 'right']],
      driven: [{ body: 'pinion', speed: 1 }],
      loads: [
        { body: 'left', share: 0.5 },
        { body: 'right', share: 0.5 },
      ],
    });
    // By hand: 41/11 in all, half to each wheel; the pinion turns the other way round.
    expect(Math.abs(outside?.left ?? 0)).toBeCloseTo(41 / 22, 10);
    expect(outside?.right).toBeCloseTo(outside?.left ?? 0, 10);
  });
});

describe('a countershaft box', () => {
  const box = (tied: [string, string][]) =>
    solve({
      bodies: ['input', 'counter', 'main', 'g1', 'g2'],
      meshes: [
        { a: 'input', b: 'counter', teethA: 25, teethB: 35 },
        { a: 'counter', b: 'g1', teethA: 15, teethB: 45 },
        { a: 'counter', b: 'g2', teethA: 22, teethB: 38 },
      ],
      tied,
      driven: [{ body: 'input', speed: 1 }],
      loadOut: 'main',
    });
  it('has the ratio of its tooth counts, and only the meshes on the way carry load', () => {
    const { speeds, meshLoads, tieLoads } = box([['main', 'g1']]);
    // By hand: 35/25 · 45/15 = 4.2.
    expect(1 / (speeds?.main ?? 0)).toBeCloseTo(4.2, 10);
    expect(meshLoads?.map(({ loaded }) => loaded)).toEqual([true, true, false]);
    expect(Math.abs(tieLoads?.[0]?.relativeTorque ?? 0)).toBeCloseTo(4.2, 10);
  });
  it('is free in neutral and locked in two gears at once, by either sleeve', () => {
    expect(box([])).toMatchObject({ status: 'free', free: ['main'] });
    const two = box([
      ['main', 'g1'],
      ['main', 'g2'],
    ]);
    expect(two.status).toBe('locked');
    expect(two.lockedBy).toEqual([{ tied: ['main', 'g1'] }, { tied: ['main', 'g2'] }]);
  });
});

describe('any train', () => {
  it('takes out the power that it is given: torque × speed sums to nothing', () => {
    const count = fc.integer({ min: 12, max: 90 });
    /** A tree of meshes, so that every body follows the first; some carried round by a body before. */
    const chain = fc.array(
      fc.record({ mate: fc.nat(), teethA: count, teethB: count, carried: fc.boolean(), of: fc.nat() }),
      { minLength: 1, maxLength: 9 },
    );
    fc.assert(
      fc.property(chain, fc.double({ min: 0.1, max: 50, noNaN: true }), (links, speed) => {
        const bodies = ['b0', ...links.map((_, index) => `b${index + 1}`)];
        const meshes = links.map(({ mate, teethA, teethB, carried, of }, index) => {
          const a = bodies[mate % (index + 1)]!;
          const carrier = bodies[of % (index + 1)]!;
          return {
            a,
            b: bodies[index + 1]!,
            teethA,
            teethB,
            ...(carried && carrier !== a ? { carrier } : {}),
          };
        });
        const loadOut = bodies.at(-1)!;
        const { status, speeds, outside } = solve({
          bodies,
          meshes,
          driven: [{ body: 'b0', speed }],
          loadOut,
        });
        expect(status).toBe('determined');
        const powers = Object.entries(outside ?? {}).map(([name, torque]) => torque * (speeds?.[name] ?? 0));
        const largest = Math.max(...powers.map(Math.abs), 1e-12);
        expect(Math.abs(powers.reduce((sum, power) => sum + power, 0)) / largest).toBeLessThan(1e-6);
      }),
      { numRuns: 200 },
    );
  });

  it('scales with the speed put in, and does not care in which order its members are named', () => {
    fc.assert(
      fc.property(fc.double({ min: -20, max: 20, noNaN: true }), (speed) => {
        const one = planetary({ held: ['ring'], driven: [{ body: 'sun', speed: 1 }] });
        const other = solve({
          bodies: ['carrier', 'ring', 'planet', 'sun'],
          meshes: [
            { b: 'ring', a: 'planet', teethB: 90, teethA: 30, carrier: 'carrier', internal: 'b' },
            { b: 'sun', a: 'planet', teethB: 30, teethA: 30, carrier: 'carrier' },
          ],
          held: ['ring'],
          driven: [{ body: 'sun', speed }],
        });
        expect(other.speeds?.carrier).toBeCloseTo((one.speeds?.carrier ?? 0) * speed, 9);
      }),
    );
  });
});

describe('what is no train', () => {
  const good = {
    bodies: ['a', 'b', 'c'],
    meshes: [{ a: 'a', b: 'b', teethA: 20, teethB: 40 }],
    driven: [{ body: 'a', speed: 1 }],
  };
  it.each([
    [{ driven: [] }, 'driven'],
    [{ meshes: [{ ...good.meshes[0], teethA: 0 }] }, 'meshes.0.teethA'],
    [{ driven: [{ body: 'a', speed: Number.POSITIVE_INFINITY }] }, 'driven.0.speed'],
    [{ bodies: ['a', 'b', 'x'.repeat(5000)] }, 'bodies.2'],
  ])('is refused by its schema: %j', (over, path) => {
    const parsed = v.safeParse(TrainInputSchema, { ...good, ...over });
    expect(parsed.issues && v.getDotPath(parsed.issues[0])).toBe(path);
  });
  it.each([
    [{ meshes: [{ ...good.meshes[0], b: 'nobody' }] }, 'meshes.0.b'],
    [{ meshes: [{ ...good.meshes[0], b: 'a' }] }, 'meshes.0.b'],
    [{ meshes: [{ ...good.meshes[0], carrier: 'a' }] }, 'meshes.0.carrier'],
    [{ meshes: [{ ...good.meshes[0], internal: 'a' }] }, 'meshes.0.teethA'],
    [{ bodies: ['a', 'b', 'a'] }, 'bodies.2'],
    [{ tied: [['a', 'a']] }, 'tied.0'],
    [
      {
        tied: [
          ['a', 'c'],
          ['c', 'a'],
        ],
      },
      'tied.1',
    ],
    [{ held: ['z'] }, 'held.0'],
    [{ driven: [{ body: 'z', speed: 1 }] }, 'driven.0.body'],
    [{ loads: [{ body: 'b', share: 0 }] }, 'loads'],
  ])('is refused with its path: %j', (over, path) => {
    expect(() => solve({ ...good, ...over })).toThrow(BadInput);
    try {
      solve({ ...good, ...over });
    } catch (error) {
      expect((error as BadInput).path).toBe(path);
    }
  });
});
