import { describe, expect, it } from 'vitest';
import { shippedUnitTypes } from '@/catalog/unitTypes';
import {
  addBlows,
  addHum,
  addMains,
  addNoise,
  addWhine,
  emptyRecording,
  type Making,
  seeded,
  wanderingSpeed,
} from '../../../demo/sound/synthesise';
import { analyse } from './analyse';
import { type Order, type OrdersOfUnit, ordersOfUnit } from './orders';
import { otherGears } from './otherGears';
import { steadied } from './steadied';

/* Recordings that are made here, so that what is in them is known; the analysis knows nothing of how. */

const [RATE, SECONDS, DOUBT] = [16_000, 20, 0.02];
/** All hundred with `npm run test:full`; else as many as a minute allows, held to the same parts of them. */
const RECORDINGS = process.env.STEREOTOME_FULL ? 100 : 40;
const types = shippedUnitTypes();
const pick = <T>(of: readonly T[], random: () => number): T => of[Math.floor(random() * of.length)]!;

interface World {
  readonly making: Making;
  readonly samples: Float32Array;
  readonly unit: OrdersOfUnit;
  readonly reference: number;
}

/** A unit in a gear at a speed that is off what is said by up to 2 %, and white noise. */
function world(seed: number, rate = RATE, seconds = SECONDS): World {
  const random = seeded(seed);
  const type = pick(types, random);
  const gear = pick(
    type.states.map((state) => state.gear).filter((each) => ordersOfUnit(type, each)),
    random,
  );
  const reference = 20 + 30 * random();
  const off = (2 * random() - 1) * DOUBT;
  const making: Making = { rate, seconds, random, reference: () => reference * (1 + off) };
  const samples = emptyRecording(making);
  addNoise(samples, making);
  return { making, samples, unit: ordersOfUnit(type, gear)!, reference };
}
const heard = ({ samples, unit, reference }: World) =>
  analyse(samples, RATE, { ...unit, turning: { reference, doubt: DOUBT } });

/** Fundamental orders that a microphone hears, of which no other lies within twice the doubt: there the order alone decides. */
const apart = ({ unit, reference }: World): Order[] =>
  unit.orders.filter(
    ({ order, multiple }) =>
      multiple === 1 &&
      order * reference > 60 &&
      order * reference < 7000 &&
      unit.orders.every(
        (other) =>
          Math.abs(Math.log(other.order / order)) < 1e-6 ||
          Math.abs(Math.log(other.order / order)) > 2 * DOUBT,
      ),
  );

describe('a tone 10 dB under the noise', () => {
  const found = Array.from({ length: RECORDINGS }, (_, index) => {
    const here = world(index + 1);
    const planted = pick(apart(here).length > 0 ? apart(here) : here.unit.orders, here.making.random);
    addWhine(here.samples, here.making, { order: planted.order, level: -10 });
    const { matches } = heard(here);
    const isIt = ({ order }: { readonly order: number }) => Math.abs(order / planted.order - 1) < 1e-9;
    return { isFound: matches.some(isIt), isFirst: matches[0] !== undefined && isIt(matches[0]) };
  });
  it('is found in 95 of 100 recordings, and its order named first among those within reach', () => {
    expect(found.filter(({ isFound }) => isFound).length).toBeGreaterThanOrEqual(0.95 * RECORDINGS);
    expect(found.filter(({ isFirst }) => isFirst).length).toBeGreaterThanOrEqual(0.95 * RECORDINGS);
  });
});

describe('noise or hum alone', () => {
  it('makes at most 5 claims in 100 recordings', () => {
    let claims = 0;
    for (let seed = 1; seed <= RECORDINGS; seed += 1) {
      const here = world(1000 + seed);
      const { making, samples } = here;
      if (seed % 3 === 1)
        addHum(samples, making, { hz: 100 + 500 * making.random(), level: 6 * making.random() - 3 });
      if (seed % 3 === 2) addMains(samples, making, -12);
      if (heard(here).matches.length > 0) claims += 1;
    }
    expect(claims).toBeLessThanOrEqual(0.05 * RECORDINGS);
  });
});

const axle = types.find(({ id }) => id === 'torvane-hx41')!;
const unit = ordersOfUnit(axle, 'Drive')!;
const orderOf = (place: string, kind: string) =>
  unit.orders.find((order) => order.place === place && order.kind === kind && order.multiple === 1)!.order;

/** An axle at 25 turns a second, with what is put in. */
function axleWith(
  put: (samples: Float32Array, making: Making) => void,
  over: Partial<Making> = {},
  doubt = DOUBT,
) {
  const making: Making = { rate: RATE, seconds: 12, random: seeded(7), reference: () => 25, ...over };
  const samples = emptyRecording(making);
  addNoise(samples, making);
  put(samples, making);
  return analyse(samples, RATE, { ...unit, turning: { reference: 25, doubt } });
}

describe('what is heard of an axle', () => {
  it('is blows of a race, in how it beats, and nothing of the bearings beside it', () => {
    const { matches } = axleWith((samples, making) =>
      addBlows(samples, making, { order: orderOf('tail-bearing', 'inner'), level: -10 }),
    );
    const beats = matches.filter((match) => match.in === 'envelope');
    expect(beats[0]).toMatchObject({ place: 'tail-bearing', kind: 'inner' });
    expect(beats[0]!.ratio).toBeGreaterThan(3);
    expect(matches.every(({ place, share }) => place === 'tail-bearing' || share < 0.3)).toBe(true);
  });

  it('is a pair whose tone swells with what turns unevenly, and how far the speed was off', () => {
    const mesh = { order: 11, level: -6, sideband: { order: 11 / 41, depth: 0.6 } };
    const { matches, unmatched, speedOff } = axleWith((samples, making) => addWhine(samples, making, mesh), {
      reference: () => 25 * 1.012,
    });
    expect(matches[0]).toMatchObject({ kind: 'mesh', order: 11 });
    expect(matches[0]!.swellsWith).toContain('ring gear');
    expect(unmatched.some(({ from }) => from.includes('beside it'))).toBe(true);
    expect(Math.abs(speedOff - 0.012)).toBeLessThan(0.002);
  });

  it('is heard at a speed that wandered by 2 %, evened out by its clearest tone', () => {
    const { matches, evenedOut } = axleWith(
      (samples, making) => addWhine(samples, making, { order: 11, level: -8 }),
      {
        reference: wanderingSpeed(25, 0, 0.02, seeded(3)),
      },
    );
    expect(evenedOut).toBe(true);
    expect(matches[0]).toMatchObject({ kind: 'mesh', order: 11 });
    expect(matches[0]!.level).toBeGreaterThan(15);
  });

  it('is mains that hum along, and is nothing of the unit', () => {
    const { matches, unmatched } = axleWith((samples, making) => addMains(samples, making, -8));
    expect(matches).toEqual([]);
    expect(unmatched.length).toBeGreaterThanOrEqual(3);
    expect(unmatched.every(({ isMains }) => isMains)).toBe(true);
  });

  it('speaks less where several orders lie within reach', () => {
    // Both carrier bearings are alike: nothing tells which.
    const { matches } = axleWith((samples, making) =>
      addWhine(samples, making, { order: orderOf('carrier-bearing-left', 'inner'), level: -8 }),
    );
    const [left, right] = ['left', 'right'].map((side) =>
      matches.find(({ place, kind }) => place === `carrier-bearing-${side}` && kind === 'inner'),
    );
    expect(left!.share).toBeCloseTo(right!.share, 6);
    expect(left!.share).toBeLessThan(0.5);
    expect(left!.ratio).toBeLessThan(20);
  });

  it('is nothing in silence: that is said', () => {
    expect(() => analyse(new Float32Array(16_000), 16_000)).toThrow('nothing but silence');
  });

  it('is only tones where gear or speed isn’t known', () => {
    const samples = emptyRecording({ rate: RATE, seconds: 4, random: seeded(1), reference: () => 25 });
    addNoise(samples, { rate: RATE, seconds: 4, random: seeded(1), reference: () => 25 });
    addWhine(
      samples,
      { rate: RATE, seconds: 4, random: seeded(2), reference: () => 25 },
      { order: 11, level: 0 },
    );
    const { matches, unmatched } = analyse(samples, RATE);
    expect(matches).toEqual([]);
    expect(Math.abs(unmatched[0]!.frequency - 275)).toBeLessThan(1);
  });
});

describe('a run-up', () => {
  it('is played as if its speed had stayed: a tone that rises becomes one that stays', () => {
    const seconds = 10;
    const course = [
      { second: 0, speed: 0.5 },
      { second: seconds, speed: 1.5 },
    ];
    // A tone of 400 Hz at the mean: its phase is the integral of the course.
    const samples = Float32Array.from({ length: RATE * seconds }, (_, at) => {
      const t = at / RATE;
      return Math.sin(2 * Math.PI * 400 * (0.5 * t + (t * t) / (2 * seconds)));
    });
    const steady = steadied(samples, RATE, course);
    let crossings = 0;
    for (let at = 1; at < steady.length; at += 1) if (steady[at - 1]! < 0 && steady[at]! >= 0) crossings += 1;
    expect(Math.abs(crossings / (steady.length / RATE) - 400)).toBeLessThan(0.5);
  });

  it('with two marks is held against the orders as any other', () => {
    const { matches } = (() => {
      const making: Making = {
        rate: RATE,
        seconds: 12,
        random: seeded(11),
        reference: (t) => 15 + (20 * t) / 12,
      };
      const samples = emptyRecording(making);
      addNoise(samples, making);
      addWhine(samples, making, { order: 11, level: -6 });
      const course = [
        { second: 0, speed: 0.6 },
        { second: 12, speed: 1.4 },
      ];
      return analyse(samples, RATE, { ...unit, turning: { reference: 25, doubt: DOUBT, course } });
    })();
    expect(matches[0]).toMatchObject({ kind: 'mesh', order: 11 });
  });
});

describe('a gear that was said wrongly', () => {
  it('is told: what stands out would fit in another', () => {
    const box = types.find(({ id }) => id === 'skell-five')!;
    const speed = { by: 'turns', perMinute: 1500, of: 'output' } as const;
    const third = ordersOfUnit(box, '3')!;
    // 25 turns of the output a second: of the input by the ratio of third.
    const making: Making = { rate: RATE, seconds: 8, random: seeded(5), reference: () => 25 * third.ratio };
    const samples = emptyRecording(making);
    addNoise(samples, making);
    for (const place of ['input-gear·cluster', 'gear-3·cluster-28'])
      addWhine(samples, making, {
        order: third.orders.find((order) => order.place === place && order.multiple === 1)!.order,
        level: -6,
      });
    const { peaks } = analyse(samples, RATE);
    const said = {
      gear: '1',
      coast: false,
      speed,
      seconds: 8,
      doubt: 0.01,
      road: { wheelRolls: 2, outputPerWheel: 1 },
    };
    expect(otherGears(box, peaks, said).map(({ gear }) => gear)).toContain('3');
  });
});
