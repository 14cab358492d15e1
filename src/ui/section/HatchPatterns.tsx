import { SPACING } from '@/core/section/pieces/shapes';
import { paint } from '../kit/paint';

export const hatchId = (prefix: string, angle: number, spacing: number, bad: boolean): string =>
  `${prefix}-h${angle > 0 ? 'p' : 'm'}${String(spacing).replace('.', '_')}${bad ? 'x' : ''}`;

/** Hatching for cut metal: ±45°, four spacings, ink or oxide. */
export function HatchPatterns({ prefix }: { readonly prefix: string }) {
  const variants = [45, -45].flatMap((angle) =>
    Object.values(SPACING).flatMap((spacing) => [false, true].map((bad) => ({ angle, spacing, bad }))),
  );
  return (
    <defs>
      {variants.map(({ angle, spacing, bad }) => (
        <pattern
          key={hatchId(prefix, angle, spacing, bad)}
          id={hatchId(prefix, angle, spacing, bad)}
          width={spacing}
          height={spacing}
          patternUnits="userSpaceOnUse"
          patternTransform={`rotate(${angle})`}
        >
          <line
            x1={0}
            x2={0}
            y1={0}
            y2={spacing}
            stroke={paint(bad ? 'oxide' : 'ink')}
            strokeWidth={spacing < 3 ? 1 : 1.3}
            opacity={bad ? 1 : 0.85}
          />
        </pattern>
      ))}
    </defs>
  );
}
