import { type Path, patternOf, REFERENCES, type TypeList } from './lists';

/*
 * Changes to a unit type while it is being described. A draft is the document as plain JSON: it may be unfinished or
 * wrong in places, and every change gives a new one.
 */

export type Json = null | boolean | number | string | readonly Json[] | { readonly [key: string]: Json };
export type Draft = { readonly [key: string]: Json };

const isRecord = (value: Json | undefined): value is { readonly [key: string]: Json } =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const isList = (value: Json | undefined): value is readonly Json[] => Array.isArray(value);

export function valueAt(draft: Json | undefined, path: Path): Json | undefined {
  return path.reduce<Json | undefined>((value, step) => {
    if (typeof step === 'number') return isList(value) ? value[step] : undefined;
    return isRecord(value) ? value[step] : undefined;
  }, draft);
}

/** The draft with another value at a place; `undefined` takes the place away (out of a list: closes the gap). */
export function withValue<T extends Json>(draft: T, path: Path, value: Json | undefined): T {
  return replaced(draft, path, value) as T;
}

function replaced(from: Json | undefined, [step, ...rest]: Path, value: Json | undefined): Json {
  if (typeof step === 'number') {
    const items = isList(from) ? [...from] : [];
    if (rest.length === 0 && value === undefined) items.splice(step, 1);
    else items[step] = rest.length === 0 ? value! : replaced(items[step], rest, value);
    return items;
  }
  const record: Record<string, Json> = { ...(isRecord(from) ? from : {}) };
  if (step === undefined) return value ?? null;
  if (rest.length === 0 && value === undefined) delete record[step];
  else record[step] = rest.length === 0 ? value! : replaced(record[step], rest, value);
  return record;
}

const entriesOf = (draft: Draft, list: TypeList): readonly Json[] => {
  const found = draft[list];
  return isList(found) ? found : [];
};
const idOf = (entry: Json | undefined): string | undefined =>
  isRecord(entry) && typeof entry.id === 'string' ? entry.id : undefined;

/** An entry one place up or down; at the end of its list it stays. */
export function moved(draft: Draft, list: TypeList, index: number, by: 1 | -1): Draft {
  const entries = [...entriesOf(draft, list)];
  const [entry] = entries.splice(index, 1);
  if (entry === undefined) return draft;
  entries.splice(Math.max(0, Math.min(entries.length, index + by)), 0, entry);
  return withValue(draft, [list], entries);
}

/** A copy of an entry behind it, under an id that is still free. */
export function doubled(draft: Draft, list: TypeList, index: number): Draft {
  const entries = entriesOf(draft, list);
  const entry = entries[index];
  if (entry === undefined) return draft;
  const copy = isRecord(entry) && idOf(entry) ? { ...entry, id: freeId(entries, idOf(entry)!) } : entry;
  return withValue(draft, [list], [...entries.slice(0, index + 1), copy, ...entries.slice(index + 1)]);
}

/** `wish`, or `wish-2`, `wish-3`… where that is taken. */
export function freeId(entries: readonly Json[], wish: string): string {
  const taken = new Set(entries.map(idOf));
  const stem = wish.replace(/-\d+$/, '').slice(0, 60);
  for (let number = 1; ; number += 1) {
    const id = number === 1 ? stem : `${stem}-${number}`;
    if (!taken.has(id)) return id;
  }
}

/** Another id for an entry, and wherever the description names it. */
export function renamed(draft: Draft, list: TypeList, index: number, id: string): Draft {
  const old = idOf(entriesOf(draft, list)[index]);
  const own = withValue(draft, [list, index, 'id'], id);
  const twin = entriesOf(draft, list).some((entry, other) => other !== index && idOf(entry) === old);
  // Two entries under one id: nobody knows which of them is meant elsewhere.
  if (old === undefined || twin) return own;
  return walk(own, [], (value, path) =>
    value === old && REFERENCES[patternOf(path, value)] === list ? id : value,
  ) as Draft;
}

function walk(value: Json, path: Path, change: (value: Json, path: Path) => Json): Json {
  if (isList(value)) return value.map((item, index) => walk(item, [...path, index], change));
  if (isRecord(value))
    return Object.fromEntries(
      Object.entries(value).map(([key, item]) => [key, walk(item, [...path, key], change)]),
    );
  return change(value, path);
}

/** Every place that names an entry, as dotted paths: what would hang in the air without it. */
export function namedIn(draft: Draft, list: TypeList, id: string): string[] {
  const places: string[] = [];
  walk(draft, [], (value, path) => {
    if (value === id && REFERENCES[patternOf(path, value)] === list) places.push(path.join('.'));
    return value;
  });
  return places;
}
