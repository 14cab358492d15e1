import type { PaperSection } from '@/model/paper';
import type { ReportDocument } from '@/model/report';
import type { JobSnapshot } from '@/model/snapshot';
import { policiesInForce } from '../../decisions/policiesInForce';
import { formatNumber } from '../../quantity/format';
import { patternChecks } from '../../rebuild/patternAsFound';
import { tellPattern } from '../../rebuild/tellPattern';
import { baselineChecks } from '../../strip/baseline';
import { stepWords } from '../../strip/stepWords';
import { shimsAsFound, stripPlan } from '../../strip/stripPlan';
import { head, text } from './blocks';

export function theUnit({ job, policies, records }: JobSnapshot, customer: ReportDocument): PaperSection {
  const pinned = Object.entries(job.catalogs).map(([kind, revision]) => `${kind} ${revision}`);
  const { own } = policiesInForce({ ...(policies ? { policies } : {}), records });
  return {
    ...head('unit', 'The unit'),
    blocks: [
      {
        as: 'facts',
        facts: [
          ['Customer', job.customer],
          ['Serial', job.serial || 'not given'],
          ['Tag', job.tag || 'not given'],
          ['Run', job.distanceKm === null ? 'not given' : `${formatNumber(job.distanceKm, 0)} km`],
          ['Oil claimed', job.oilClaimed || 'not given'],
          ['Booked in', `${job.bookedAt.slice(0, 10)} by ${job.bookedBy}`],
          ['Due', job.dueOn],
          ['Judged by', `${job.unitTypeId}, revision ${job.unitTypeRevision}; ${pinned.join(', ')}`],
          ...(job.history ? [['History', job.history] as const] : []),
        ],
      },
      text(`“${job.complaint}”`, 'Complaint'),
      ...customer.symptoms.map((each) => text(each)),
      ...Object.entries(own).map(([id, { by, reason }]) => text(`${id}: ${reason} (${by})`, 'Its own way')),
    ],
  };
}

export function theBaseline({ snapshot }: { readonly snapshot: JobSnapshot }): PaperSection {
  const read = baselineChecks(snapshot);
  return {
    ...head('baseline', 'As it was set, before anything moved'),
    blocks: [
      ...read.map(({ check, position, state, reason }) =>
        text(
          state === 'read'
            ? 'read; see the checks'
            : state === 'cannot'
              ? `could not be read: ${reason?.content.reason ?? ''}`
              : 'not read',
          `${check.title}, ${position.name}`,
        ),
      ),
      ...patternChecks(snapshot).map(({ name, seen }) =>
        text(seen ? tellPattern(seen.content) : 'not looked at', `Contact pattern, ${name}`),
      ),
    ],
  };
}

export function theStrip({ unitType, records }: JobSnapshot): PaperSection {
  const plan = stripPlan(unitType, records);
  const shims = unitType.stacks.flatMap(({ position }) => {
    const found = shimsAsFound(plan, position);
    const name = unitType.positions.find(({ id }) => id === position)?.name ?? position;
    const sum = found.reduce((all, each) => all + each, 0);
    return found.length === 0
      ? []
      : [
          {
            key: position,
            cells: [
              name,
              found.map((each) => formatNumber(each, 2)).join(' + '),
              `${formatNumber(sum, 2)} mm`,
            ],
          },
        ];
  });
  const left = plan.steps.filter(({ state }) => state === 'open').map(({ step }) => step.title);
  return {
    ...head('strip', 'How it came apart'),
    blocks: [
      ...(plan.log.length > 0
        ? [
            {
              as: 'table' as const,
              title: 'Steps in the order in which they were done',
              columns: [
                { name: 'No.', share: 0.07, numeric: true as const },
                { name: 'Step, and how it lay', share: 0.71 },
                { name: 'By', share: 0.22 },
              ],
              rows: plan.log.map(({ id, author, content }, at) => ({
                key: id,
                cells: [String(at + 1), stepWords(unitType, content), author],
              })),
            },
          ]
        : []),
      ...(left.length > 0 ? [text(left.join('; '), 'Not done')] : []),
      ...(shims.length > 0
        ? [
            {
              as: 'table' as const,
              title: 'Shims as they lay, from the case inward',
              columns: [
                { name: 'Stack', share: 0.4 },
                { name: 'Each, mm', share: 0.4 },
                { name: 'Together', share: 0.2, numeric: true as const },
              ],
              rows: shims,
            },
          ]
        : []),
    ],
  };
}
