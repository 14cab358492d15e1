import type { Paper, PaperBlock, PaperSection } from '@/model/paper';
import { sameContent } from '../canonicalJson';

type Table = Extract<PaperBlock, { as: 'table' }>;

/**
 * What a later issue says differently, section by section: rows that came, went or read otherwise, lines that came or went. Whatever has no
 * sentence of its own is at least named. Empty when nothing differs.
 */
export function paperChanges(before: Paper, after: Paper): string[] {
  const ids = new Set([...before.sections, ...after.sections].map(({ id }) => id));
  const told = [...ids].flatMap((id) =>
    sectionChanges(
      before.sections.find((each) => each.id === id),
      after.sections.find((each) => each.id === id),
    ),
  );
  if (told.length > 0 || sameContent(before, after)) return told;
  return ['The report is laid out anew.'];
}

function sectionChanges(before: PaperSection | undefined, after: PaperSection | undefined): string[] {
  if (!before) return [`“${after!.title}” is new.`];
  if (!after) return [`“${before.title}” is left out.`];
  if (sameContent(before, after)) return [];
  const told = [
    ...tables(after).flatMap((table) =>
      tableChanges(
        after.title,
        tables(before).find(({ title }) => title === table.title),
        table,
      ),
    ),
    ...lineChanges(after.title, linesOf(before), linesOf(after)),
  ];
  return told.length > 0 ? told : [`“${after.title}” was changed.`];
}

const tables = ({ blocks }: PaperSection): Table[] =>
  blocks.filter((block): block is Table => block.as === 'table');

function tableChanges(section: string, before: Table | undefined, after: Table): string[] {
  const old = new Map(before?.rows.map((row) => [row.key, row]));
  const kept = new Set(after.rows.map(({ key }) => key));
  const named = after.columns[0]?.name === 'No.' ? 1 : 0;
  return [
    ...after.rows.flatMap(({ key, cells }) => {
      const earlier = old.get(key);
      if (!earlier) return [`${section}: added ${cells[named]}.`];
      const differs = cells.flatMap((words, at) =>
        words === earlier.cells[at] || (named === 1 && at === 0)
          ? []
          : [`${after.columns[at]!.name.toLowerCase()} ${shown(words)}, before ${shown(earlier.cells[at])}`],
      );
      return differs.length === 0 ? [] : [`${section}, ${cells[named]}: ${differs.join('; ')}.`];
    }),
    ...(before?.rows ?? [])
      .filter(({ key }) => !kept.has(key))
      .map(({ cells }) => `${section}: ${cells[named]} is no longer there.`),
  ];
}

const shown = (cell: string | undefined): string => (cell ? `“${cell}”` : 'not given');

/** What a section says outside of its tables, line by line. */
const linesOf = ({ blocks }: PaperSection): string[] =>
  blocks.flatMap((block): string[] => {
    if (block.as === 'text') return [[block.label, block.words].filter(Boolean).join(': ')];
    if (block.as === 'list') return [...block.lines];
    if (block.as === 'facts') return block.facts.map(([label, value]) => `${label}: ${value}`);
    if (block.as === 'photographs') return block.photographs.map(({ caption }) => `photograph: ${caption}`);
    if (block.as === 'scale') return [`${block.title}: ${block.words[block.holds] ?? ''}`];
    return [];
  });

function lineChanges(section: string, before: readonly string[], after: readonly string[]): string[] {
  return [
    ...after
      .filter((line) => !before.includes(line))
      .map((line) => `${section}, now: ${line.replace(/\.$/, '')}.`),
    ...before
      .filter((line) => !after.includes(line))
      .map((line) => `${section}, no longer: ${line.replace(/\.$/, '')}.`),
  ];
}
