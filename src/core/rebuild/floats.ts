import type { Check } from '@/model/checks';
import type { JobSnapshot, ShimsOnHand } from '@/model/snapshot';
import { endFloat } from '../setup/endFloat';
import { shimStack } from '../setup/shimStack';
import type { AfterValue } from './afterValues';
import { drawerOf, packNow, type Stack } from './packs';

export interface Float {
  readonly value: AfterValue;
  readonly stack: Stack | undefined;
  readonly rubbing: Check['rubbing'];
  /** What to do, in one sentence; empty where it is right or nobody has read it. */
  readonly act: string;
  /** The pieces that would lie in the stack, thick to thin, and the float that they would give; mm. */
  readonly pieces: readonly number[];
  readonly expected: number | undefined;
}

const mm = (value: number): string => value.toFixed(2).replace('-', '−');

/**
 * The floats that a stack or a rubbed piece sets: how far each is from its aim, and what brings it there. Within its band nothing is done. What
 * is rubbed off can’t be put back: seven tenths first, then it is measured again.
 */
export function floatsOf(
  sources: Pick<JobSnapshot, 'unitType' | 'records'>,
  values: readonly AfterValue[],
  onHand: readonly ShimsOnHand[],
): Float[] {
  return values.flatMap((value): Float[] => {
    const stack = sources.unitType.stacks.find(({ check }) => check === value.check.id);
    const { rubbing } = value.check;
    if (!stack && !rubbing) return [];
    return [{ ...{ value, stack, rubbing }, ...adviceOn(sources, value, { stack, rubbing }, onHand) }];
  });
}

const NOTHING = { act: '', pieces: [], expected: undefined };

function adviceOn(
  sources: Pick<JobSnapshot, 'unitType' | 'records'>,
  { now, state }: AfterValue,
  { stack, rubbing }: Pick<Float, 'stack' | 'rubbing'>,
  onHand: readonly ShimsOnHand[],
): Pick<Float, 'act' | 'pieces' | 'expected'> {
  const measured = now.decisive?.value;
  const { min = 0, max, aim = max === undefined ? undefined : (min + max) / 2 } = now.limit ?? {};
  if (measured === undefined || state === 'within' || max === undefined || aim === undefined) return NOTHING;
  if (measured >= min && measured <= max) return NOTHING;
  if (rubbing) return { ...NOTHING, act: rubWords(measured, { min, max, aim }, rubbing) };
  const before = packNow(sources, undefined, stack!);
  if (before.length === 0)
    return {
      ...NOTHING,
      act: `${measured > aim ? 'Add' : 'Take out'} ${mm(Math.abs(measured - aim))} mm at ${stack!.letter}. Which shims lie there now was not put down.`,
    };
  const lies = before.reduce((all, each) => all + each, 0);
  const target = lies - stack!.sign * (measured - aim);
  const stock = [
    ...(onHand.find(({ drawer }) => drawer === drawerOf(stack!))?.pieces ?? []),
    ...before.map((thickness) => ({ thickness, count: 1 })),
  ];
  if (target <= 0) return { ...NOTHING, act: `${stack!.letter} would have to be thinner than nothing.` };
  const found = shimStack({ unit: 'mm', target, tolerance: 0.01, stock, maxPieces: 6 });
  return {
    act: `${stack!.letter} from ${mm(lies)} to ${mm(target)} mm${found.withinTolerance ? '' : `: buy or make ${mm(found.toBuy ?? target)} mm`}`,
    pieces: found.pieces,
    expected: measured + stack!.sign * (found.total - lies),
  };
}

function rubWords(
  measured: number,
  band: { readonly min: number; readonly max: number; readonly aim: number },
  { gives, what }: NonNullable<Check['rubbing']>,
): string {
  const asked = { unit: 'mm' as const, band, stock: [], tolerance: 0.01, kind: 'rub-bush' as const };
  // Rubbing that gives less float is the same sum seen from the other side of the aim.
  const found =
    gives === 'more'
      ? endFloat({ ...asked, measured })
      : endFloat({ ...asked, measured: 2 * band.aim - measured, band: mirrored(band) });
  if (found.verdict === 'within') return '';
  if (found.remove === undefined)
    return `${gives === 'more' ? 'Too much' : 'Too little'} float already: rubbing ${what} only gives ${gives}. A new piece.`;
  return `Rub ${mm(found.firstCut ?? found.remove)} mm off ${what}, seven tenths of ${mm(found.remove)}; then measure again.`;
}

const mirrored = ({
  min,
  max,
  aim,
}: {
  readonly min: number;
  readonly max: number;
  readonly aim: number;
}) => ({
  ...{ min: 2 * aim - max, max: 2 * aim - min, aim },
});
