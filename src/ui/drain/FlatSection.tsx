import { memo } from 'react';
import type { Section } from '@/core/section/drawSection';
import type { Tone } from '@/core/section/pieces/shapes';
import { areaPath, linePath } from '@/core/section/svgPath';

/** On the blue panel the unit is a quiet ground: names and links carry the contrast. */
const FILL: Readonly<Record<Tone, string>> = {
  ...{ cavity: '#0A3646', case: '#0F465A', cut: '#0F465A', blank: '#0F465A' },
  ...{ steel: '#175164', land: '#1F5C6F', roller: '#0F465A', solid: '#7FA0A8' },
};
const INK = '#7FA0A8';

/** The unit cut open, flat, for what is drawn over it. */
export const FlatSection = memo(function FlatSection({ section }: { readonly section: Section }) {
  return section.marks.map((mark, at) =>
    'area' in mark ? (
      <path
        key={at}
        d={areaPath(mark.area)}
        fillRule="evenodd"
        fill={FILL[mark.area.tone]}
        stroke={INK}
        strokeWidth={0.8}
      />
    ) : (
      <path key={at} d={linePath(mark.line.points)} fill="none" stroke={INK} strokeWidth={0.5} />
    ),
  );
});
