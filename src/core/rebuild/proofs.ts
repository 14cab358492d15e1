import type { ProofResult } from '@/model/records/proved';
import type { JobSnapshot } from '@/model/snapshot';
import { formatNumber } from '../quantity/format';
import { type Recorded, recordsOf } from '../strip/recordsOf';
import { type ProofLine, proofLines } from './proofList';
import { ratioLines, tellCounted } from './ratioByHand';

export interface Proof {
  readonly line: ProofLine;
  readonly said: Recorded<'proved'> | undefined;
  /** What the last word comes to: a line that “passed” with a figure that forbids it has failed. */
  readonly state: 'open' | ProofResult;
  /** Figures and what they come to, in words. */
  readonly words: string;
}

type Sources = Pick<JobSnapshot, 'unitType' | 'records'>;

/** Every line that this unit’s rebuild is proved by, with the last word about each. */
export function proofsOf({ unitType, records }: Sources): Proof[] {
  const said = new Map(recordsOf(records, 'proved').map((record) => [record.content.item, record]));
  const lines = proofLines(unitType);
  const beforeSeals = lines.findIndex(({ id }) => id === 'hand-detents');
  const at = beforeSeals < 0 ? lines.findIndex(({ group }) => group === 'hand') : beforeSeals;
  const all = [...lines.slice(0, at), ...ratioLines(unitType), ...lines.slice(at)];
  return all.map((line) => proofOf(unitType, line, said.get(line.id)));
}

function proofOf(
  unitType: JobSnapshot['unitType'],
  line: ProofLine,
  said: Recorded<'proved'> | undefined,
): Proof {
  if (!said) return { line, said, state: 'open', words: '' };
  const { result, figures = {}, note } = said.content;
  const told = line.figures.flatMap(({ id, words, unit }) =>
    figures[id] === undefined
      ? []
      : [`${words} ${formatNumber(figures[id], decimalsOf(figures[id]))} ${unit}`],
  );
  const forbids = line.figures.flatMap(({ id, most }) =>
    most && (figures[id] ?? 0) > most.value ? [most.words] : [],
  );
  const ratio = ratioWords(unitType, line.id, figures);
  const state =
    result === 'pass' && (forbids.length > 0 || ratio.isWrong)
      ? 'fail'
      : ratio.isUnsure && result === 'pass'
        ? 'cant-say'
        : result;
  return { line, said, state, words: [...told, ratio.words, ...forbids, note].filter(Boolean).join('; ') };
}

function ratioWords(
  unitType: JobSnapshot['unitType'],
  id: string,
  figures: Readonly<Record<string, number>>,
) {
  const none = { words: '', isWrong: false, isUnsure: false };
  if (!id.startsWith('ratio:')) return none;
  const told = tellCounted(unitType, id.slice(6), { input: figures.in ?? 0, output: figures.out ?? 0 });
  if (!told) return none;
  const pair = `counted ${formatNumber(told.counted, 2)}, described ${formatNumber(told.expected, 2)}`;
  if (told.says === 'agrees') return { ...none, words: pair };
  if (told.says === 'too-few')
    return { ...none, words: `${pair}: too few turns to tell it from ${told.like}`, isUnsure: true };
  return {
    ...none,
    words: `${pair}: ${told.like ? `that is ${told.like}` : 'that is none of its gears'}`,
    isWrong: true,
  };
}

const decimalsOf = (value: number): number => Math.min(3, (String(value).split('.')[1] ?? '').length);

/** Why a line can’t be said to pass yet, in words; undefined where it can. */
export function missingFor(
  line: ProofLine,
  figures: Readonly<Record<string, number>>,
  note: string,
): string | undefined {
  const figure = line.figures.find(({ id, needed }) => needed && figures[id] === undefined);
  if (figure) return `${figure.words} in ${figure.unit} is needed.`;
  if (line.say && note.trim() === '') return `Say ${line.say}.`;
  return undefined;
}
