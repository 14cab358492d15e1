import type { Statement } from 'better-sqlite3';
import type { Db } from './open';

const kept = new WeakMap<Db, Map<string, Statement>>();

/** The prepared statement for this SQL, prepared once per connection. */
export function sql<Row = unknown>(db: Db, text: string): Statement<unknown[], Row> {
  let statements = kept.get(db);
  if (!statements) {
    statements = new Map();
    kept.set(db, statements);
  }
  let statement = statements.get(text);
  if (!statement) {
    statement = db.prepare(text);
    statements.set(text, statement);
  }
  return statement as Statement<unknown[], Row>;
}
