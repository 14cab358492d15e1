import type { RecordOf } from '@/model/recordKinds';
import { paint } from '../kit/paint';

const SHAPES: readonly (readonly [RegExp, string])[] = [
  [/needle|roller/i, 'M10 4h8v26h-8z'],
  [/dust|powder|glitter/i, 'M5 10h2M12 6h2M20 9h2M8 18h2M17 16h2M23 20h2M6 26h2M14 27h2M21 27h2'],
  [/sliver|curl|chip|shaving/i, 'M4 8C12 6 18 10 24 4M5 18C12 14 18 22 25 15M4 28C11 23 18 31 25 25'],
  [/ring|clip|washer/i, 'M24 16a10 10 0 1 1 -4 -8M20 4v6h-6'],
];
const CHUNK = 'M6 26L4 14L13 5L23 8L26 20L18 29Z';

/** A piece as one would sketch it; an outline where there should be one and none was found. */
export function PieceGlyph({ content }: { readonly content?: RecordOf<'debris'> }) {
  const shape = content && (SHAPES.find(([word]) => word.test(content.piece))?.[1] ?? CHUNK);
  const colour = content?.colour === 'yellow' ? paint('brass') : paint('onBlue');
  return (
    <svg width={30} height={34} viewBox="0 0 30 34" aria-hidden="true" style={{ flexShrink: 0 }}>
      <path
        d={shape ?? 'M8 4h14v26h-14z'}
        fill={shape?.endsWith('z') || shape?.endsWith('Z') ? colour : 'none'}
        fillOpacity={content?.colour === 'black' ? 0.35 : 1}
        stroke={content ? colour : paint('onBlue')}
        strokeWidth={1.8}
        strokeDasharray={content ? undefined : '4 3'}
      />
    </svg>
  );
}
