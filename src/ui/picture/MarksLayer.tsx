import { drawMark, penOf } from '@/core/imaging/marks';
import type { Size } from '@/core/imaging/planes';
import type { Mark } from '@/model/pictureRecord';

const COLOUR = '#E3B354';
const EDGE = '#13252C';

interface MarksLayerProps {
  readonly marks: readonly Mark[];
  readonly picture: Size;
  readonly chosen?: string | undefined;
  readonly onChoose?: ((mark: Mark) => void) | undefined;
}

/** Marks over a picture, in its own pixels: brass with a dark edge, so that they are seen on oil and on bright metal. */
export function MarksLayer({ marks, picture, chosen, onChoose }: MarksLayerProps) {
  const pen = penOf(picture);
  return (
    <g
      fill="none"
      strokeLinecap="round"
      strokeLinejoin="round"
      data-testid="marks"
      pointerEvents={onChoose ? 'auto' : 'none'}
    >
      {marks.map((mark) => {
        const { path, disc, words } = drawMark(mark, picture);
        const width = (mark.id === chosen ? 2 : 1.3) * pen;
        return (
          <g
            key={mark.id}
            data-mark={mark.id}
            data-shape={mark.shape}
            {...(onChoose ? { 'data-grip': '', onPointerDown: () => onChoose(mark), cursor: 'pointer' } : {})}
          >
            {path && <path d={path} stroke={EDGE} strokeWidth={width + 1.4 * pen} />}
            {path && <path d={path} stroke={COLOUR} strokeWidth={width} />}
            {disc && (
              <circle
                cx={disc.at[0]}
                cy={disc.at[1]}
                r={disc.radius}
                fill={COLOUR}
                stroke={EDGE}
                strokeWidth={0.8 * pen}
              />
            )}
            {words && (
              <text
                x={words.at[0]}
                y={words.at[1]}
                style={{ fontSize: words.size, fontWeight: 650 }}
                textAnchor={disc ? 'middle' : 'start'}
                dominantBaseline="central"
                fill={disc ? EDGE : COLOUR}
                stroke={disc ? 'none' : EDGE}
                strokeWidth={disc ? 0 : 1.2 * pen}
                paintOrder="stroke"
              >
                {words.text}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
}
