import type { CheckDefinition } from '@/model/checkDefinition';
import type { Family } from '@/model/damage';
import type { Draw } from '@/model/draw';
import type { PartKindId } from '@/model/partKinds';
import type { PieceKind, StrippedPiece } from '@/model/strippedPiece';
import type { Position, UnitType } from '@/model/unitType';
import { checkFromDefinition } from '../metrology/checkFromDefinition';
import { formatNumber } from '../quantity/format';

interface OfKind {
  readonly family: Family;
  readonly name: string;
  /** Left out where such a piece may be of several kinds, or its family says enough. */
  readonly partKind?: PartKindId;
  /** Never used twice. */
  readonly oneUse?: true;
  /** Checks of the library that such a piece gets at once, without limits. */
  readonly checks: readonly string[];
}

const KINDS: Readonly<Record<PieceKind, OfKind>> = {
  gear: { family: 'gear-teeth', name: 'Gear', checks: [] },
  'synchro ring': { family: 'synchro-ring', name: 'Synchro ring', checks: ['reserve-gap'] },
  'sleeve or hub': { family: 'hub-sleeve-fork', name: 'Sleeve', checks: ['groove-width'] },
  bearing: { family: 'rolling-bearing', name: 'Bearing', checks: [] },
  needles: { family: 'rolling-bearing', name: 'Needles', checks: [] },
  bush: { family: 'bush-washer-pin', name: 'Bush', partKind: 'bush', checks: ['bore-single'] },
  washer: { family: 'bush-washer-pin', name: 'Washer', partKind: 'thrust-washer', checks: ['thickness'] },
  shim: { family: 'bush-washer-pin', name: 'Shims', partKind: 'shim-stack', checks: ['stack'] },
  spacer: { family: 'bush-washer-pin', name: 'Spacer', partKind: 'shim-stack', checks: ['length'] },
  clip: { family: 'fastener-seal', name: 'Clip', partKind: 'retaining-ring', oneUse: true, checks: [] },
  seal: { family: 'fastener-seal', name: 'Seal', partKind: 'lip-seal', oneUse: true, checks: [] },
  bolt: { family: 'fastener-seal', name: 'Bolts', partKind: 'threaded-fastener', checks: [] },
  shaft: { family: 'shaft-spline', name: 'Shaft', partKind: 'shaft', checks: ['journal'] },
  pin: { family: 'bush-washer-pin', name: 'Pin', checks: ['pin-diameter'] },
  case: { family: 'housing', name: 'Case', checks: [] },
};

export interface StrippedStep {
  readonly type: UnitType;
  readonly stepId: string;
  /** In the order of the pieces; one for each of those that are parts of their own. */
  readonly positions: readonly { readonly id: string; readonly piece: number; readonly count: number }[];
}

/** The next state of a unit's own type: a step with its pieces, each with the checks that the library has for its kind. */
export function withStrippedStep(
  type: UnitType,
  { title, pieces }: { readonly title: string; readonly pieces: readonly StrippedPiece[] },
  definitions: readonly CheckDefinition[],
): StrippedStep {
  const first = type.nextPosition;
  const single = pieces.flatMap((piece, at) =>
    piece.apart
      ? Array.from({ length: piece.count }, () => ({ ...piece, count: 1, at }))
      : [{ ...piece, at }],
  );
  const positions: Position[] = [];
  for (const [index, piece] of single.entries())
    positions.push(positionOf(piece, `part-${first + index}`, [...type.positions, ...positions]));
  const checks = single.flatMap(({ kind }, index) =>
    KINDS[kind].checks.flatMap((wanted) => {
      const definition = definitions.find(({ id }) => id === wanted);
      const positionId = positions[index]!.id;
      return definition
        ? [checkFromDefinition(definition, { id: `${positionId}-${wanted}`, positionId })]
        : [];
    }),
  );
  const stepId = `step-${type.steps.length + 1}-${first}`;
  return {
    stepId,
    positions: positions.map(({ id }, index) => ({
      ...{ id, piece: single[index]!.at, count: single[index]!.count },
    })),
    type: {
      ...type,
      positions: [...type.positions, ...positions],
      checks: [...type.checks, ...checks],
      steps: [
        ...type.steps,
        { id: stepId, title, positions: positions.map(({ id }) => id), cautions: [], record: [] },
      ],
      nextPosition: first + single.length,
    },
  };
}

function positionOf(piece: StrippedPiece, id: string, known: readonly Position[]): Position {
  const { family, oneUse, partKind } = KINDS[piece.kind];
  const way = [piece.wayRound, markWords(piece)].filter(Boolean).join('; ');
  const draw = drawnAs(piece);
  return {
    ...{ id, family, name: freeName(piece, known) },
    ...(piece.count > 1 ? { quantity: { count: piece.count } } : {}),
    ...(oneUse ? { oneUse } : {}),
    ...(partKind ? { kind: partKind } : {}),
    ...(way === '' ? {} : { orientation: way }),
    ...(draw ? { draw } : {}),
    ...(draw && piece.size?.width !== undefined ? { from: 0, to: piece.size.width } : {}),
  };
}

/** Its measures, kept as the drawing that it gets once somebody says on which shaft it sits. */
function drawnAs({ kind, size }: StrippedPiece): Draw | undefined {
  if (size?.inner === undefined || size.outer === undefined) return undefined;
  const [inner, outer] = [size.inner / 2, size.outer / 2];
  if (kind === 'bearing' || kind === 'needles')
    return { shape: 'bearing', kind: kind === 'needles' ? 'needle' : 'ball', bore: inner, outer };
  return kind === 'seal' ? { shape: 'seal', inner, outer, lip: 'right' } : { shape: 'ring', inner, outer };
}

/** By what a person called it, else by its kind and size; of two that would be called the same the second gets a number. */
function freeName(piece: StrippedPiece, known: readonly Position[]): string {
  const base = (piece.name.trim() || [KINDS[piece.kind].name, piece.number].filter(Boolean).join(' ')).slice(
    0,
    56,
  );
  const same = ({ name }: Position) => name.toLowerCase().replace(/ \d+$/, '') === base.toLowerCase();
  const whole = ({ name }: Position) => name.toLowerCase() === base.toLowerCase();
  const taken = known.filter((each) => same(each) || whole(each)).length;
  return taken === 0 ? base : `${base} ${taken + 1}`;
}

/** Number and size as read off it. */
function markWords({ number, size }: StrippedPiece): string {
  const { inner, outer, width } = size ?? {};
  const told = [inner, outer, width].map((each) => (each === undefined ? '?' : formatNumber(each, 1)));
  const measured = inner ?? outer ?? width;
  return [number === '' ? '' : `marked ${number}`, measured === undefined ? '' : `${told.join(' × ')} mm`]
    .filter(Boolean)
    .join(', ');
}

/** mm: bores of the four smallest bore codes; from 04 on the code counts five millimetres. */
const SMALL_BORES: Readonly<Record<string, number>> = { '00': 10, '01': 12, '02': 15, '03': 17 };
const LARGEST_CODE = 96;
/** mm: a caliper over a worn bore is off by less. */
const SAME_BORE = 0.6;

/**
 * The bore that the basic designation of a rolling bearing tells by its last two figures, mm; undefined where it is no such number.
 * Source: the system of designations of rolling bearings, bore code.
 */
export function boreOfNumber(number: string): number | undefined {
  const [, code] =
    /^(?:(?:N|NU|NJ|NF|NUP)\s?\d{1,2}|(?:1[68]|2[1-4]|3[0-3]|5[1-4])\d|[1-7]\d)(\d{2})(?!\d)/i.exec(
      number.trim(),
    ) ?? [];
  if (code === undefined) return undefined;
  const five = Number(code) * 5;
  return SMALL_BORES[code] ?? (Number(code) <= LARGEST_CODE && five > 0 ? five : undefined);
}

/** What speaks against a number on a bearing: another bore than was measured. Empty where nothing does, or nothing can be told. */
export function againstNumber({
  kind,
  number,
  size,
}: Pick<StrippedPiece, 'kind' | 'number' | 'size'>): string {
  if (kind !== 'bearing' || number === '' || size?.inner === undefined) return '';
  const bore = boreOfNumber(number);
  if (bore === undefined || Math.abs(bore - size.inner) <= SAME_BORE) return '';
  return `The number ${number} is of a bore of ${formatNumber(bore, 0)} mm, and ${formatNumber(size.inner, 1)} was measured`;
}
