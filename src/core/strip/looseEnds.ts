import type { RecordOf } from '@/model/recordKinds';
import type { JobSnapshot } from '@/model/snapshot';
import type { Position, UnitType } from '@/model/unitType';
import { findMode } from '../catalogs/words';
import { formatNumber } from '../quantity/format';
import { findActive } from '../wear/active';
import { debrisBalance, isClosed } from './debris';
import { inventory } from './inventory';

/** A place that something is gone from, and that no piece closes yet: a roller that wasn't there, a tooth that broke. */
export interface LoosePlace {
  readonly position: Position;
  readonly words: string;
}

type Sources = Pick<JobSnapshot, 'unitType' | 'records' | 'findings' | 'catalogs'>;

/** The words of damage after which a piece is missing. */
const BROKE = /fracture|broken|chipp|sheared|crumbled/i;

/** The other side of the balance: places without their piece. */
export function loosePlaces({ unitType, records, findings, catalogs }: Sources): LoosePlace[] {
  const closed = new Set(
    debrisBalance(records)
      .filter(isClosed)
      .map(({ match }) => match?.content.positionId),
  );
  const missing = inventory(unitType, records).flatMap(
    ({ position, expected, count, state }): LoosePlace[] =>
      state === 'missing'
        ? [{ position, words: `${expected - (count?.content.counted ?? expected)} of ${expected} not found` }]
        : [],
  );
  const broken = unitType.positions.flatMap((position): LoosePlace[] => {
    const finding = findActive(findings).find(({ positionId, mode }) => {
      const word = positionId === position.id ? findMode(catalogs, position.family, mode) : undefined;
      return word !== undefined && BROKE.test(`${word.term} ${word.workshop}`);
    });
    const word = finding && findMode(catalogs, position.family, finding.mode);
    return word ? [{ position, words: word.workshop === '' ? word.term : word.workshop }] : [];
  });
  const all = [
    ...missing,
    ...broken.filter(({ position }) => !missing.some((one) => one.position.id === position.id)),
  ];
  return all.filter(({ position }) => !closed.has(position.id));
}

/** Copper alloys; everything else that turns is steel, and a case is light metal. */
const YELLOW = new Set<Position['family']>(['synchro-ring', 'bush-washer-pin']);
const NEVER_YELLOW = new Set<Position['family']>([
  'gear-teeth',
  'dog-teeth',
  'shaft-spline',
  'housing',
  'chain-sprocket',
]);

/** mm: two diameters that differ by more are not of one roller. */
const SAME = 0.15;

/** What speaks against a piece being of a place; empty where nothing does. */
export function againstPlace(
  { colour, diameterMm, lengthMm }: Pick<RecordOf<'debris'>, 'colour' | 'diameterMm' | 'lengthMm'>,
  position: Position,
  { bearings }: Pick<UnitType, 'bearings'>,
): string {
  if (colour === 'yellow' && NEVER_YELLOW.has(position.family))
    return 'it is steel or light metal, and the piece is yellow';
  if (colour !== 'yellow' && position.family === 'synchro-ring')
    return 'it is of yellow metal, and the piece is not';
  const roller = rollerOf(position, bearings);
  if (roller !== undefined && diameterMm !== undefined && Math.abs(roller - diameterMm) > SAME)
    return `its rollers are Ø ${formatNumber(roller, 1)}, the piece is Ø ${formatNumber(diameterMm, 1)}`;
  const room =
    position.from !== undefined && position.to !== undefined
      ? Math.abs(position.to - position.from)
      : undefined;
  if (room !== undefined && lengthMm !== undefined && lengthMm > 3 * room)
    return `it is ${formatNumber(room, 0)} mm wide, the piece ${formatNumber(lengthMm, 0)} mm long`;
  return '';
}

const rollerOf = ({ id }: Position, bearings: UnitType['bearings']): number | undefined =>
  bearings.find(({ positions }) => positions.includes(id))?.rollerDiameter;

export interface RankedSource {
  readonly position: Position;
  readonly score: number;
  readonly reasons: readonly string[];
  /** What speaks against it. */
  readonly against: string;
}

const WORTH = { gone: 4, named: 2, size: 2, colour: 1, unseen: 1, sound: -2, against: -6 } as const;

/** Where a piece may come from, the likeliest first: what is missing or broken, its colour and size, what nobody has looked at yet. */
export function debrisSources(
  piece: RecordOf<'debris'>,
  sources: Sources & Pick<JobSnapshot, 'grades'>,
): RankedSource[] {
  const { unitType, grades, findings } = sources;
  const loose = new Map(loosePlaces(sources).map(({ position, words }) => [position.id, words]));
  const looked = new Set([
    ...grades.map(({ positionId }) => positionId),
    ...findActive(findings).map(({ positionId }) => positionId),
  ]);
  const ranked = unitType.positions.map((position): RankedSource => {
    const gone = loose.get(position.id);
    const grade = grades.find(({ positionId }) => positionId === position.id)?.grade;
    const roller = rollerOf(position, unitType.bearings);
    const against = againstPlace(piece, position, unitType);
    const found: (readonly [number, string])[] = [];
    if (gone !== undefined) found.push([WORTH.gone, gone]);
    if (isNamed(piece.piece, position)) found.push([WORTH.named, 'its kind of piece']);
    if (roller !== undefined && piece.diameterMm !== undefined && Math.abs(roller - piece.diameterMm) <= SAME)
      found.push([WORTH.size, `rollers of Ø ${formatNumber(roller, 1)}`]);
    if (piece.colour === 'yellow' && YELLOW.has(position.family))
      found.push([WORTH.colour, 'of yellow metal']);
    if (!looked.has(position.id)) found.push([WORTH.unseen, 'not looked at yet']);
    else if ((grade ?? 5) <= 1 && gone === undefined) found.push([WORTH.sound, 'looked at, and whole']);
    if (against !== '') found.push([WORTH.against, against]);
    return {
      ...{ position, against },
      score: found.reduce((sum, [worth]) => sum + worth, 0),
      reasons: found.filter(([worth]) => worth > 0).map(([, words]) => words),
    };
  });
  return ranked.sort((a, b) => b.score - a.score);
}

/** Words of a piece, and the families that have such. */
const KINDS: readonly (readonly [RegExp, readonly Position['family'][]])[] = [
  [/needle|roller|ball|cage|race/i, ['rolling-bearing']],
  [/tooth|teeth|flank/i, ['gear-teeth', 'dog-teeth']],
  [/dog|peak/i, ['dog-teeth', 'hub-sleeve-fork']],
  [/ring|brass|bronze/i, ['synchro-ring', 'bush-washer-pin']],
  [/washer|bush|pin|tang/i, ['bush-washer-pin']],
  [/clip|circlip|bolt|nut|spring|lock|seal/i, ['fastener-seal']],
  [/lining|friction|facing/i, ['friction']],
  [/case|housing|cover/i, ['housing']],
  [/link|chain/i, ['chain-sprocket']],
];

const isNamed = (piece: string, { family, name }: Position): boolean =>
  KINDS.some(([word, families]) => word.test(piece) && families.includes(family)) ||
  name
    .toLowerCase()
    .split(/\W+/)
    .some((word) => word.length > 3 && piece.toLowerCase().includes(word.replace(/s$/, '')));
