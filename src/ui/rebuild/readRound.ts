import { parseReading } from '@/core/quantity/parseReading';
import { readPieces } from './readPieces';

/* A round of a set-up as it is typed, and as it is kept. */

export interface RoundTaken {
  readonly moved?: { readonly ring: number; readonly depth: number; readonly asTold: boolean };
  readonly again?: true;
  readonly packs?: { readonly stackId: string; readonly pieces: number[] }[];
  readonly gaugeId: string;
  readonly teeth: readonly { readonly tooth: number; readonly backlash: number }[];
  readonly drive?: { readonly length: number; readonly height: number };
  readonly coast?: { readonly length: number; readonly height: number };
  readonly photographed?: true;
}

/** What was done before it is read: as told, otherwise, or nothing at all. */
export type Before = 'told' | 'otherwise' | 'again';

export interface Draft {
  readonly before: Before | undefined;
  readonly ring: string;
  readonly depth: string;
  readonly gaugeId: string;
  readonly teeth: readonly string[];
  readonly marks: Readonly<Record<string, string>>;
  /** The patches are taken from the photographs that were measured since the last round. */
  readonly byPhotograph?: boolean;
  /** By stack. */
  readonly packs: Readonly<Record<string, string>>;
}

export const EMPTY: Draft = {
  ...{ before: undefined, ring: '', depth: '', gaugeId: '', teeth: [], marks: {}, packs: {} },
};

export interface Given {
  readonly teeth: readonly number[];
  readonly gaugeId: string;
  readonly told: { readonly ring: number; readonly depth: number } | undefined;
  readonly before: Before | undefined;
  /** What lies in the stacks after what was told. */
  readonly toldPacks: NonNullable<RoundTaken['packs']>;
  readonly letters: Readonly<Record<string, string>>;
  readonly photographed: Pick<RoundTaken, 'drive' | 'coast'>;
}

/** Teeth all round that a round needs: one alone says nothing of the others. */
const LEAST = 4;

const numberIn = (written: string): number | undefined => {
  const parsed = parseReading(written);
  return parsed.ok ? parsed.value : undefined;
};

/** What was typed as a round, or what is wrong with it in words. */
export function readDraft(draft: Draft, given: Given): RoundTaken | string {
  const { gaugeId, before } = given;
  const teeth = readTeeth(draft, given.teeth);
  if (typeof teeth === 'string') return teeth;
  const marks = draft.byPhotograph ? { ...given.photographed, photographed: true as const } : marksOf(draft);
  const isAgain = before === 'again';
  if (isAgain && teeth.length === 0 && !marks.drive && !marks.coast) return 'What was read again?';
  if (!isAgain && teeth.length < LEAST)
    return 'At least four teeth round the ring are needed: one alone says nothing of the others.';
  if (isAgain && teeth.length === 0) return 'Read at least one tooth with it: that tells that nothing moved.';
  if (gaugeId === '') return 'There is no gauge for it on the list.';
  const moved = movedOf(draft, given);
  if (typeof moved === 'string') return moved;
  const packs = isAgain ? [] : packsOf(draft, given);
  if (typeof packs === 'string') return packs;
  return { ...moved, gaugeId, teeth, ...marks, ...(packs.length > 0 ? { packs } : {}) };
}

function readTeeth(draft: Draft, teeth: readonly number[]): RoundTaken['teeth'] | string {
  const read: { tooth: number; backlash: number }[] = [];
  for (const [at, tooth] of teeth.entries()) {
    const written = (draft.teeth[at] ?? '').trim();
    if (written === '') continue;
    const backlash = numberIn(written);
    if (backlash === undefined) return `Tooth ${tooth + 1}: “${written}” is no figure.`;
    read.push({ tooth, backlash });
  }
  return read;
}

function marksOf({ marks }: Draft): Pick<RoundTaken, 'drive' | 'coast'> {
  const flank = (name: string) => {
    const [length, height] = ['length', 'height'].map((axis) => marks[`${name} ${axis}`] ?? '');
    return length && height ? { length: Number(length), height: Number(height) } : undefined;
  };
  const [drive, coast] = [flank('drive'), flank('coast')];
  return { ...(drive ? { drive } : {}), ...(coast ? { coast } : {}) };
}

function movedOf(draft: Draft, { before, told }: Given): Pick<RoundTaken, 'moved' | 'again'> | string {
  if (before === undefined) return {};
  if (before === 'again') return { again: true };
  if (before === 'told' && told) return { moved: { ...told, asTold: true } };
  const [ring, depth] = [draft.ring, draft.depth].map((written) =>
    written.trim() === '' ? 0 : numberIn(written),
  );
  if (ring === undefined || depth === undefined)
    return `“${ring === undefined ? draft.ring : draft.depth}” is no figure.`;
  return { moved: { ring, depth, asTold: false } };
}

function packsOf(
  draft: Draft,
  { before, toldPacks, letters }: Given,
): NonNullable<RoundTaken['packs']> | string {
  const typed: NonNullable<RoundTaken['packs']> = [];
  for (const [stackId, text] of Object.entries(draft.packs)) {
    if (text.trim() === '') continue;
    const pieces = readPieces(text);
    if (typeof pieces === 'string') return `${letters[stackId] ?? stackId}: ${pieces}`;
    typed.push({ stackId, pieces });
  }
  const kept = before === 'told' ? toldPacks : [];
  return [...kept.filter(({ stackId }) => !typed.some((each) => each.stackId === stackId)), ...typed];
}
