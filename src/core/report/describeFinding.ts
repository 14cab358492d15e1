import type { Catalogs } from '@/model/catalogs';
import { type Family, type FindingContent, NOTHING_TO_SEE } from '@/model/damage';
import { findMode } from '../catalogs/words';

/** One finding as a sentence that a customer understands, the standard term in brackets. */
export function describeFinding(
  finding: FindingContent,
  family: Family,
  words: Pick<Catalogs, 'damage-words'>,
): string {
  const mode = findMode(words, family, finding.mode);
  if (!mode) return `${finding.mode}, ${finding.place}`;
  if (mode.id === NOTHING_TO_SEE) return 'Looked at closely; no damage seen.';
  const extent = [
    finding.place === 'everywhere' ? '' : finding.place,
    finding.severity,
    finding.count === undefined ? '' : `on ${finding.count} ${mode.countOf ?? 'places'}`,
    finding.share === undefined
      ? ''
      : `${Math.round(finding.share * 1000) / 10} % of ${mode.shareOf ?? 'the surface'}`,
  ].filter(Boolean);
  const note = finding.note ? ` ${finding.note}` : '';
  return `${mode.plain} (${mode.term}: ${extent.join(', ')}.)${note}`;
}

/** “Nothing to see” is no finding beside one: whoever saw damage later, or elsewhere on the part, has seen something. */
export function toldFindings<Each extends Pick<FindingContent, 'mode'>>(
  findings: readonly Each[],
): readonly Each[] {
  const damage = findings.filter(({ mode }) => mode !== NOTHING_TO_SEE);
  return damage.length > 0 ? damage : findings;
}
