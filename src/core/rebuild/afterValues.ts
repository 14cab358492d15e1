import type { Check } from '@/model/checks';
import type { JobSnapshot } from '@/model/snapshot';
import type { Position } from '@/model/unitType';
import { type CheckJudgement, judgeCheck, type TakenReading } from '../metrology/judgeCheck';
import { type Recorded, recordsOf } from '../strip/recordsOf';
import { findActive } from '../wear/active';
import { type SetUp, setUpsOf } from './setUp';
import { judgedOf, setUpReadings } from './setUpReadings';

export interface AfterValue {
  /** `after:check:position`, by which a deviation is signed. */
  readonly key: string;
  readonly check: Check;
  readonly position: Position;
  /** As it was found, by the limits that a worn part is judged by; nothing where nobody read it then. */
  readonly found: CheckJudgement | undefined;
  /** As it is now, by the limits that a unit is set up to. */
  readonly now: CheckJudgement;
  readonly state: 'open' | 'within' | 'beyond' | 'too-close' | 'no-limit';
  readonly signed: Recorded<'signed-off'> | undefined;
  /** Read in the rounds of a set-up, and nowhere else. */
  readonly atSetUp: boolean;
}

type Sources = Pick<JobSnapshot, 'unitType' | 'records' | 'decisions' | 'readings' | 'gauges' | 'timeZone'>;

/**
 * The limits that a rebuilt unit is judged by: what it is set up to, else what a worn part must keep, else what a new one has. A part that
 * is only just not worn out is no good set-up.
 */
export function limitsAfter({ limits }: Pick<Check, 'limits'>): Check['limits'] {
  const kind = (['set-up', 'service', 'new'] as const).find((each) =>
    limits.some((limit) => limit.kind === each),
  );
  return limits.filter((limit) => limit.kind === kind);
}

/** Checks of the library that every rebuild reads anew: how far a ring can still be pushed before it bottoms. */
const ALWAYS = ['reserve-gap'];

/**
 * What is read once more when a unit is together: what was read before it came apart, what has a figure to be set up to, what a piece is
 * rubbed down for, and the reserve of every ring.
 */
const isAsked = ({ baseline, limits, difference, rubbing, definition = '' }: Check): boolean =>
  !difference &&
  (baseline === true ||
    rubbing !== undefined ||
    ALWAYS.includes(definition) ||
    limits.some(({ kind }) => kind === 'set-up'));

/** Each check that a rebuilt unit is asked for, as it was found and as it is now. What was read in a set-up's last round counts as read. */
export function afterValues(sources: Sources): AfterValue[] {
  const { unitType, records, gauges, timeZone } = sources;
  const signed = new Map(recordsOf(records, 'signed-off').map((record) => [record.content.of, record]));
  const ofSetUp = setUpReadings(sources);
  const setUps = setUpsOf(sources, []).filter(({ rounds }) => rounds.length > 0);
  const measured = recordsOf(records, 'measured-after').map(({ content }) => content);
  const found = findActive(sources.readings);
  return unitType.checks.filter(isAsked).flatMap((check) =>
    unitType.positions
      .filter(({ id }) => check.positions.includes(id))
      .map((position): AfterValue => {
        const key = `after:${check.id}:${position.id}`;
        const isOf = (each: { readonly checkId: string; readonly positionId: string }) =>
          each.checkId === check.id && each.positionId === position.id;
        const before = found.filter(isOf);
        const after: TakenReading[] = [...ofSetUp.filter(isOf), ...measured.filter(isOf)];
        const asked = { ...check, limits: judgedOf(sources, check, limitsAfter(check)) };
        const set = setUps.find(
          ({ band, ringPosition }) => band?.checkId === check.id && ringPosition === position.id,
        );
        const now = set
          ? judgeCheck({ ...asked, places: undefined, every: undefined }, [meanOf(set)], gauges, timeZone)
          : judgeCheck(asked, lastOfEachPlace(after), gauges, timeZone);
        return {
          ...{ key, check, position, now, state: set ? stateOfSetUp(set) : stateOf(now) },
          found: before.length > 0 ? judgeCheck(check, before, gauges, timeZone) : undefined,
          signed: signed.get(key),
          atSetUp: set !== undefined,
        };
      }),
  );
}

const stateOf = ({ word }: CheckJudgement): AfterValue['state'] => (word === 'not-measured' ? 'open' : word);

/** By the rule that lets a set-up stop: its tightest tooth, its mean and its variation each by its own measure, not both extremes within. */
function stateOfSetUp({ advice, band, means }: SetUp): AfterValue['state'] {
  if (advice?.status === 'in-band') return 'within';
  const mean = means.at(-1)!;
  return band && mean >= band.min && mean <= band.max ? 'too-close' : 'beyond';
}

const meanOf = ({ means, rounds }: SetUp): TakenReading => ({
  ...{ value: means.at(-1)!, raw: String(means.at(-1)!), unit: 'mm', place: '' },
  gaugeId: rounds.at(-1)!.content.gaugeId,
});

/** A place that was read once more reads as it was read last: what lay between was moved since. */
const lastOfEachPlace = (readings: readonly TakenReading[]): TakenReading[] => [
  ...new Map(readings.map((reading) => [reading.place, reading])).values(),
];
