import type { Point, Quad } from '@/core/imaging/raster';
import type { PictureScale } from '@/model/records/picture-scaled';

/** A scale while it is being set: sizes as they are typed. */
export type ScaleSetting =
  | {
      readonly by: 'plane';
      readonly corners: Quad;
      readonly width: string;
      readonly height: string;
      readonly cornerDeviation: number;
    }
  | { readonly by: 'length'; readonly points: readonly [Point, Point]; readonly length: string };

const figure = (text: string): number => Number(text.trim().replace(',', '.'));

/** The scale that was set; undefined while a size is missing. */
export function scaleOf(setting: ScaleSetting): PictureScale | undefined {
  if (setting.by === 'plane') {
    const [width, height] = [figure(setting.width), figure(setting.height)];
    if (!(width > 0 && height > 0)) return undefined;
    const corners = setting.corners.map(([x, y]) => [x, y]) as unknown as Extract<
      PictureScale,
      { by: 'plane' }
    >['corners'];
    return { by: 'plane', corners, width, height, cornerDeviation: setting.cornerDeviation };
  }
  const length = figure(setting.length);
  if (!(length > 0)) return undefined;
  const decimals = /[.,](\d+)/.exec(setting.length)?.[1]?.length ?? 0;
  const [one, other] = setting.points;
  return {
    by: 'length',
    points: [
      [one[0], one[1]],
      [other[0], other[1]],
    ],
    length,
    // Half of the last digit that was typed, any value as likely as another.
    lengthDeviation: (0.5 * 10 ** -decimals) / Math.sqrt(3),
  };
}

export const tellScale = (scale: PictureScale): string =>
  scale.by === 'plane'
    ? `a flat thing of ${scale.width} × ${scale.height} mm`
    : `a length of ${scale.length} mm, looked at squarely`;
