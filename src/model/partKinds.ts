import * as v from 'valibot';

/*
 * What kind of part a position holds, where its family alone doesn't say what may be done with it. Everything that hangs on it is told here, and
 * hangs on nothing else: not on what somebody called the part.
 */

interface PartKind {
  readonly id: string;
  readonly name: string;
  /** Bolts, screws, studs, nuts: strong steel under tension. */
  readonly threaded?: true;
  /** Hard steel that is bent each time it works or is fitted. */
  readonly spring?: true;
  /** Hardened steel: it cracks beside a weld, and acid makes it brittle. */
  readonly hardened?: true;
  /** A spring in a groove: the whole groove shows before it goes in. */
  readonly inGroove?: true;
  /** Flies, bends or tears while it is fitted: one to spare is ordered where the shop does so. */
  readonly spoiltInFitting?: true;
  /** Loaded on both sides: turned over it bears on what was worn. */
  readonly loadedBothWays?: true;
  /** Has one right side. */
  readonly oneSided?: true;
  /** A lip runs on it. */
  readonly sealedLip?: true;
}

export const PART_KINDS = [
  { id: 'threaded-fastener', name: 'bolt, screw, stud or nut', threaded: true },
  { id: 'spring', name: 'spring', spring: true },
  {
    ...{ id: 'retaining-ring', name: 'retaining ring, snap ring, circlip or clip' },
    ...{ spring: true, inGroove: true, spoiltInFitting: true },
  },
  { id: 'lock-pin', name: 'lock pin or split pin', spoiltInFitting: true },
  { id: 'lock-wire', name: 'lock wire', spoiltInFitting: true, inGroove: true },
  { id: 'lock-plate', name: 'lock plate or tab' },
  { id: 'key', name: 'key' },
  { id: 'lip-seal', name: 'lip seal' },
  { id: 'o-ring', name: 'O-ring', spoiltInFitting: true },
  { id: 'gasket', name: 'gasket' },
  { id: 'crush-sleeve', name: 'crush sleeve' },
  { id: 'fitting', name: 'magnet, breather or plug' },
  { id: 'cross-pin', name: 'pin that carries spider gears', hardened: true, loadedBothWays: true },
  { id: 'pin', name: 'pin of a planet, roller or lever', hardened: true },
  { id: 'thrust-washer', name: 'thrust washer' },
  { id: 'dished-washer', name: 'dished washer or disc spring', spring: true, oneSided: true },
  { id: 'shim-stack', name: 'shims or spacer' },
  { id: 'bush', name: 'bush' },
  { id: 'adjuster', name: 'threaded adjuster' },
  { id: 'piston', name: 'piston' },
  { id: 'yoke', name: 'yoke or flange that a lip runs on', sealedLip: true },
  { id: 'shaft', name: 'shaft, coupling or hub' },
  { id: 'lock-clutch', name: 'clutch or plates of a locking differential', oneSided: true },
] as const satisfies readonly PartKind[];

export type PartKindId = (typeof PART_KINDS)[number]['id'];
export const PartKindSchema = v.picklist(
  PART_KINDS.map(({ id }) => id),
  'a kind of part from the list',
);

export const partKind = (id: PartKindId): PartKind => PART_KINDS.find((kind) => kind.id === id)!;
export type { PartKind };
