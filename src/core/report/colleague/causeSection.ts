import type { CauseNetwork } from '@/model/causeNetwork';
import { SURENESS_WORDS } from '@/model/job';
import type { PaperBlock, PaperSection } from '@/model/paper';
import type { JobSnapshot } from '@/model/snapshot';
import { type Names, namesOf } from '../../causes/names';
import { tellProbability } from '../../causes/tellProbability';
import { recordsOf } from '../../strip/recordsOf';
import { head, text } from './blocks';

/** The person's conclusion beside what the program ranked then; both are told where they differ. */
export function theCause({
  snapshot,
  network,
}: {
  readonly snapshot: JobSnapshot;
  readonly network: CauseNetwork;
}): PaperSection {
  const { cause, records, unitType } = snapshot;
  const names = namesOf(network, unitType);
  const guess = recordsOf(records, 'cause-guess').at(-1);
  const checked = recordsOf(records, 'cause-checked').at(-1);
  const conclusion = cause?.conclusion;
  const findings = Object.entries(conclusion?.findings ?? {});
  return {
    ...head('cause', 'Cause'),
    blocks: [
      ...(guess
        ? [
            text(
              guess.content.roots.length === 0
                ? `${guess.author} did not say.`
                : `${guess.content.roots.map(names.of).join('; ')} (${guess.author}). ${guess.content.words}`,
              'First guess, before the ranking was seen',
            ),
          ]
        : []),
      text(cause ? `${cause.words} (${cause.by})` : 'Nobody has concluded yet.', 'The conclusion'),
      ...(cause ? [text(SURENESS_WORDS[cause.sureness], 'How sure')] : []),
      ...(conclusion?.reason ? [text(conclusion.reason, 'Why it differs from the ranking')] : []),
      ...(conclusion ? [ranking(conclusion, names)] : []),
      ...(findings.length > 0
        ? [
            text(told(findings, true, names), 'Seen'),
            text(told(findings, false, names), 'Looked for, and not there'),
          ]
        : []),
      ...(checked
        ? [
            text(
              `${checked.content.confirmed ? 'confirmed' : 'refuted'} by ${checked.content.check} (${checked.author})`,
              'Checked',
            ),
          ]
        : []),
    ],
  };
}

const told = (findings: readonly (readonly [string, boolean])[], seen: boolean, names: Names): string =>
  findings
    .filter(([, value]) => value === seen)
    .map(([id]) => names.of(id))
    .join('; ') || 'nothing';

const ranking = (
  { ranking: ranked, roots }: NonNullable<NonNullable<JobSnapshot['cause']>['conclusion']>,
  names: Names,
): PaperBlock => ({
  as: 'table',
  title: 'What the program ranked then',
  columns: [
    { name: 'Cause', share: 0.6 },
    { name: 'Probability', share: 0.2 },
    { name: 'Chosen', share: 0.2 },
  ],
  rows: ranked.slice(0, 8).map(({ id, probability }) => ({
    key: id,
    cells: [names.of(id), tellProbability(probability), roots.includes(id) ? 'by the person' : ''],
  })),
});
