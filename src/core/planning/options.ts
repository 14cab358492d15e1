import type { UnitDecisionId } from '@/model/job';
import type { Money } from '@/model/money';
import type { Offer } from '@/model/offers';
import type { JobSnapshot } from '@/model/snapshot';
import { whatItReads } from '../metrology/whatItReads';
import { recordsOf } from '../strip/recordsOf';
import type { PartState } from '../wear/partStanding';
import type { BestOfSeveral } from './bestOfSeveral';
import { type Cases, type ChanceOfComeback, chanceOfComeback } from './comeback';
import type { JobPlan } from './jobPlans';
import type { Labour } from './labour';

export interface UnitOption {
  readonly id: UnitDecisionId;
  /** Without tax; undefined where it isn't known. */
  readonly price: number | undefined;
  /** Parts that nobody decided yet: the price takes them as staying, and can only rise. Undefined where it isn't built of them. */
  readonly undecided?: number;
  readonly parts: number;
  readonly labour: number;
  /** The working day at whose close it is ready, if what must be new is ordered today. */
  readonly readyOn: string | undefined;
  readonly warrantyMonths: number;
  readonly chance: ChanceOfComeback | undefined;
  /** Price and what a comeback costs, weighed with its chance; undefined without cases. */
  readonly expected: number | undefined;
  /** What is to be known of it, one line. */
  readonly note: string;
}

/** A sound part that could be renewed while the unit lies open. */
export interface Preventive {
  readonly part: string;
  readonly name: string;
  readonly price: number;
  /** It pays where it fails at least so often, 0 to 1. */
  readonly breakEven: number;
  /** How often one of its grade fails within two years, as practice has it. */
  readonly assumed: number;
  readonly pays: boolean;
}

/** Whether the unit isn't worth saving: each reason, and whether it holds; undefined where nobody can say. */
export interface NotWorthSaving {
  readonly reason: string;
  readonly holds: boolean | undefined;
}

/** A part that runs out so far that no shim cures it, and what can be done. */
export interface RunOutChoice {
  readonly part: string;
  readonly words: readonly string[];
}

export interface OptionFacts {
  readonly snapshot: JobSnapshot;
  readonly parts: readonly PartState[];
  readonly plan: JobPlan | undefined;
  readonly labour: Labour;
  readonly money: Money;
  readonly offers: readonly Offer[];
  readonly cases: Readonly<Partial<Record<UnitDecisionId, Cases>>>;
  readonly best: BestOfSeveral | undefined;
  /** Why there is none. */
  readonly noBest: string;
  readonly when: When;
}

/** The days on which each way would be ready; undefined where nobody can say. */
export interface When {
  readonly repair: string | undefined;
  readonly best: string | undefined;
  /** After so many working days. */
  readonly after: (days: number) => string;
}

export interface ToldOptions {
  readonly options: readonly UnitOption[];
  readonly preventive: readonly Preventive[];
  readonly notWorthSaving: readonly NotWorthSaving[];
  readonly runOut: readonly RunOutChoice[];
}

/** All that is told of the ways that a unit can go, with the best build from several. */
export interface OptionsTold extends ToldOptions {
  readonly build: readonly BuildLine[];
  /** Units of the type that hang here or were given up, by their pegs. */
  readonly sisters: readonly number[];
  /** What is left of the units, the best first, for the shelf. */
  readonly remaining: readonly { readonly peg: number; readonly name: string; readonly grade: number }[];
}
export interface BuildLine {
  readonly part: string;
  readonly name: string;
  /** The peg of the unit that it comes from; undefined for a new one. */
  readonly peg: number | undefined;
}

/** What a part of a grade does within two years, as practice has it: nobody has counted it for this shop. */
const FAILS: readonly number[] = [0.01, 0.025, 0.07, 0.2];
/** Of the hours of a unit, those that a comeback costs once more. */
const AGAIN = /^(strip|rebuild|set)/;

/** Parts that can't stay as they are, and of which nobody has said what becomes of them: no price is known before. */
const undecidedWorn = (facts: OptionFacts): number =>
  undecidedOf(facts).filter(({ grade }) => (grade ?? 0) >= DONE).length;

function undecidedOf({ parts, snapshot: { decisions } }: OptionFacts): readonly PartState[] {
  const decided = new Set(
    decisions.filter(({ decision }) => decision !== 'not-decided').map(({ positionId }) => positionId),
  );
  return parts.filter(({ position }) => !decided.has(position.id));
}

const asIfTheyStayed = (undecided: number): string =>
  undecided === 0
    ? ''
    : `as if ${undecided === 1 ? 'the part that nobody decided' : `the ${undecided} parts that nobody decided`} stayed`;

const whyNoPrice = (undecided: number): string =>
  undecided === 0
    ? 'no plan covers what must be new'
    : `${undecided} ${undecided === 1 ? 'part that can’t stay is' : 'parts that can’t stay are'} not decided yet`;

/** From this grade on a part is done. */
const DONE = 4;

/** The ways that a unit can go, side by side; what isn't known stays open, and nothing is invented for it. */
export function unitOptions(facts: OptionFacts): ToldOptions {
  const { labour, money, plan, when } = facts;
  const work = Math.round(labour.hours * money.hourPrice);
  const again = Math.round(
    labour.lines.filter(({ kind }) => AGAIN.test(kind)).reduce((sum, { hours }) => sum + hours, 0) *
      money.hourPrice,
  );
  const undecided = undecidedWorn(facts);
  const open = { undecided: undecidedOf(facts).length };
  const isPriced = plan?.feasible === true && undecided === 0;
  const parts = isPriced ? plan.parts + plan.freight : undefined;
  const readyOn = isPriced ? when.repair : undefined;
  const preventive = preventiveParts(facts, again + (parts ?? 0));
  const extra = preventive.filter(({ pays }) => pays).reduce((sum, { price }) => sum + price, 0);
  const exchange = exchangeOf(facts.snapshot);
  const option = (
    id: UnitDecisionId,
    partsPrice: number | undefined,
    more: Partial<UnitOption>,
  ): UnitOption => {
    const price = partsPrice === undefined ? undefined : partsPrice + work;
    const chance = chanceOfComeback(facts.cases[id] ?? { cases: 0, back: 0 });
    const base = { id, parts: partsPrice ?? 0, labour: work, price, readyOn, chance, note: '' };
    const warrantyMonths = money.warranty[id] ?? 0;
    const whole = { ...base, warrantyMonths, expected: undefined, ...more };
    const expected =
      whole.price === undefined || !chance
        ? undefined
        : Math.round(whole.price + chance.estimate * (again + whole.parts));
    return { ...whole, expected };
  };
  const options = [
    option('repair', parts, {
      ...open,
      note:
        parts === undefined
          ? whyNoPrice(undecided)
          : [
              asIfTheyStayed(open.undecided),
              readyOn === undefined ? 'no day yet: an order is overdue, or a part has no offer' : '',
            ]
              .filter(Boolean)
              .join('; '),
    }),
    // Where no preventive part pays it is the repair once more: nothing to offer.
    option('repair-preventive', parts === undefined || extra === 0 ? undefined : parts + extra, {
      ...open,
      ...(extra === 0 ? { readyOn: undefined } : {}),
      note:
        extra === 0
          ? 'no preventive part pays'
          : `${preventive.filter(({ pays }) => pays).length} preventive parts pay`,
    }),
    option('exchange', undefined, {
      ...(exchange
        ? {
            ...{ price: exchange.price, parts: exchange.price, labour: 0 },
            readyOn: when.after(exchange.days),
          }
        : { readyOn: undefined }),
      note: exchange ? exchange.words : 'nobody has noted a price for one',
    }),
    option('best-of-several', facts.best?.cost, {
      readyOn: facts.best ? when.best : undefined,
      note: facts.best ? fromWhere(facts.best) : facts.noBest,
    }),
    option('scrap', undefined, {
      price: 0,
      labour: 0,
      readyOn: undefined,
      note: 'its sound parts go on the shelf',
    }),
  ];
  return {
    options,
    preventive,
    notWorthSaving: notWorthSaving(facts, options),
    runOut: runOutChoices(facts),
  };
}

const fromWhere = ({ build }: BestOfSeveral): string => {
  const fresh = build.filter(({ unit }) => unit === 'new').length;
  return `${build.length - fresh} parts from units here, ${fresh} new`;
};

function exchangeOf({ records }: JobSnapshot) {
  const noted = recordsOf(records, 'exchange-noted').at(-1);
  return noted && { ...noted.content, words: noted.content.supplier };
}

/** Sound parts that are kept, where new ones have a price: what each would have to risk to pay. */
function preventiveParts({ snapshot, parts, offers }: OptionFacts, comeback: number): Preventive[] {
  const kept = new Set(
    snapshot.decisions
      .filter(({ decision }) => decision === 'reuse' || decision === 'clean-reuse')
      .map(({ positionId }) => positionId),
  );
  if (comeback === 0) return [];
  return parts
    .filter(
      ({ position, grade }) =>
        kept.has(position.id) && grade !== null && grade <= 3 && position.family === 'rolling-bearing',
    )
    .flatMap(({ position, grade }): Preventive[] => {
      const prices = offers
        .filter(
          ({ supplies, tier }) => supplies.length === 1 && supplies[0]!.part === position.id && tier >= 2,
        )
        .map(({ price }) => price);
      if (prices.length === 0) return [];
      const price = Math.min(...prices);
      const [breakEven, assumed] = [price / comeback, FAILS[grade!]!];
      return [
        { part: position.id, name: position.name, price, breakEven, assumed, pays: assumed > breakEven },
      ];
    })
    .sort((a, b) => a.breakEven - b.breakEven);
}

function notWorthSaving({ parts }: OptionFacts, options: readonly UnitOption[]): NotWorthSaving[] {
  const of = (family: string) => parts.filter(({ position }) => position.family === family);
  const all = (list: readonly PartState[], holds: (part: PartState) => boolean): boolean | undefined => {
    if (list.length === 0 || list.some(({ grade }) => grade === null)) return undefined;
    return list.every(holds);
  };
  const housings = of('housing');
  const gone = housings.some(({ grade }) => (grade ?? 0) >= 4);
  const price = (id: UnitDecisionId) => options.find((option) => option.id === id)?.price;
  const [repair, exchange] = [price('repair'), price('exchange')];
  return [
    {
      reason: 'a housing is gone',
      holds: gone || (housings.every(({ grade }) => grade !== null) ? false : undefined),
    },
    { reason: 'every gear is done', holds: all(of('gear-teeth'), ({ grade }) => grade! >= 4) },
    {
      reason: 'repair is dearer than an exchange unit',
      holds: repair === undefined || exchange === undefined ? undefined : repair > exchange,
    },
  ];
}

/** In the order in which they are tried. */
const AGAINST_RUN_OUT: readonly string[] = [
  ...[
    'clean and dress the seat, then read again',
    're-index it a third of a turn',
    'skim its seat',
    'another case',
  ],
  'looser than the maker says, with the owner’s signature',
];

function runOutChoices({ parts }: OptionFacts): RunOutChoice[] {
  return parts
    .filter(({ judgements }) =>
      judgements.some(
        ({ check, judgement }) => whatItReads(check) === 'run-out' && judgement.word === 'beyond',
      ),
    )
    .map(({ position }) => ({ part: position.name, words: AGAINST_RUN_OUT }));
}
