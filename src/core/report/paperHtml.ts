import { GRADE_WORD } from '@/model/damage';
import { gradePath, WHOLE_TOOTH } from '@/model/gradeShape';
import type { Paper, PaperBlock } from '@/model/paper';
import type { ReportPhotograph } from '@/model/report';
import type { UnitType } from '@/model/unitType';
import { drawMark, penOf } from '../imaging/marks';
import { numberedSection } from '../section/numberedSection';
import { type DrawingInks, sectionSvg, asMarkup as t } from '../section/sectionSvg';
import { tellPlaces } from './tellPlaces';

export interface HtmlSources {
  readonly issued: string;
  readonly foot: string;
  /** The picture as an address that needs nothing else; undefined where it can't be read. */
  readonly pictureOf: (photographId: string) => string | undefined;
  readonly typeOf: (id: string, revision: number) => UnitType | undefined;
}

/** A report as one file that opens in any browser, without network or programs. Every word that a person wrote is text, never markup. */
export function paperHtml(paper: Paper, sources: HtmlSources): string {
  const { shop, title, subtitle, sections } = paper;
  const body = sections.map(
    ({ id, title: name, blocks }) =>
      `<section id="${t(id)}"><h2>${t(name)}</h2>${blocks.map((block) => blockHtml(block, sources)).join('')}</section>`,
  );
  return `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width,initial-scale=1">
<title>${t(`${title}: ${subtitle}`)}</title><style>${STYLE}</style></head>
<body><header><strong>${t(shop.name)}</strong><br>${t([shop.place, shop.contact].filter(Boolean).join(' · '))}</header>
<main><h1>${t(title)}</h1><p>${t(subtitle)}<br><small>${t(sources.issued)}</small></p>
${body.join('\n')}
</main><footer>${t(sources.foot)}</footer></body></html>
`;
}

const STYLE = `:root{color-scheme:light dark}body{max-width:46rem;margin:2rem auto;padding:0 1rem;font:16px/1.45 'Open Sans Variable','Open Sans',sans-serif}
header,footer{border:solid currentColor;border-width:0 0 2px;padding-bottom:.5rem}footer{border-width:1px 0 0;padding-top:.5rem;margin-top:2rem;overflow-wrap:anywhere;font-size:.8rem}
h2{border-bottom:1px solid;font-size:1.15rem;margin:1.6rem 0 .5rem}h3{font-size:1rem;margin:1rem 0 .3rem;display:flex;gap:.5rem;align-items:center}p{margin:.3rem 0}
.quiet{opacity:.8}.warning{font-weight:650}table{border-collapse:collapse;width:100%;font-size:.85rem}th,td{text-align:left;vertical-align:top;border-bottom:1px solid;padding:.2rem .4rem}td{overflow-wrap:break-word}
.n{text-align:right}.scroll{overflow-x:auto}dl{display:grid;grid-template-columns:auto 1fr;gap:.1rem 1rem}dt{font-weight:650}dd{margin:0}figure{margin:.6rem 0;break-inside:avoid}
figure svg,figure img{width:100%;height:auto;display:block}.picture{position:relative}.picture svg{position:absolute;inset:0}.pictures{display:grid;grid-template-columns:repeat(auto-fit,minmax(14rem,1fr));gap:.6rem}
.sheet{background:#fff;color:#000;border:1px solid}`;

/** Ink on white, in whichever shift it is read. */
const INKS: DrawingInks = {
  ...{ ink: '#000', paper: '#fff', cavity: '#e2e2e2', cut: '#fff', steel: '#f1f1f1', land: '#fff' },
  filled: '#0C4052',
};

function blockHtml(block: PaperBlock, sources: HtmlSources): string {
  switch (block.as) {
    case 'text': {
      const label = block.label === undefined ? '' : `<strong>${t(block.label)}:</strong> `;
      return `<p${block.tone ? ` class="${block.tone}"` : ''}>${label}${t(block.words)}</p>`;
    }
    case 'part':
      return partHtml(block);
    case 'facts':
      return `<dl>${block.facts.map(([label, value]) => `<dt>${t(label)}</dt><dd>${t(value)}</dd>`).join('')}</dl>`;
    case 'list':
      return `<ul>${block.lines.map((line) => `<li>${t(line)}</li>`).join('')}</ul>`;
    case 'table':
      return tableHtml(block);
    case 'photographs':
      return `<div class="pictures">${block.photographs.map((each, at) => photographHtml(each, at, sources)).join('')}</div>`;
    case 'drawing':
      return drawingHtml(block, sources);
    case 'scale':
      return `<p><strong>${t(block.title)}:</strong> ${block.words.map((word, at) => (at === block.holds ? `<strong>▾ ${t(word)}</strong>` : t(word))).join(' · ')}</p>`;
    case 'reply':
      return `<ul>${[...block.ways, ...block.lines].map((words) => `<li>☐ ${t(words)}</li>`).join('')}</ul><p>Name: ______________________ Date: ______________ Signature: ______________________</p>`;
  }
}

type Of<As extends PaperBlock['as']> = Extract<PaperBlock, { as: As }>;

const partHtml = ({ name, grade, gradeWord, number }: Of<'part'>): string =>
  `<h3><svg width="22" height="22" viewBox="0 0 24 24" aria-hidden="true"><path d="${WHOLE_TOOTH}" fill="none" stroke="currentColor" stroke-width=".8" stroke-dasharray="2 2"/><path d="${gradePath(grade)}" fill="currentColor"/></svg>${number === undefined ? '' : `${number}. `}${t(name)}: ${grade}, ${t(gradeWord || GRADE_WORD[grade])}</h3>`;

function tableHtml({ title, columns, rows }: Of<'table'>): string {
  const heads = columns.map(
    ({ name, numeric }) => `<th scope="col"${numeric ? ' class="n"' : ''}>${t(name)}</th>`,
  );
  const lines = rows.map(
    ({ cells }) =>
      `<tr>${cells.map((cell, at) => `<td${columns[at]?.numeric ? ' class="n"' : ''}>${t(cell)}</td>`).join('')}</tr>`,
  );
  return `<div class="scroll"><table aria-label="${t(title)}"><thead><tr>${heads.join('')}</tr></thead><tbody>${lines.join('')}</tbody></table></div>`;
}

function photographHtml(photograph: ReportPhotograph, at: number, { pictureOf }: HtmlSources): string {
  const { id, caption, marks = [], width = 0, height = 0 } = photograph;
  const source = pictureOf(id);
  const words = `${caption}, photograph ${at + 1}`;
  if (source === undefined)
    return `<figure><p>This photograph can’t be read from the shop’s files.</p><figcaption>${t(words)}</figcaption></figure>`;
  return `<figure><div class="picture"><img src="${source}" alt="${t(words)}">${marks.length > 0 ? marksSvg(marks, { width, height }) : ''}</div><figcaption>${t(words)}</figcaption></figure>`;
}

function marksSvg(
  marks: NonNullable<ReportPhotograph['marks']>,
  picture: { readonly width: number; readonly height: number },
): string {
  const pen = penOf(picture);
  const drawn = marks.map((mark) => {
    const { path, disc, words } = drawMark(mark, picture);
    const line = (width: number, colour: string) =>
      `<path d="${path}" fill="none" stroke="${colour}" stroke-width="${width}" stroke-linecap="round"/>`;
    return [
      path ? line(2.7 * pen, '#13252C') + line(1.3 * pen, '#E3B354') : '',
      disc
        ? `<circle cx="${disc.at[0]}" cy="${disc.at[1]}" r="${disc.radius}" fill="#E3B354" stroke="#13252C" stroke-width="${pen}"/>`
        : '',
      words
        ? `<text x="${words.at[0]}" y="${words.at[1] + words.size * 0.35}" font-size="${words.size}" font-weight="650" fill="${disc ? '#13252C' : '#E3B354'}"${disc ? ' text-anchor="middle"' : ''}>${t(words.text)}</text>`
        : '',
    ].join('');
  });
  return `<svg viewBox="0 0 ${picture.width} ${picture.height}" aria-hidden="true">${drawn.join('')}</svg>`;
}

function drawingHtml(drawing: Of<'drawing'>, { typeOf }: HtmlSources): string {
  const type = typeOf(drawing.unitTypeId, drawing.revision);
  const section = type && numberedSection(type, drawing.places, { width: 720, height: 420 });
  if (!section) return '<p class="quiet">There is no drawing of this unit.</p>';
  return `<figure class="sheet">${sectionSvg(section, INKS, tellPlaces(drawing, section.notDrawn))}<figcaption>${t(drawing.caption)}</figcaption></figure>`;
}
