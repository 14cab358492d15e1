import type { PaperSection } from '@/model/paper';
import type { JobSnapshot } from '@/model/snapshot';
import { tellOpen } from '../../open/tellOpen';
import { formatNumber } from '../../quantity/format';
import type { BoltTicks } from '../../rebuild/boltTicks';
import { isBegun, openOfRebuild } from '../../rebuild/openOfRebuild';
import { rebuildPlan } from '../../rebuild/rebuildPlan';
import { recordsOf } from '../../strip/recordsOf';
import { head, text } from './blocks';
import { closingBlocks } from './closingBlocks';

/** How it went together, once it began to: steps, bolts, what lies on the bench, and what the next opener should know. */
export function theRebuild(snapshot: JobSnapshot): PaperSection {
  const steps = isBegun(snapshot) ? rebuildPlan(snapshot) : [];
  const notes = recordsOf(snapshot.records, 'opener-note');
  const open = openOfRebuild(snapshot);
  return {
    ...head('rebuild', 'How it went together'),
    blocks: [
      ...(steps.length > 0
        ? [
            {
              as: 'table' as const,
              title: 'Steps on the way back',
              columns: [
                { name: 'No.', share: 0.07, numeric: true as const },
                { name: 'Step', share: 0.4 },
                { name: 'In', share: 0.28 },
                { name: 'Bolts', share: 0.25 },
              ],
              rows: steps.map(({ id, title, done, bolts }, at) => ({
                key: id,
                cells: [
                  ...[String(at + 1), title],
                  done ? [done.author, done.content.note].filter(Boolean).join(': ') : 'not yet',
                  bolts ? tellBolts(bolts) : '',
                ],
              })),
            },
            text(
              open.length === 0 ? 'Closed: everything is in.' : open.map(tellOpen).join('; '),
              'Still open',
            ),
          ]
        : []),
      ...(isBegun(snapshot) ? closingBlocks(snapshot) : []),
      ...notes.map(({ author, content }) => text(`${content.words} (${author})`, 'For the next opener')),
    ],
  };
}

function tellBolts({ count, stages, next, out, plusDeg }: BoltTicks): string {
  if (out.length > 0) return `${out.length} of ${count} turned at their value`;
  if (next) return 'not all at their value';
  return `${count} at ${formatNumber(stages.at(-1)!, 0)} N·m${plusDeg === undefined ? '' : ` and ${formatNumber(plusDeg, 0)}°`}`;
}
