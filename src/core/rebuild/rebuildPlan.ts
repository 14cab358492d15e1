import type { JobSnapshot } from '@/model/snapshot';
import type { Position, UnitType } from '@/model/unitType';
import { NEW } from '../planning/needs';
import { type Recorded, recordsOf } from '../strip/recordsOf';
import { stepWords } from '../strip/stepWords';
import { rebuildOrder, stepIdOf, stripPlan } from '../strip/stripPlan';
import { kindOfPart } from '../unit-type/kindOfPart';
import { type BoltTicks, boltTicks } from './boltTicks';

export interface RebuildStep {
  /** Of the plan’s step, or of the record of one that was added at the bench. */
  readonly id: string;
  readonly title: string;
  /** How everything lay when it came apart, in words; empty where nothing was noted. */
  readonly lay: string;
  readonly positions: readonly Position[];
  /** New pieces go in for these. */
  readonly renewed: readonly Position[];
  /** Never used twice: a new one goes in, whatever was decided. */
  readonly oneUse: readonly Position[];
  /** Clips and snap rings: the whole groove shows before one goes in. */
  readonly clips: readonly Position[];
  readonly cautions: readonly string[];
  readonly bolts: BoltTicks | undefined;
  readonly done: Recorded<'refitted'> | undefined;
  /** How it lay as far as it was asked for at the strip and nobody put it down. */
  readonly unsaid: readonly string[];
}

type Sources = Pick<JobSnapshot, 'unitType' | 'records' | 'decisions' | 'catalogs'>;

/** A step that only read or drained took nothing off, and has no way back; one with a torque has its plug. */
export const tookOff = ({ record, torque }: UnitType['steps'][number]): boolean =>
  torque !== undefined || !record.some((what) => what === 'readings' || what === 'oil quantity');

/** What came off last goes on first: every step of the strip the other way round, also those that nobody had foreseen. */
export function rebuildPlan({ unitType, records, decisions, catalogs }: Sources): RebuildStep[] {
  const refitted = new Map(recordsOf(records, 'refitted').map((record) => [record.content.of, record]));
  const decided = new Map(decisions.map(({ positionId, decision }) => [positionId, decision]));
  const strip = stripPlan(unitType, records);
  return rebuildOrder(strip).flatMap((record): RebuildStep[] => {
    const stepId = stepIdOf(unitType, record.content);
    const planned = unitType.steps.find((step) => step.id === stepId);
    if (planned && !tookOff(planned)) return [];
    const id = stepId ?? record.id;
    const title = planned?.title ?? record.content.title ?? 'A step';
    const positions = piecesOf(unitType, planned?.positions ?? []);
    const isNew = ({ id: part }: Position) => NEW.has(decided.get(part) ?? 'not-decided');
    return [
      {
        ...{ id, title, positions },
        lay: layOf(title, stepWords(unitType, record.content)),
        renewed: positions.filter(isNew),
        oneUse: positions.filter((position) => position.oneUse && !isNew(position)),
        clips: positions.filter((position) => kindOfPart(position).kind?.inGroove),
        cautions: (planned?.cautions ?? []).flatMap((caution) => {
          const found = catalogs.cautions.cautions.find((each) => each.id === caution);
          return found ? [found.words] : [];
        }),
        bolts: planned?.torque && boltTicks(id, planned.torque, records),
        done: refitted.get(id),
        unsaid: strip.steps.find(({ step }) => step.id === id)?.unsaid ?? [],
      },
    ];
  });
}

const piecesOf = ({ positions }: UnitType, ids: readonly string[]): Position[] =>
  positions.filter(({ id }) => ids.includes(id));

const layOf = (title: string, words: string): string =>
  words.startsWith(`${title}: `) ? words.slice(title.length + 2) : '';
