import fs from 'node:fs';
import path from 'node:path';
import Database from 'better-sqlite3';

export type Db = Database.Database;

const MIGRATIONS = path.join(process.cwd(), 'src/db/migrations');

/**
 * Opens the shop's file and brings it up to date. WAL so that reading never waits for writing; FULL so that
 * an answer to the bench means the row survives a power cut.
 */
export function openDb(file: string, migrationsFolder = MIGRATIONS): Db {
  fs.mkdirSync(path.dirname(file), { recursive: true });
  const db = new Database(file);
  db.pragma('journal_mode = WAL');
  db.pragma('synchronous = FULL');
  db.pragma('foreign_keys = ON');
  db.pragma('busy_timeout = 5000');
  migrate(db, migrationsFolder);
  return db;
}

const migrationsIn = (folder: string): string[] =>
  fs
    .readdirSync(folder)
    .filter((name) => /^\d{4}_.*\.sql$/.test(name))
    .sort();

const numberOf = (file: string): number => Number(file.slice(0, 4));

/** The number of the shape that this program works with. */
export const newestSchema = (): number => Math.max(...migrationsIn(MIGRATIONS).map(numberOf));

/** A database in memory with the shape that it had under a number, to bring rows of then up to date. */
export function openAside(schema: number): Db {
  const db = new Database(':memory:');
  db.pragma('foreign_keys = OFF');
  migrate(db, MIGRATIONS, schema);
  return db;
}

/** Runs the numbered files that this database has not seen, each in a transaction of its own. */
export function migrate(db: Db, folder: string = MIGRATIONS, upTo = Number.POSITIVE_INFINITY): void {
  for (const file of migrationsIn(folder)) {
    const number = numberOf(file);
    if (number > upTo) return;
    const apply = db.transaction(() => {
      if (number <= Number(db.pragma('user_version', { simple: true }))) return;
      db.exec(fs.readFileSync(path.join(folder, file), 'utf8'));
      db.pragma(`user_version = ${number}`);
    });
    apply.immediate();
  }
}

/** Runs `work` as one transaction; it must be synchronous. Compute first, then write. */
export const inTransaction = <T>(db: Db, work: () => T): T => db.transaction(work).immediate();
