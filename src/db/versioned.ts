import type { Db } from './open';
import { sql } from './statements';

/** A table whose rows people edit: its key and its other columns, each with the name of its parameter. */
interface Versioned {
  readonly table: string;
  readonly keys: Readonly<Record<string, string>>;
  readonly fields: Readonly<Record<string, string>>;
}

/**
 * Writes a row that people edit, the one way in which it is done: only where it still carries the version that the edit was based
 * on, or where there is none yet and the version is 0. Tells whether it did.
 */
export function putVersioned<Row extends { readonly version: number }>(
  db: Db,
  { table, keys, fields }: Versioned,
  row: Row,
): boolean {
  const columns = { ...keys, ...fields, by_id: 'by', at: 'at' };
  const names = Object.keys(columns);
  const where = Object.entries(keys).map(([column, name]) => `${column} = @${name}`);
  const statement = `INSERT INTO ${table} (${names.join(', ')}, version)
     SELECT ${Object.values(columns)
       .map((name) => `@${name}`)
       .join(', ')}, 1
     WHERE @version = 0 OR EXISTS (SELECT 1 FROM ${table} WHERE ${where.join(' AND ')})
     ON CONFLICT (${Object.keys(keys).join(', ')}) DO UPDATE SET version = ${table}.version + 1,
       ${names
         .filter((name) => !(name in keys))
         .map((name) => `${name} = excluded.${name}`)
         .join(', ')}
     WHERE ${table}.version = @version`;
  return sql(db, statement).run(row).changes === 1;
}
