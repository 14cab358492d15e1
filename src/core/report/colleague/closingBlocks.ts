import type { PaperSection } from '@/model/paper';
import type { JobSnapshot } from '@/model/snapshot';
import type { CheckJudgement } from '../../metrology/judgeCheck';
import { formatNumber, formatQuantity } from '../../quantity/format';
import { closingOf } from '../../rebuild/closing';
import { setUpsOf } from '../../rebuild/setUp';
import { decimalsOf, describeLimit } from '../describeMeasurement';
import { text } from './blocks';

type Blocks = PaperSection['blocks'];

const STATES = {
  ...{ open: 'not read', within: 'within', beyond: 'beyond', 'too-close': 'too close to call' },
  'no-limit': 'no limit known',
} as const;

/** Figures found and now, rework, proofs, set-up rounds, what was signed for, and the days on which somebody looks again. */
export function closingBlocks(snapshot: JobSnapshot): Blocks {
  const { values, proofs, tickets, deviations, dates } = closingOf(snapshot);
  return [
    ...setUpBlocks(snapshot),
    ...(values.length > 0
      ? [
          {
            as: 'table' as const,
            title: 'Figures of the rebuilt unit',
            columns: [
              { name: 'Figure', share: 0.34 },
              { name: 'Found', share: 0.15 },
              { name: 'Now', share: 0.15 },
              { name: 'Limit', share: 0.2 },
              { name: '', share: 0.16 },
            ],
            rows: values.map(({ key, check, position, found, now, state }) => ({
              key,
              cells: [
                `${check.title}, ${position.name}`,
                ...[figure(found), figure(now), describeLimit(now.limit), STATES[state]],
              ],
            })),
          },
        ]
      : []),
    ...tickets.map(({ position, words }) => text(`${position.name}. ${words}`, 'Rework')),
    ...proofBlocks(proofs),
    ...deviations.map(({ words, signed }) =>
      text(
        `${words}. ${signed ? `Signed by ${signed.author}: ${signed.content.reason}${signed.content.owner ? `; the owner knows: ${signed.content.owner}` : ''}` : 'Nobody has signed for it.'}`,
        'Leaves otherwise than it should',
      ),
    ),
    ...dates.map(({ content: { on, words } }) => text(`${on}: ${words}`, 'Another look')),
  ];
}

function figure(judged: CheckJudgement | undefined): string {
  if (!judged?.decisive) return 'not read';
  const decimals = judged.limit ? decimalsOf(judged.limit) : 2;
  return formatQuantity(judged.decisive.value, decimals, judged.unit);
}

function proofBlocks(proofs: ReturnType<typeof closingOf>['proofs']): Blocks {
  const said = proofs.filter(({ state }) => state !== 'open');
  if (said.length === 0) return [];
  const words = {
    pass: '',
    fail: 'FAILED',
    'cant-say': 'can’t be said',
    'not-fitted': 'doesn’t apply',
    open: '',
  };
  return [
    {
      as: 'table',
      title: 'Proofs',
      columns: [
        { name: 'Proof', share: 0.4 },
        { name: 'Result', share: 0.42 },
        { name: 'By', share: 0.18 },
      ],
      rows: said.map(({ line, state, words: told, said: record }) => ({
        key: line.id,
        cells: [
          line.title,
          [state === 'pass' ? line.pass : words[state], told].filter(Boolean).join('; '),
          record?.author ?? '',
        ],
      })),
    },
  ];
}

function setUpBlocks(snapshot: JobSnapshot): Blocks {
  return setUpsOf(snapshot, []).flatMap(
    ({ name, pair, rounds, means, band, advice }): Blocks =>
      rounds.length === 0
        ? []
        : [
            {
              as: 'table',
              title: `Set-up of ${name}${band ? `, band ${formatNumber(band.min, 2)} to ${formatNumber(band.max, 2)} mm` : ''}`,
              columns: [
                { name: 'Round', share: 0.1, numeric: true },
                { name: 'Moved before it, mm', share: 0.4 },
                { name: 'Backlash, mean', share: 0.2 },
                { name: 'By', share: 0.3 },
              ],
              rows: rounds.map(({ author, content: { moved } }, at) => ({
                key: `${pair} ${at}`,
                cells: [
                  String(at + 1),
                  moved
                    ? `ring ${formatNumber(moved.ring, 2)} away, pinion ${formatNumber(moved.depth, 2)} toward`
                    : 'first build',
                  ...[`${formatNumber(means[at]!, 2)} mm`, author],
                ],
              })),
            },
            ...(advice ? [text(advice.reason, 'After the last round')] : []),
          ],
  );
}
