import type { UnitType } from '@/model/unitType';
import { TYPE_LISTS } from './lists';

const WORDS = {
  axes: ['axis', 'axes'],
  bodies: ['body', 'bodies'],
  positions: ['part', 'parts'],
  gears: ['gear', 'gears'],
  meshes: ['mesh', 'meshes'],
  bearings: ['bearing', 'bearings'],
  couplings: ['coupling', 'couplings'],
  states: ['engaged gear', 'engaged gears'],
  stacks: ['stack', 'stacks'],
  sets: ['set', 'sets'],
  steps: ['step of the strip', 'steps of the strip'],
  weaknesses: ['known weakness', 'known weaknesses'],
  parts: ['order code', 'order codes'],
} as const;

const HEAD = ['title', 'maker', 'family', 'ratios', 'oil', 'sources', 'power'] as const;

/**
 * What a revision of a type changes apart from its checks and limits (which have their own list), in short sentences:
 * “2 parts are new: Idler, Idler pin”.
 */
export function typeChanges(before: UnitType, after: UnitType): string[] {
  const lists = TYPE_LISTS.flatMap((list) => {
    if (list === 'checks') return [];
    const [old, next] = [keyed(before[list]), keyed(after[list])];
    const isNew = [...next].filter(([key]) => !old.has(key));
    const gone = [...old].filter(([key]) => !next.has(key));
    const other = [...next].filter(([key, entry]) => old.has(key) && !same(old.get(key), entry));
    return [said(list, isNew, 'new'), said(list, gone, 'gone'), said(list, other, 'different')].filter(
      (sentence) => sentence !== '',
    );
  });
  const head = HEAD.filter((name) => !same(before[name], after[name]));
  return [...(head.length > 0 ? [`of the unit itself: ${head.join(', ')}`] : []), ...lists];
}

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/** Entries by what names them; those without a name of their own by all that they are. */
const keyed = (entries: readonly object[]): Map<string, object> =>
  new Map(entries.map((entry) => [keyOf(entry as Record<string, unknown>), entry]));

const keyOf = ({ id, gear, a, b, code, ...rest }: Record<string, unknown>): string =>
  typeof id === 'string'
    ? id
    : typeof a === 'string'
      ? `${a} ${String(b)}`
      : typeof gear === 'string'
        ? gear
        : typeof code === 'string'
          ? code
          : JSON.stringify(rest);

function said(
  list: keyof typeof WORDS,
  entries: readonly (readonly [string, object])[],
  how: 'new' | 'gone' | 'different',
): string {
  if (entries.length === 0) return '';
  const names = entries.map(([key, entry]) => nameOf(entry as Record<string, unknown>) ?? key);
  const shown = names.slice(0, 4).join(', ');
  const more = names.length > 4 ? ` and ${names.length - 4} more` : '';
  const [one, many] = WORDS[list];
  return `${entries.length === 1 ? `1 ${one} is` : `${entries.length} ${many} are`} ${how}: ${shown}${more}`;
}

const nameOf = ({ name, title, words }: Record<string, unknown>): string | undefined =>
  [name, title, words].find((each): each is string => typeof each === 'string');
