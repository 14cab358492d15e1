/*
 * What can be filled in at each place of a unit type, read from its schema, so that the editor knows every field that
 * the description can carry and no list of them has to be kept beside it.
 */

export type Shape =
  | { readonly kind: 'text' | 'number' | 'flag' | 'points' | 'polygons' }
  | { readonly kind: 'choice'; readonly options: readonly (string | number)[] }
  | { readonly kind: 'list'; readonly item: Shape }
  | { readonly kind: 'pair'; readonly items: readonly Shape[] }
  | { readonly kind: 'record'; readonly fields: readonly Field[] }
  | {
      readonly kind: 'oneOf';
      readonly key: string;
      readonly options: Readonly<Record<string, readonly Field[]>>;
    };

export interface Field {
  readonly name: string;
  readonly shape: Shape;
  readonly optional: boolean;
  /** An empty field says so by nothing at all, or by `null`. */
  readonly nullable: boolean;
}

/** The parts of a Valibot schema that its shape is read from. */
interface SchemaLike {
  readonly type: string;
  readonly wrapped?: SchemaLike;
  readonly entries?: Readonly<Record<string, SchemaLike>>;
  readonly item?: SchemaLike;
  readonly items?: readonly SchemaLike[];
  readonly options?: readonly unknown[];
  readonly key?: string;
  readonly literal?: string | number;
}

const plain = (schema: SchemaLike): SchemaLike =>
  (schema.type === 'optional' || schema.type === 'nullable') && schema.wrapped
    ? plain(schema.wrapped)
    : schema;

/** @throws Error for a kind of schema that no field is made for yet */
export function shapeOf(schema: unknown): Shape {
  const { type, entries, item, items, options, key } = plain(schema as SchemaLike);
  switch (type) {
    case 'string':
      return { kind: 'text' };
    case 'number':
      return { kind: 'number' };
    case 'boolean':
      return { kind: 'flag' };
    case 'picklist':
      return { kind: 'choice', options: options as readonly (string | number)[] };
    case 'object':
      return { kind: 'record', fields: fieldsOf(entries ?? {}) };
    case 'tuple':
      return { kind: 'pair', items: (items ?? []).map(shapeOf) };
    case 'variant':
      return { kind: 'oneOf', key: key!, options: variants(key!, options as readonly SchemaLike[]) };
    case 'array':
      return listOf(shapeOf(item));
    default:
      throw new Error(`no field is made for a ${type} yet`);
  }
}

function listOf(item: Shape): Shape {
  if (item.kind === 'pair' && item.items.every(({ kind }) => kind === 'number')) return { kind: 'points' };
  if (item.kind === 'points') return { kind: 'polygons' };
  return { kind: 'list', item };
}

export const fieldsOf = (entries: Readonly<Record<string, unknown>>): Field[] =>
  Object.entries(entries).flatMap(([name, schema]): Field[] => {
    const like = schema as SchemaLike;
    if (like.type === 'literal') return [];
    return [
      {
        name,
        shape: shapeOf(like),
        optional: like.type === 'optional',
        nullable: like.type === 'nullable',
      },
    ];
  });

function variants(key: string, options: readonly SchemaLike[]): Record<string, readonly Field[]> {
  return Object.fromEntries(
    options.map(({ entries }) => [String(entries?.[key]?.literal), fieldsOf(entries ?? {})]),
  );
}
