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
}

/** The bolts of a step: stages and star, what is ticked, what is next. Where no aim is given it is the middle of the band. */
export function boltTicks(stepId: string, torque: Torque, records: readonly BenchRecord[]): BoltTicks {
  const { min, max, aim = (min + max) / 2, bolts, compound = '', plusDeg } = torque;
  const { leftHand = false, lock = '', newBolts = false } = torque;
  const { stages, order } = torqueStages({ bolts, aim, stages: [0.3, 0.6, 1] });
  const rounds = stages.length + (plusDeg === undefined ? 0 : 1) + (lock === '' ? 0 : 1);
  const last = new Map<string, BoltTick>();
  for (const { author, content } of recordsOf(records, 'torqued')) {
    if (content.of !== stepId || content.bolt >= bolts || content.stage >= rounds) continue;
    const { bolt, stage, held, figure } = content;
    last.set(`${bolt} ${stage}`, { bolt, stage, held, figure, by: author });
  }
  const holds = (bolt: number, stage: number) => last.get(`${bolt} ${stage}`)?.held === true;
  const next = Array.from({ length: rounds }, (_, stage) => stage)
    .flatMap((stage) => order.map((bolt) => ({ bolt, stage })))
    .find(({ bolt, stage }) => !holds(bolt, stage));
  return {
    ...{ count: bolts, stages: stages.map(({ torque }) => torque), order, next, compound },
    ...{ plusDeg, rounds, leftHand, lock, newBolts },
    ticks: [...last.values()],
    out: [...new Set([...last.values()].filter(({ held }) => !held).map(({ bolt }) => bolt))],
  };
}
