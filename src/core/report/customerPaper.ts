import type { Paper, PaperBlock, PaperSection } from '@/model/paper';
import type { Quote } from '@/model/quote';
import type { ReportDocument, ReportPart } from '@/model/report';
import { tellMoney } from '../planning/money';
import { formatNumber } from '../quantity/format';
import { damagedPlaces, type NumberedPart, typeOfReport } from './damagedPlaces';
import { groupOpen, groupWorn } from './groupOpen';
import { placeOnScale, SURE_SCALE } from './sureness';

interface Issued {
  readonly document: ReportDocument;
  readonly number: number;
  readonly changes: readonly string[];
  /** Of the issue before, where there was one. */
  readonly previous?: number | undefined;
}

/** The customer’s report as a paper: what he told, what was found, why, what is proposed and offered, what is open, cautions, his reply. */
export function customerPaper({ document: report, number, changes, previous }: Issued): Paper {
  const { unit, shop } = report;
  const sections: PaperSection[] = [
    section('changes', `What changed since issue ${previous ?? number - 1}`, [
      ...(changes.length > 0 ? [{ as: 'list' as const, lines: changes }] : []),
    ]),
    section('complaint', 'What you told us', [
      text(`“${report.complaint}”`),
      ...(report.symptoms.length > 0 ? [text(report.symptoms.join('; '), { tone: 'quiet' })] : []),
    ]),
    section('found', 'What we found', found(report)),
    section('why', 'Why', why(report)),
    section('proposal', 'What we propose', [
      text(
        report.proposal
          ? `${report.proposal.decision}. ${report.proposal.reason}`
          : 'Nothing is decided yet.',
      ),
      ...report.partDecisions.map(({ decision, parts }) => text(parts.join(', '), { label: decision })),
    ]),
    ...(report.quote ? [offer(report.quote)] : []),
    section(
      'evidence',
      'What else we saw',
      (report.evidence ?? []).map(({ title, lines }) => text(lines.join(' '), { label: title })),
    ),
    ...settled(report),
    section('open', 'Not settled', notSettled(report)),
    section('watch', 'What to watch', report.watch ? [text(report.watch)] : []),
    section(
      'cautions',
      'Please note',
      report.cautions.map(({ title, words }) => text(words, { label: title })),
    ),
    ...(report.quote ? [replySlip(report.quote)] : []),
  ];
  return {
    title: `Report ${unit.peg}-${number}`,
    subtitle: `${unit.title}, ${unit.machine}`,
    shop,
    sections: [head(report), ...sections].filter(({ blocks }) => blocks.length > 0),
  };
}

const section = (id: string, title: string, blocks: readonly PaperBlock[]): PaperSection => ({
  id,
  title,
  blocks,
});
const text = (words: string, more: { label?: string; tone?: 'quiet' | 'warning' } = {}): PaperBlock => ({
  ...{ as: 'text', words },
  ...more,
});

const head = ({ unit, oilClaimed }: ReportDocument): PaperSection =>
  section('unit', 'Your unit', [
    {
      as: 'facts',
      facts: [
        ['For', unit.customer],
        ['Serial', unit.serial || 'not given'],
        ['Run', unit.distanceKm === null ? 'not given' : `${formatNumber(unit.distanceKm, 0)} km`],
        ['Oil claimed', oilClaimed || 'not given'],
      ],
    },
  ]);

function found(report: ReportDocument): PaperBlock[] {
  const places = damagedPlaces(report);
  if (places.length === 0) return [text('No part was graded “on the edge” or worse.')];
  const type = typeOfReport(report);
  const numbered = places.filter(
    (part): part is NumberedPart & { number: number } => part.number !== undefined,
  );
  return [
    ...(type
      ? [
          {
            as: 'drawing' as const,
            ...{ unitTypeId: type.id, revision: type.revision },
            places: numbered.map(({ number, positionId, name }) => ({
              number,
              positionIds: [positionId],
              name,
            })),
            caption: 'Your unit cut open. Dark is what is worn or broken.',
          },
        ]
      : []),
    ...places.flatMap(damagedPart),
  ];
}

function damagedPart({
  number,
  name,
  grade,
  gradeWord,
  seen,
  measured,
  decision,
  photographs,
}: NumberedPart): PaperBlock[] {
  return [
    { as: 'part', name, grade, gradeWord, ...(number === undefined ? {} : { number }) },
    ...seen.map((line) => text(line)),
    ...measured.map(({ title, value, limit, source, plain }) =>
      text(`${value}; limit: ${limit}${source ? ` (${source})` : ''}. ${plain}`, { label: title }),
    ),
    text(decision, { label: 'Decision' }),
    ...(photographs.length > 0 ? [{ as: 'photographs' as const, photographs }] : []),
  ];
}

function why({ cause }: ReportDocument): PaperBlock[] {
  if (!cause) return [text('The cause is not known yet.')];
  const holds = placeOnScale(cause.sureness);
  return [
    text(cause.words),
    ...(holds === undefined
      ? []
      : [{ as: 'scale' as const, title: 'How sure we are', words: SURE_SCALE, holds }]),
    text(`${cause.sureness}.`, { label: 'How sure we are', tone: 'quiet' }),
    ...(cause.firstFailure
      ? [
          text(`${cause.firstFailure}.`, {
            label: 'What failed first, as far as we can tell',
            tone: 'quiet' as const,
          }),
        ]
      : []),
  ];
}

function offer(quote: Quote): PaperSection {
  const heldUntil = quote.daysHoldUntil ? `, if we have your answer by ${quote.daysHoldUntil}` : '';
  return section('offer', 'What we offer', [
    ...quote.slips.map(({ name, price, total, readyOn, warrantyMonths, note }) =>
      text(
        [
          `${tellMoney(total, quote)} with ${quote.taxPercent} % tax, ${tellMoney(price, quote)} without.`,
          readyOn ? `Ready ${readyOn}${heldUntil}.` : '',
          warrantyMonths > 0 ? `${warrantyMonths} months’ warranty.` : '',
          note,
        ]
          .filter(Boolean)
          .join(' '),
        { label: name },
      ),
    ),
    ...(quote.lines ?? []).map(({ name, note, total, within }) => {
      const ways = quote.slips.filter(({ id }) => within.includes(id)).map((way) => way.name);
      const already = ways.length > 0 ? ` In “${ways.join('”, “')}” already.` : '';
      return text(`${tellMoney(total, quote)} with tax. ${note}${already}`, {
        label: `To take or to leave: ${name}`,
      });
    }),
    text(quote.ifNothing, { label: 'If nothing is done', tone: 'warning' }),
  ]);
}

const replySlip = (quote: Quote): PaperSection => ({
  ...section('reply', 'Reply slip', [
    {
      as: 'reply',
      ways: quote.slips.map((slip) => `${slip.name}, ${tellMoney(slip.total, quote)}`),
      lines: (quote.lines ?? []).map((line) => `and ${line.name}, ${tellMoney(line.total, quote)}`),
    },
  ]),
  ownPage: true,
});

const names = (parts: readonly ReportPart[]): string =>
  parts.map((part) => `${part.name} (${part.grade}, ${part.gradeWord})`).join(', ');

function settled(report: ReportDocument): PaperSection[] {
  const worn = groupWorn(report.worn);
  const group = (id: string, title: string, parts: readonly ReportPart[]) =>
    section(id, title, parts.length > 0 ? [text(names(parts))] : []);
  return [
    group('worn', 'Worn, within limits', worn.within),
    group('worn-by-eye', 'Worn, judged by eye: no limit is known', worn.byEye),
    group('sound', 'Looked at and sound', report.sound),
  ];
}

function notSettled({ open, issuedDespite }: ReportDocument): PaperBlock[] {
  if (open.length === 0) return [];
  const { unseen, questioned } = groupOpen(open);
  return [
    text('These are open questions. They are not a sign that a part is good.', { tone: 'quiet' }),
    ...(issuedDespite
      ? [text(`Issued all the same by ${issuedDespite.by}: ${issuedDespite.reason.replace(/[.\s]+$/, '')}.`)]
      : []),
    ...questioned.map(({ name, questions }) => text(questions.join('; '), { label: name })),
    ...(unseen.length > 0
      ? [text(unseen.map(({ name }) => name).join(', '), { label: 'Not looked at' })]
      : []),
  ];
}
