import { quadArea } from '@/core/imaging/homography';
import type { ContactPatternResult } from '@/core/imaging/pattern/contactPattern';
import { contradictsEye } from '@/core/imaging/pits/byEye';
import type { SurfaceDamageResult } from '@/core/imaging/pits/surfaceDamage';
import { measureInPlane } from '@/core/imaging/planeMeasures';
import type { Quad } from '@/core/imaging/raster';
import type { EyeWord } from '@/model/pictureRecord';
import type { RecordOf } from '@/model/recordKinds';

/** What can be read from a photograph. */
export const KINDS = ['pattern on drive', 'pattern on coast', 'pits'] as const;
export type Kind = (typeof KINDS)[number];
/** What the worker answered, before a person has said that it took the right place. */
export type Taken =
  | { readonly kind: 'pattern'; readonly result: ContactPatternResult }
  | { readonly kind: 'pits'; readonly result: SurfaceDamageResult };

export const kindOf = ({ found }: RecordOf<'picture-measured'>): Kind =>
  found.kind === 'pits' ? 'pits' : found.flank === 'coast' ? 'pattern on coast' : 'pattern on drive';

/** A result as it is recorded. */
export function foundOf(taken: Taken, kind: Kind, seen?: EyeWord): RecordOf<'picture-measured'>['found'] {
  if (taken.kind === 'pits') {
    const { areaFraction, count, largest } = taken.result;
    return {
      ...{ kind: 'pits', areaFraction, count },
      ...(largest.diameterMm === undefined || count === 0 ? {} : { largestMm: largest.diameterMm }),
      ...(seen ? { seen } : {}),
      ...(seen && contradictsEye(seen, areaFraction) ? { seenAgain: true } : {}),
    };
  }
  const { coverage, centroid, extent, patches } = taken.result;
  return {
    kind: 'pattern',
    flank: kind === 'pattern on coast' ? 'coast' : 'drive',
    ...{ coverage, centroid },
    extent: { length: [...extent.length], height: [...extent.height] },
    ...(patches
      ? { patches: patches.map((patch) => ({ coverage: patch.coverage, centroid: patch.centroid })) }
      : {}),
  };
}

/** Millimetres of a pixel in the middle of a region, from the scale kept for the photograph. */
export function millimetresAt(region: Quad, scale: RecordOf<'picture-scaled'>['scale']): number | undefined {
  const pixels = quadArea(region);
  if (pixels < 1) return undefined;
  return Math.sqrt(measureInPlane('area', region, scale, 0).value / pixels);
}
