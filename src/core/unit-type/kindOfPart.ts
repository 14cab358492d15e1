import type { Family } from '@/model/damage';
import { type PartKind, type PartKindId, partKind } from '@/model/partKinds';
import type { Position } from '@/model/unitType';

/*
 * The kind of a part: as its description tells it. Descriptions from before there were kinds tell none; for them it is assumed, once and
 * here alone, by what the part is called, and whoever uses it says that it is assumed. Where the name tells nothing it stays unknown.
 */

/** Families that hold parts of which very different things may be done. */
const AMBIGUOUS: ReadonlySet<Family> = new Set(['fastener-seal', 'bush-washer-pin']);

const BY_NAME: readonly (readonly [PartKindId, RegExp])[] = [
  ['retaining-ring', /\b(circlip|snap ring|retaining ring|clip)\b/i],
  ['lock-pin', /\b(lock pin|split pin)\b/i],
  ['lock-wire', /\block wire\b/i],
  ['dished-washer', /\b(dished|belleville)\b/i],
  ['spring', /\b(spring|detent)\b/i],
  ['threaded-fastener', /\b(bolts?|screws?|nuts?|studs?)\b/i],
  ['cross-pin', /\b(cross|spider).?pins?\b/i],
  ['o-ring', /\bo-?ring\b/i],
  ['gasket', /\bgaskets?\b/i],
  ['crush-sleeve', /\bcrush sleeve\b/i],
  ['lip-seal', /\bseals?\b/i],
  ['shim-stack', /\b(shims?|stack|spacer)\b/i],
  ['thrust-washer', /\bwashers?\b/i],
  ['pin', /\bpins?\b/i],
  ['bush', /\bbush(es)?\b/i],
  ['adjuster', /\badjusters?\b/i],
  ['piston', /\bpistons?\b/i],
  ['key', /\bkeys?\b/i],
  ['fitting', /\b(magnet|breather|plug)\b/i],
  ['lock-clutch', /\b(clutch|plates?|lock|slip)\b/i],
  ['yoke', /\b(yoke|flange|seal land)\b/i],
];

export interface KindOfPart {
  /** Undefined where nobody has said it and the name tells nothing. */
  readonly kind: PartKind | undefined;
  /** By what it is called, not by what somebody said. */
  readonly isAssumed: boolean;
}

/** In which families a name is heard at all: a middle plate is a housing, whatever else is called a plate. */
const HEARD_IN: Readonly<Partial<Record<Family, (kind: PartKindId) => boolean>>> = {
  'fastener-seal': () => true,
  'bush-washer-pin': () => true,
  'shaft-spline': (kind) => kind === 'yoke',
  'differential-unit': (kind) => kind === 'lock-clutch',
  'hub-sleeve-fork': (kind) => partKind(kind).spring === true,
};

export function kindOfPart({ kind, name, family }: Pick<Position, 'kind' | 'name' | 'family'>): KindOfPart {
  if (kind !== undefined) return { kind: partKind(kind), isAssumed: false };
  const assumed = BY_NAME.find(([id, words]) => HEARD_IN[family]?.(id) && words.test(name))?.[0];
  return { kind: assumed === undefined ? undefined : partKind(assumed), isAssumed: true };
}

/** Whether nobody knows what may be done with it: its family holds all sorts, and its kind isn't told. */
export const isOfUnknownKind = (position: Pick<Position, 'kind' | 'name' | 'family'>): boolean =>
  AMBIGUOUS.has(position.family) && kindOfPart(position).kind === undefined;
