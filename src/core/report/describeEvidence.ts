import type { ReportEvidence } from '@/model/report';
import type { JobSnapshot } from '@/model/snapshot';
import { countablePairs } from '../gearing/countablePairs';
import { identityOfEntry } from '../gearing/identityOfEntry';
import { settledIdentity } from '../open/identityQuestions';
import { formatNumber } from '../quantity/format';
import { patternChecks } from '../rebuild/patternAsFound';
import { tellPattern } from '../rebuild/tellPattern';
import { recordingsOf } from '../sound/recordingsOf';
import { heardPlaces, tellHeard, tellTold } from '../sound/tellRecording';
import { debrisBalance } from '../strip/debris';
import { judgeSample } from '../strip/labSample';
import { recordsOf } from '../strip/recordsOf';
import { tellDrained } from '../strip/tellDrained';

/** What besides the parts decided: the oil as it came out, the laboratory, the teeth that were counted, the debris. */
export function describeEvidence(snapshot: JobSnapshot): ReportEvidence[] {
  return [
    { title: 'The oil as it came out', lines: theOil(snapshot) },
    { title: 'What the laboratory found', lines: theLaboratory(snapshot) },
    { title: 'The contact pattern as it came', lines: thePattern(snapshot) },
    { title: 'The noise as it was recorded', lines: theNoise(snapshot) },
    { title: 'Teeth counted', lines: theTeeth(snapshot) },
    { title: 'Pieces that were found', lines: theDebris(snapshot) },
  ].filter(({ lines }) => lines.length > 0);
}

const theOil = ({ records, unitType }: JobSnapshot): string[] =>
  recordsOf(records, 'drained').map(({ content }) => sentence(tellDrained(content, unitType.oil?.litres)));

const thePattern = (snapshot: JobSnapshot): string[] =>
  patternChecks(snapshot).flatMap(({ name, seen }) =>
    seen ? [`${name}: ${tellPattern(seen.content)}.`] : [],
  );

const theNoise = (snapshot: JobSnapshot): string[] =>
  recordingsOf(snapshot).map(({ told, heard }) => {
    const word = told ? sentence(tellTold(told.content.told)) : 'Nothing is known of how it turned.';
    const places = heard ? heardPlaces(heard.content.heard).map(tellHeard) : [];
    if (!heard) return `${word} Nobody has held it against the unit’s orders.`;
    return places.length === 0
      ? `${word} Nothing in it speaks for a place in this unit.`
      : `${word} Heard: ${places.join('; ')}. It speaks for these places and proves none of them.`;
  });

const LEVEL = { untold: '', usual: '', watch: 'more than usual', act: 'far too much' } as const;

function theLaboratory({ records, catalogs }: JobSnapshot): string[] {
  const samples = recordsOf(records, 'lab').map(({ content }) => content);
  return samples.map((sample, index) => {
    const judged = judgeSample(sample, catalogs['oil-thresholds'], samples[index - 1]);
    const striking = judged.filter(({ level }) => level === 'watch' || level === 'act');
    const told = striking.map(
      ({ name, value, level, from }) =>
        `${name} ${formatNumber(value, 0)}, ${LEVEL[level]} (usually from ${from})`,
    );
    const rest = judged.some(({ level }) => level === 'untold')
      ? 'which oil it is and how old was not said, so no limit judges it'
      : 'every figure as usual';
    return `Sample ${sample.sample}: ${told.length > 0 ? told.join('; ') : rest}.`;
  });
}

function theTeeth({ identities, unitType, records }: JobSnapshot): string[] {
  const pairs = countablePairs(unitType);
  return identities.map((entry) => {
    const pair = pairs.find(({ id }) => id === entry.pairId) ?? {
      ...{ id: entry.pairId, name: 'The pair that was counted', pinion: 0, ring: 0 },
    };
    const found = identityOfEntry(entry, pair);
    const counted = `${pair.name}: ${entry.pinionTeeth} and ${entry.ringTeeth} teeth`;
    if (typeof found === 'string') return `${counted}. ${found}`;
    if (found.conflicts.length === 0) return `${counted}; nothing speaks against marks, tag or type.`;
    const against = found.conflicts.map(({ what, stated }) => `${what} (${stated})`).join(' and ');
    const settled = settledIdentity(records, entry);
    return `${counted}, which disagrees with ${against}. ${
      settled ? `${settled.author} let it go on: ${settled.content.reason}.` : 'That is not settled.'
    }`;
  });
}

const LINK = { proved: 'from', likely: 'likely from', assumed: 'assumed to be from' } as const;

function theDebris({ records, unitType }: JobSnapshot): string[] {
  return debrisBalance(records).map(({ piece: { content }, match }) => {
    const head = `${content.piece}${content.where === '' ? '' : ` (${content.where})`}`;
    if (!match) return `${head}: nothing accounts for it yet.`;
    const { positionId, note } = match.content;
    const part = unitType.positions.find(({ id }) => id === positionId)?.name;
    return part === undefined
      ? `${head}: its source can’t be found any more. ${note}`
      : `${head}: ${LINK[match.content.sure ?? 'proved']} ${part}${note === '' ? '' : `, ${note}`}.`;
  });
}

const sentence = (words: string): string => `${words[0]?.toUpperCase() ?? ''}${words.slice(1)}.`;
