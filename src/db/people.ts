import type { Actor, Person, Role } from '@/model/people';
import type { ReadsIn } from '@/model/units';
import type { Db } from './open';
import { sql } from './statements';

interface PersonRow {
  id: string;
  name: string;
  role: Role;
  password_hash: string;
  pin_hash: string | null;
  active: number;
  is_demo: number;
  reads_in: ReadsIn;
}

export interface PersonSecrets extends Person {
  readonly passwordHash: string;
  readonly pinHash: string | null;
  readonly isDemo: boolean;
}

const toPerson = (row: PersonRow): PersonSecrets => ({
  id: row.id,
  name: row.name,
  role: row.role,
  readsIn: row.reads_in,
  active: row.active === 1,
  hasPin: row.pin_hash !== null,
  passwordHash: row.password_hash,
  pinHash: row.pin_hash,
  isDemo: row.is_demo === 1,
});

/** The shop's own; who came along with another shop's job is named there alone. */
export const listPeople = (db: Db): PersonSecrets[] =>
  sql<PersonRow>(db, "SELECT * FROM people WHERE home = '' ORDER BY name").all().map(toPerson);

export function findPersonByName(db: Db, name: string): PersonSecrets | undefined {
  const row = sql<PersonRow>(db, 'SELECT * FROM people WHERE name = ?').get(name);
  return row && toPerson(row);
}

export function findPerson(db: Db, id: string): PersonSecrets | undefined {
  const row = sql<PersonRow>(db, 'SELECT * FROM people WHERE id = ?').get(id);
  return row && toPerson(row);
}

export interface PersonToStore {
  readonly id: string;
  readonly name: string;
  readonly role: Role;
  readonly passwordHash: string;
  readonly pinHash: string | null;
  readonly isDemo: boolean;
  readonly createdAt: string;
}

export function insertPerson(db: Db, person: PersonToStore): void {
  sql(
    db,
    `INSERT INTO people (id, name, role, password_hash, pin_hash, is_demo, created_at)
     VALUES (@id, @name, @role, @passwordHash, @pinHash, @isDemo, @createdAt)`,
  ).run({ ...person, isDemo: person.isDemo ? 1 : 0 });
}

export function setPersonActive(db: Db, id: string, active: boolean): void {
  sql(db, "UPDATE people SET active = ? WHERE id = ? AND home = ''").run(active ? 1 : 0, id);
  if (!active) sql(db, 'DELETE FROM sessions WHERE person_id = ?').run(id);
}

export function insertSession(
  db: Db,
  session: { tokenHash: string; personId: string; createdAt: string; expiresAt: string },
): void {
  sql(
    db,
    'INSERT INTO sessions (token_hash, person_id, created_at, expires_at) VALUES (@tokenHash, @personId, @createdAt, @expiresAt)',
  ).run(session);
}

export const deleteSession = (db: Db, tokenHash: string): void => {
  sql(db, 'DELETE FROM sessions WHERE token_hash = ?').run(tokenHash);
};

export function findActorBySession(db: Db, tokenHash: string, now: string): Actor | undefined {
  return sql<Actor>(
    db,
    `SELECT people.id, people.name, people.role, people.reads_in AS readsIn FROM sessions JOIN people ON people.id = sessions.person_id
     WHERE token_hash = ? AND expires_at > ? AND people.active = 1`,
  ).get(tokenHash, now);
}

export const setReadsIn = (db: Db, id: string, readsIn: ReadsIn): void => {
  sql(db, 'UPDATE people SET reads_in = ? WHERE id = ?').run(readsIn, id);
};

/** Sessions that nobody can use any more. */
export const deleteExpiredSessions = (db: Db, now: string): void => {
  sql(db, 'DELETE FROM sessions WHERE expires_at <= ?').run(now);
};

/** Counts a try at somebody's PIN; answers how many there were in a row, this one among them. Of nobody there is nothing to count. */
export const countPinTry = (db: Db, personId: string): number =>
  sql<{ tries: number }>(
    db,
    `INSERT INTO pin_tries (person_id, tries) SELECT id, 1 FROM people WHERE id = ?
     ON CONFLICT (person_id) DO UPDATE SET tries = tries + 1 RETURNING tries`,
  ).get(personId)?.tries ?? 0;

export const forgetPinTries = (db: Db, personId: string): void => {
  sql(db, 'DELETE FROM pin_tries WHERE person_id = ?').run(personId);
};

export const isKnownDevice = (db: Db, tokenHash: string): boolean =>
  sql(db, 'SELECT 1 FROM known_devices WHERE token_hash = ?').get(tokenHash) !== undefined;

export const keepKnownDevice = (db: Db, tokenHash: string, at: string): void => {
  sql(
    db,
    'INSERT INTO known_devices (token_hash, last_used) VALUES (?, ?) ON CONFLICT DO UPDATE SET last_used = excluded.last_used',
  ).run(tokenHash, at);
};

/** Somebody of another shop: a name beside what he did, without an account. */
export function insertForeignPerson(
  db: Db,
  person: { id: string; name: string; home: string; createdAt: string },
): void {
  sql(
    db,
    `INSERT INTO people (id, name, role, password_hash, active, created_at, home)
     VALUES (@id, @name, 'apprentice', 'none', 0, @createdAt, @home)`,
  ).run(person);
}

/** Names as they are at home. */
export const namesOfPeople = (db: Db, ids: readonly string[]): { id: string; name: string }[] =>
  ids.flatMap((id) => {
    const row = sql<{ id: string; name: string; home: string }>(
      db,
      'SELECT id, name, home FROM people WHERE id = ?',
    ).get(id);
    return row ? [{ id, name: nameAtHome(row) }] : [];
  });

/** Who came along bears his shop's name behind his own, so that nobody here is taken for him. */
export const nameAbroad = (name: string, home: string): string => `${name} (${home})`;
const nameAtHome = ({ name, home }: { name: string; home: string }): string =>
  home !== '' && name.endsWith(` (${home})`) ? name.slice(0, -home.length - 3) : name;
