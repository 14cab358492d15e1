import type { DrawnArea, DrawnLine } from './drawSection';
import { DISC_R, type NumberedSection } from './numberedSection';
import { SPACING, type Tone } from './pieces/shapes';
import { OUTLINE, STROKES } from './strokes';
import { areaPath, linePath } from './svgPath';

/** The colours of a drawing, as CSS has them. */
export interface DrawingInks {
  readonly ink: string;
  readonly paper: string;
  readonly cavity: string;
  readonly cut: string;
  readonly steel: string;
  readonly land: string;
  /** What a number points at. */
  readonly filled: string;
}

const FILL: Readonly<Record<Tone, keyof DrawingInks>> = {
  cavity: 'cavity',
  case: 'cut',
  cut: 'cut',
  blank: 'cut',
  steel: 'steel',
  land: 'land',
  roller: 'cut',
  solid: 'ink',
};

const SIGNS: Readonly<Record<string, string>> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' };
export const asMarkup = (words: string): string => words.replace(/[&<>"]/g, (sign) => SIGNS[sign]!);

/** A numbered section as SVG that stands by itself; `words` say to who can't see it what it shows. */
export function sectionSvg(section: NumberedSection, inks: DrawingInks, words: string): string {
  const { width, height, marks, centreLines, discs, filled } = section;
  const body = [
    hatchings(inks),
    ...marks.map((mark) =>
      'area' in mark
        ? area(mark.area, inks, filled.has(mark.area.positionId))
        : stroke(linePath(mark.line.points), mark.line.kind, inks),
    ),
    ...centreLines.map((points) => stroke(linePath(points), 'centre', inks)),
    ...discs.map((each) => disc(each, inks)),
  ];
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" width="100%" role="img" aria-label="${asMarkup(words)}">${body.join('')}</svg>`;
}

const hatchId = (angle: number, spacing: number) =>
  `letter-h${angle > 0 ? 'p' : 'm'}${String(spacing).replace('.', '_')}`;

const hatchings = ({ ink }: DrawingInks): string =>
  `<defs>${[45, -45]
    .flatMap((angle) =>
      Object.values(SPACING).map(
        (spacing) =>
          `<pattern id="${hatchId(angle, spacing)}" width="${spacing}" height="${spacing}" patternUnits="userSpaceOnUse" patternTransform="rotate(${angle})"><line x1="0" x2="0" y1="0" y2="${spacing}" stroke="${ink}" stroke-width="${spacing < 3 ? 0.9 : 1.1}"/></pattern>`,
      ),
    )
    .join('')}</defs>`;

function area(drawn: DrawnArea, inks: DrawingInks, isFilled: boolean): string {
  const d = areaPath(drawn);
  const metal = isFilled && drawn.tone !== 'cavity' && drawn.tone !== 'land';
  const fill = metal ? inks.filled : inks[FILL[drawn.tone]];
  const shape = `<path d="${d}" fill="${fill}" fill-rule="evenodd" stroke="${inks.ink}" stroke-width="${OUTLINE[drawn.tone]}" stroke-linejoin="round"${metal ? ` data-worn="${drawn.positionId}"` : ''}/>`;
  if (!drawn.hatch || metal || drawn.tone === 'solid') return shape;
  return `${shape}<path d="${d}" fill-rule="evenodd" fill="url(#${hatchId(drawn.hatch.angle, drawn.hatch.spacing)})"/>`;
}

function stroke(d: string, kind: DrawnLine['kind'], { ink }: DrawingInks): string {
  const { width, dash, opacity } = STROKES[kind];
  return `<path d="${d}" fill="none" stroke="${ink}" stroke-width="${width}" opacity="${opacity}"${dash ? ` stroke-dasharray="${dash}"` : ''}/>`;
}

function disc({ number, at: [x, y], leader }: NumberedSection['discs'][number], inks: DrawingInks): string {
  const [toX, toY] = leader.at(-1)!;
  const line = linePath(leader);
  return `<g><path d="${line}" fill="none" stroke="${inks.paper}" stroke-width="3.4"/><path d="${line}" fill="none" stroke="${inks.ink}" stroke-width="1.2"/><circle cx="${toX}" cy="${toY}" r="3" fill="${inks.paper}" stroke="${inks.ink}" stroke-width="1.5"/><circle cx="${x}" cy="${y}" r="${DISC_R}" fill="${inks.ink}"/><text x="${x}" y="${y + 5}" text-anchor="middle" fill="${inks.paper}" font-size="15" font-weight="650">${number}</text></g>`;
}
