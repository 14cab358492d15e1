import type { BenchRecord } from '@/model/snapshot';
import type { UnitType } from '@/model/unitType';
import { torqueStages } from '../setup/torqueStages';
import { recordsOf } from '../strip/recordsOf';

type Torque = NonNullable<UnitType['steps'][number]['torque']>;

export interface BoltTick {
  readonly bolt: number;
  readonly stage: number;
  readonly by: string;
  readonly held: boolean;
  readonly figure: number | undefined;
}

export interface BoltTicks {
  readonly count: number;
  /** Of each stage, N·m. */
  readonly stages: readonly number[];
  /** After the last of them each is turned on by so many degrees: one round more, and its figure is no torque. */
  readonly plusDeg: number | undefined;
  /** Of all rounds: the torques, the angle where there is one, and the lock that is closed last. */
  readonly rounds: number;
  readonly leftHand: boolean;
  readonly lock: string;
  readonly newBolts: boolean;
  /** The star: in which order each stage goes round. */
  readonly order: readonly number[];
  /** The last word about each bolt at each stage. */
  readonly ticks: readonly BoltTick[];
  /** What comes next; nothing once every bolt holds at its last stage. */
  readonly next: { readonly bolt: number; readonly stage: number } | undefined;
  /** Bolts that still turned at their value: each goes out and a new one in. */
  readonly out: readonly number[];
  readonly compound: string;
  /** The bolts of this round that can be told to hold in one word; none where each is ticked alone. */
  readonly wholeRound: readonly number[];
}

/** Shares of the aim at which bolts are gone round. */
const STAGES = [0.3, 0.6, 1];

/**
 * Whether a whole round may be ticked in one word: every round of torque but the last, and that too where the bolts only close the case. What
 * holds a wheel or a shaft is ticked bolt by bolt at its value, as are angles and locks; so is everything of which nobody has said what it holds.
 */
export const mayTickRound = ({ holds }: Torque, stage: number): boolean =>
  stage < STAGES.length - 1 || (stage === STAGES.length - 1 && holds === 'case');

/** Every bolt that was spoken of, alone or with its round, in the order in which it was said. */
function ticksOf(stepId: string, records: readonly BenchRecord[]): BoltTick[] {
  const single = new Map(recordsOf(records, 'torqued').map((record) => [record.id, record]));
  const round = new Map(recordsOf(records, 'round-torqued').map((record) => [record.id, record]));
  return records.flatMap(({ id }): BoltTick[] => {
    const one = single.get(id);
    if (one?.content.of === stepId) {
      const { bolt, stage, held, figure } = one.content;
      return [{ bolt, stage, held, figure, by: one.author }];
    }
    const all = round.get(id);
    if (all?.content.of !== stepId) return [];
    const { stage, bolts } = all.content;
    return bolts.map((bolt) => ({ bolt, stage, held: true, figure: undefined, by: all.author }));
  });
}

/** The bolts of a step: stages and star, what is ticked, what is next. Where no aim is given it is the middle of the band. */
export function boltTicks(stepId: string, torque: Torque, records: readonly BenchRecord[]): BoltTicks {
  const { min, max, aim = (min + max) / 2, bolts, compound = '', plusDeg } = torque;
  const { leftHand = false, lock = '', newBolts = false } = torque;
  const { stages, order } = torqueStages({ bolts, aim, stages: STAGES });
  const rounds = stages.length + (plusDeg === undefined ? 0 : 1) + (lock === '' ? 0 : 1);
  const last = new Map<string, BoltTick>();
  for (const tick of ticksOf(stepId, records))
    if (tick.bolt < bolts && tick.stage < rounds) last.set(`${tick.bolt} ${tick.stage}`, tick);
  const holds = (bolt: number, stage: number) => last.get(`${bolt} ${stage}`)?.held === true;
  const next = Array.from({ length: rounds }, (_, stage) => stage)
    .flatMap((stage) => order.map((bolt) => ({ bolt, stage })))
    .find(({ bolt, stage }) => !holds(bolt, stage));
  const out = [...new Set([...last.values()].filter(({ held }) => !held).map(({ bolt }) => bolt))];
  const wholeRound =
    next && mayTickRound(torque, next.stage)
      ? order.filter((bolt) => !holds(bolt, next.stage) && !out.includes(bolt))
      : [];
  return {
    ...{ wholeRound, out },
    ...{ count: bolts, stages: stages.map(({ torque }) => torque), order, next, compound },
    ...{ plusDeg, rounds, leftHand, lock, newBolts },
    ticks: [...last.values()],
  };
}
