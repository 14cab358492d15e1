import type { CauseNetwork } from '@/model/causeNetwork';
import { GRADE_WORD } from '@/model/damage';
import { PART_DECISIONS } from '@/model/job';
import type { PaperBlock, PaperDocument, PaperSection } from '@/model/paper';
import type { ReportDocument, Shop } from '@/model/report';
import type { JobSnapshot } from '@/model/snapshot';
import { findActive } from '../wear/active';
import type { PartState } from '../wear/partStanding';
import { theBaseline, theStrip, theUnit } from './colleague/benchSections';
import { head, text } from './colleague/blocks';
import { theCause } from './colleague/causeSection';
import { theRebuild } from './colleague/rebuildSection';
import { describeMeasurement } from './describeMeasurement';
import { howItLay } from './howItLay';
import { photographsOf } from './photographsOf';
import { tellReadings } from './tellReadings';

export interface ColleagueSources {
  readonly shop: Shop;
  readonly snapshot: JobSnapshot;
  readonly parts: readonly PartState[];
  /** What the customer is told, from the same data. */
  readonly customer: ReportDocument;
  readonly network: CauseNetwork;
}

/** All that a colleague needs to build the unit again, and to judge what was judged. */
export function composeColleague(sources: ColleagueSources): PaperDocument {
  const { shop, snapshot, customer } = sources;
  const { job } = snapshot;
  const sections: (PaperSection | undefined)[] = [
    theUnit(snapshot, customer),
    theBaseline(sources),
    theStrip(snapshot),
    ...howItLay(snapshot),
    theGrades(sources),
    theChecks(sources),
    { ...head('evidence', 'What else was found'), blocks: evidenceBlocks(customer) },
    theCause(sources),
    theDecisions(sources),
    theRebuild(snapshot),
    theOpen(customer),
    thePhotographs(snapshot),
    {
      ...head('cautions', 'Cautions'),
      blocks: customer.cautions.map(({ title, words }) => ({ as: 'text', label: title, words })),
    },
  ];
  return {
    ...{ schemaVersion: 1, kind: 'colleague', shop, peg: job.peg },
    title: `Bench record of peg ${job.peg}`,
    subtitle: `${job.unitTitle}, ${job.machine}`,
    sections: sections.filter(
      (section): section is PaperSection => section !== undefined && section.blocks.length > 0,
    ),
  };
}

function theGrades({ snapshot, parts }: ColleagueSources): PaperSection {
  const described = new Map(snapshot.decisions.map((entry) => [entry.positionId, entry]));
  const grades = new Map(snapshot.grades.map((entry) => [entry.positionId, entry]));
  return {
    ...head('grades', 'Every part, its grade and what becomes of it'),
    blocks: [
      {
        as: 'table',
        title: 'Parts',
        columns: [
          { name: 'Part', share: 0.24 },
          { name: 'Grade', share: 0.14 },
          { name: 'Graded by', share: 0.22 },
          { name: 'Decision', share: 0.16 },
          { name: 'Why', share: 0.24 },
        ],
        rows: parts.map(({ position, grade }) => {
          const entry = grades.get(position.id);
          const decided = described.get(position.id);
          return {
            key: position.id,
            cells: [
              position.name,
              grade === null ? 'not graded' : `${grade} ${GRADE_WORD[grade]}`,
              entry ? `${entry.by}${entry.reason ? `: ${entry.reason}` : ''}` : '',
              PART_DECISIONS.find(({ id }) => id === decided?.decision)?.name ?? 'Not decided',
              decided
                ? [
                    decided.reason,
                    decided.riskBy ? `risk taken by ${decided.riskBy}` : '',
                    decided.decision === decided.proposed ? '' : 'not as proposed',
                  ]
                    .filter(Boolean)
                    .join('; ')
                : '',
            ],
          };
        }),
      },
    ],
  };
}

function theChecks({ snapshot, parts }: ColleagueSources): PaperSection {
  const gauges = new Map(snapshot.gauges.map(({ id, name }) => [id, name]));
  const rows = parts.flatMap(({ position, judgements }) =>
    judgements.map(({ check, judgement, readings, accepted }) => {
      const told = describeMeasurement(check, judgement, accepted);
      const by = [...new Set(findActive(readings).map(({ gaugeId }) => gauges.get(gaugeId) ?? gaugeId))];
      return {
        key: `${position.id} ${check.id}`,
        cells: [
          `${position.name}: ${check.title}`,
          by.length === 0 ? 'not measured' : `${tellReadings(findActive(readings))} (${by.join(', ')})`,
          told.value,
          `${told.limit}${told.source ? `, ${told.source}` : ''}`,
          told.verdict.replace('-', ' '),
        ],
      };
    }),
  );
  return {
    ...head('checks', 'Checks, limits and verdicts'),
    blocks:
      rows.length === 0
        ? []
        : [
            {
              as: 'table',
              title: 'Checks',
              columns: [
                { name: 'Check', share: 0.22 },
                { name: 'As read, and with what', share: 0.27 },
                { name: 'Value', share: 0.17 },
                { name: 'Limit and where it comes from', share: 0.22 },
                { name: 'Verdict', share: 0.12 },
              ],
              rows,
            },
          ],
  };
}

const evidenceBlocks = ({ evidence = [] }: ReportDocument): PaperBlock[] =>
  evidence.map(({ title, lines }) => text(lines.join(' '), title));

function theDecisions({ customer, snapshot }: ColleagueSources): PaperSection {
  const { unitDecision } = snapshot;
  return {
    ...head('decision', 'What becomes of the unit'),
    blocks: [
      text(
        customer.proposal
          ? `${customer.proposal.decision}. ${customer.proposal.reason} (${customer.proposal.by})`
          : 'Nothing is decided yet.',
      ),
      ...(unitDecision?.watch ? [text(unitDecision.watch, 'To watch')] : []),
    ],
  };
}

const theOpen = ({ open, issuedDespite }: ReportDocument): PaperSection => ({
  ...head('open', 'Open questions'),
  blocks: [
    ...(issuedDespite ? [text(`${issuedDespite.reason} (${issuedDespite.by})`, 'Issued all the same')] : []),
    ...(open.length === 0
      ? [text('None.')]
      : open.map(({ name, questions }) => text(questions.join('; '), name))),
  ],
});

function thePhotographs({ photographs, unitType, records }: JobSnapshot): PaperSection {
  return {
    ...head('photographs', 'Photographs'),
    blocks: findActive(photographs).length === 0 ? [] : [photographsOf({ photographs, unitType, records })],
  };
}
