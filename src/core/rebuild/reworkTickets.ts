import type { JobSnapshot } from '@/model/snapshot';
import type { Position } from '@/model/unitType';
import { verdict } from '../metrology/verdict';
import { formatNumber } from '../quantity/format';
import { type Recorded, recordsOf } from '../strip/recordsOf';
import { REWORK_NAMES } from './reworkRules';

export interface ReworkTicket {
  readonly id: string;
  readonly position: Position;
  readonly ticket: Recorded<'rework'>;
  readonly back: Recorded<'rework-back'> | undefined;
  readonly dropped: Recorded<'rework-dropped'> | undefined;
  /** `out`: nobody has measured it since. Only `within` and `dropped` let it go in. */
  readonly state: 'out' | 'within' | 'beyond' | 'too-close' | 'dropped';
  readonly words: string;
}

/** Every ticket of a job with what was measured after the work, judged with the gauge’s doubt. */
export function reworkTickets({
  unitType,
  records,
  gauges,
}: Pick<JobSnapshot, 'unitType' | 'records' | 'gauges'>): ReworkTicket[] {
  const backs = recordsOf(records, 'rework-back');
  const drops = recordsOf(records, 'rework-dropped');
  return recordsOf(records, 'rework').flatMap((ticket): ReworkTicket[] => {
    const position = unitType.positions.find(({ id }) => id === ticket.content.positionId);
    if (!position) return [];
    const back = backs.findLast(({ content }) => content.of === ticket.id);
    const dropped = drops.findLast(({ content }) => content.of === ticket.id);
    const state = dropped ? 'dropped' : back ? judged(ticket, back, gauges) : 'out';
    return [
      { ...{ id: ticket.id, position, ticket, back, dropped, state }, words: tell(ticket, back, dropped) },
    ];
  });
}

/** What may not go in yet: its work isn’t done, or wasn’t measured within. */
export const heldByRework = (
  tickets: readonly ReworkTicket[],
  positions: readonly string[],
): ReworkTicket[] =>
  tickets.filter(
    ({ position, state }) => positions.includes(position.id) && state !== 'within' && state !== 'dropped',
  );

function judged(
  { content: { min, max } }: Recorded<'rework'>,
  { content: { after, gaugeId } }: Recorded<'rework-back'>,
  gauges: JobSnapshot['gauges'],
): ReworkTicket['state'] {
  const gauge = gauges.find(({ id }) => id === gaugeId);
  const { verdict: word } = verdict({
    ...{ unit: 'mm', readings: [after], confidence: 0.95, statistic: 'mean' },
    limits: { ...(min === undefined ? {} : { min }), ...(max === undefined ? {} : { max }) },
    gauge: gauge ?? { resolution: 0.01, maxPermissibleError: 0.01 },
    ...(gauge?.repeatability === null || gauge === undefined ? {} : { repeatability: gauge.repeatability }),
  });
  return word === 'no-limit' ? 'too-close' : word;
}

const mm = (value: number): string => `${formatNumber(value, Math.min(4, Math.max(2, decimals(value))))} mm`;
const decimals = (value: number): number => (String(value).split('.')[1] ?? '').length;

export function tellTarget({
  min,
  max,
}: {
  readonly min?: number | undefined;
  readonly max?: number | undefined;
}): string {
  if (min === undefined) return `at most ${mm(max!)}`;
  return max === undefined ? `at least ${mm(min)}` : `${mm(min)} to ${mm(max)}`;
}

function tell(
  { content }: Recorded<'rework'>,
  back: ReworkTicket['back'],
  dropped: ReworkTicket['dropped'],
): string {
  const { act, words, before, sentTo, due } = content;
  return [
    `${REWORK_NAMES[act]}: ${words}`,
    `to ${tellTarget(content)}`,
    before === undefined ? '' : `before ${mm(before)}`,
    back ? `after ${mm(back.content.after)}` : '',
    sentTo ? `at ${sentTo}` : 'in the house',
    due && !back ? `due ${due}` : '',
    dropped ? `dropped: ${dropped.content.reason}` : '',
  ]
    .filter(Boolean)
    .join('; ');
}
