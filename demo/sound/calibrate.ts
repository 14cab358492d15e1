import { shippedUnitTypes } from '@/catalog/unitTypes';
import { analyse } from '@/core/sound/analyse';
import { type Order, ordersOfUnit } from '@/core/sound/orders';
import { cellOf, GROUPS, LEVELS, SHARES } from '@/core/sound/ratio';
import {
  addBlows,
  addHum,
  addMains,
  addNoise,
  addWhine,
  emptyRecording,
  type Making,
  normal,
  seeded,
  wanderingSpeed,
} from './synthesise';

/*
 * How much it says that an order is heard: some thousand made recordings of units of which one place is bad or none, and how often an order
 * of a bad place and of a sound one is heard in each way. A sound mesh hums too, only more softly.
 *
 *   node --import tsx demo/sound/calibrate.ts > src/core/sound/soundEvidence.ts
 */

const RECORDINGS = Number(process.argv[2] ?? 1500);
const [RATE, SECONDS, DOUBT] = [12_000, 10, 0.02];

interface Told {
  bad: number;
  badHeard: Record<string, number>;
  sound: number;
  soundHeard: Record<string, number>;
}
const tally: Record<string, Told> = Object.fromEntries(
  GROUPS.map((group) => [group, { bad: 0, badHeard: {}, sound: 0, soundHeard: {} }]),
);

const types = shippedUnitTypes();
const pick = <T>(of: readonly T[], random: () => number): T => of[Math.floor(random() * of.length)]!;

for (let seed = 1; seed <= RECORDINGS; seed += 1) {
  const random = seeded(seed);
  const type = pick(types, random);
  const gear = pick(
    type.states.map((state) => state.gear).filter((each) => ordersOfUnit(type, each)),
    random,
  );
  const unit = ordersOfUnit(type, gear)!;
  const { orders } = unit;
  const reference = 15 + 35 * random();
  const making: Making = {
    ...{ rate: RATE, seconds: SECONDS, random },
    reference: wanderingSpeed(reference, (2 * random() - 1) * 0.015, 0.004 * random(), random),
  };
  const samples = emptyRecording(making);
  addNoise(samples, making);
  const bad = random() < 0.6 ? pick(places(orders), random) : undefined;
  soundMeshes(samples, making, orders, bad);
  if (bad) badPlace(samples, making, orders, bad);
  if (random() < 0.3) addHum(samples, making, { hz: 120 + 400 * random(), level: -3 + 4 * normal(random) });
  if (random() < 0.2) addMains(samples, making, -18);
  // The engine, a fan, a belt: tones that are none of this unit's.
  for (let other = 0; other < 3; other += 1)
    if (random() < 0.25)
      addWhine(samples, making, {
        order: Math.exp(Math.log(0.7) + 5 * random()),
        level: -16 + 6 * normal(random),
      });
  count(orders, bad, analyse(samples, RATE, { ...unit, turning: { reference, doubt: DOUBT } }).matches);
}

function places(orders: readonly Order[]): string[] {
  return [
    ...new Set(
      orders.filter(({ kind, carriesLoad }) => kind !== 'turn' && carriesLoad).map(({ place }) => place),
    ),
  ];
}

function soundMeshes(
  samples: Float32Array,
  making: Making,
  orders: readonly Order[],
  bad: string | undefined,
) {
  for (const { kind, multiple, place, order, carriesLoad } of orders)
    if (kind === 'mesh' && multiple === 1 && place !== bad && carriesLoad)
      addWhine(samples, making, { order, level: -30 + 6 * normal(making.random), multiples: 2 });
}

function badPlace(samples: Float32Array, making: Making, orders: readonly Order[], bad: string) {
  const { random } = making;
  const own = orders.filter(
    ({ place, multiple, kind }) => place === bad && multiple === 1 && kind !== 'cage',
  );
  const { kind, order } = pick(own, random);
  const level = -13 + 5 * normal(random);
  if (kind === 'mesh')
    addWhine(samples, making, { order, level, multiples: 3, sideband: { order: 1, depth: 0.4 * random() } });
  else {
    addBlows(samples, making, { order, level, ringHz: 1500 + 3000 * random() });
    if (random() < 0.5) addWhine(samples, making, { order, level: level - 4, multiples: 2 });
  }
}

function count(
  orders: readonly Order[],
  bad: string | undefined,
  heard: ReturnType<typeof analyse>['matches'],
) {
  for (const place of places(orders)) {
    const isMesh = orders.some((order) => order.place === place && order.kind === 'mesh');
    const own = heard.filter((match) => match.place === place);
    for (const group of GROUPS) {
      if (group.startsWith('mesh') !== isMesh) continue;
      const told = tally[group]!;
      const best = own
        .filter((match) => cellOf(match).startsWith(`${group} `))
        .sort((a, b) => b.share - a.share)[0];
      const cell = best ? cellOf(best) : 'nothing';
      const into = place === bad ? told.badHeard : told.soundHeard;
      into[cell] = (into[cell] ?? 0) + 1;
      if (place === bad) told.bad += 1;
      else told.sound += 1;
    }
  }
}

/** Never more than this from made recordings, and being heard never speaks for a place. */
const [LEAST, MOST] = [1, 20];
const ratios: Record<string, number> = {};
for (const group of GROUPS)
  for (let level = 0; level <= LEVELS.length; level += 1)
    for (let share = 0; share <= SHARES.length; share += 1) {
      const cell = `${group} ${level} ${share}`;
      const { bad, badHeard, sound, soundHeard } = tally[group]!;
      const [a, b] = [
        ((badHeard[cell] ?? 0) + 0.5) / (bad + 1),
        ((soundHeard[cell] ?? 0) + 0.5) / (sound + 1),
      ];
      const seen = (badHeard[cell] ?? 0) + (soundHeard[cell] ?? 0);
      // What was hardly ever met says nothing.
      ratios[cell] = seen < 8 ? LEAST : Math.round(Math.min(MOST, Math.max(LEAST, a / b)) * 10) / 10;
    }
process.stdout.write(
  `/** By group, loudness and likelihood (\`ratio.ts\`); made by \`demo/sound/calibrate.ts\` from ${RECORDINGS} made recordings. */
export const SOUND_EVIDENCE: Readonly<Record<string, number>> = ${JSON.stringify(
    // What says nothing isn't listed.
    Object.fromEntries(Object.entries(ratios).filter(([, ratio]) => ratio !== 1)),
    null,
    2,
  )};\n`,
);
process.stderr.write(`${JSON.stringify(tally, null, 1)}\n`);
