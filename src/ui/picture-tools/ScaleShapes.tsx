import type { PlaneShape } from '@/core/imaging/planeMeasures';
import type { PictureScale } from '@/model/records/picture-scaled';

/** What the scale was taken from, dashed. */
export function ScaleOutline({ scale, pixel }: { readonly scale: PictureScale; readonly pixel: number }) {
  const points = scale.by === 'plane' ? scale.corners : scale.points;
  return (
    <polygon
      points={points.map((point) => point.join(',')).join(' ')}
      fill="none"
      stroke="#E3B354"
      strokeWidth={2 * pixel}
      strokeDasharray={`${6 * pixel} ${4 * pixel}`}
      pointerEvents="none"
      data-testid="scale-outline"
    />
  );
}

interface MeasuredShapeProps {
  readonly shape: PlaneShape;
  readonly points: readonly (readonly [number, number])[];
  readonly pixel: number;
  readonly words: string;
}

/** A length, angle or area over the picture, with what it measures. */
export function MeasuredShape({ shape, points, pixel, words }: MeasuredShapeProps) {
  const text = points.map((point) => point.join(',')).join(' ');
  const [x, y] = [0, 1].map(
    (axis) => points.reduce((sum, point) => sum + point[axis]!, 0) / points.length,
  ) as [number, number];
  const look = { stroke: '#E3B354', strokeWidth: 2.5 * pixel, fill: 'none' };
  return (
    <g pointerEvents="none">
      {shape === 'area' ? <polygon points={text} {...look} /> : <polyline points={text} {...look} />}
      <text
        x={x}
        y={y - 10 * pixel}
        style={{ fontSize: 15 * pixel, fontWeight: 650 }}
        textAnchor="middle"
        fill="#F4EFE2"
        stroke="#13252C"
        strokeWidth={4 * pixel}
        paintOrder="stroke"
      >
        {words}
      </text>
    </g>
  );
}
