import type { Sureness } from '@/model/job';
import type { RankedCause, Weighed } from './diagnose';

interface Named {
  /** What a node is called, with its place. */
  readonly of: (id: string) => string;
  /** A root as the owner is told it. */
  readonly plain: (id: string) => string;
}

export interface ProposedWords {
  readonly words: string;
  readonly plainWords: string;
  readonly sureness: Sureness;
}

const LIKELY = 0.75;
const POSSIBLE = 0.3;
/** Nothing that was worked out is beyond doubt: that a person says. */
const surenessOf = (p: number): Sureness => (p >= LIKELY ? 'likely' : p >= POSSIBLE ? 'possible' : 'unknown');

const HOW: Record<Sureness, string> = {
  certain: 'Certainly',
  likely: 'Most probably',
  possible: 'Possibly',
  unknown: 'It is not known why it failed; it may be that',
};

/**
 * Words for a conclusion, to be edited by a person: what supports it, what speaks against it, what else isn't ruled out. They say what was
 * found and never who is to blame.
 */
export function proposeWords(
  chosen: readonly RankedCause[],
  others: readonly RankedCause[],
  isSeen: (finding: string) => boolean,
  { of, plain }: Named,
): ProposedWords {
  const [first] = chosen;
  if (!first)
    return { words: 'Not known.', plainWords: 'We don’t know yet why it failed.', sureness: 'unknown' };
  const sureness = surenessOf(Math.min(...chosen.map(({ probability }) => probability)));
  const said = (list: readonly Weighed[], most: number) =>
    list.slice(0, most).map(({ finding }) => `${isSeen(finding) ? '' : 'no sign of: '}${lower(of(finding))}`);
  const supports = [...new Set(chosen.flatMap((cause) => said(cause.for, 4)))];
  const against = [...new Set(chosen.flatMap((cause) => said(cause.against, 2)))];
  const open = others.filter(({ probability }) => probability >= POSSIBLE / 2).slice(0, 2);
  const words = [
    `${HOW[sureness]}: ${chosen.map(({ id }) => lower(of(id))).join('; and ')}.`,
    supports.length > 0 ? `Supported by ${supports.join(', ')}.` : '',
    against.length > 0 ? `Against it: ${against.join(', ')}.` : '',
    open.length > 0 ? `Not ruled out: ${open.map(({ id }) => lower(of(id))).join(', ')}.` : '',
  ];
  const plainWords = [
    `${HOW[sureness]} ${chosen.map(({ id }) => plain(id)).join(', and ')}.`,
    supports.length > 0 ? `What we saw that supports this: ${supports.slice(0, 3).join(', ')}.` : '',
    open.length > 0 ? `We can’t rule out that ${open.map(({ id }) => plain(id)).join(', or that ')}.` : '',
  ];
  return {
    words: words.filter(Boolean).join(' '),
    plainWords: plainWords.filter(Boolean).join(' '),
    sureness,
  };
}

const lower = (words: string): string => words.charAt(0).toLowerCase() + words.slice(1);
