import type { OfferLine } from '@/model/offers';
import type { Db } from './open';
import { sql } from './statements';

export interface PriceList {
  readonly id: string;
  readonly supplier: string;
  readonly unitTypeId: string;
  readonly by: string;
  readonly at: string;
  /** As they were read in; whoever uses them reads each anew. */
  readonly lines: readonly OfferLine[];
}

interface ListRow {
  id: string;
  supplier: string;
  unit_type_id: string;
  lines_json: string;
  by: string;
  at: string;
}

const NEWEST = `SELECT price_lists.*, people.name AS by FROM price_lists INDEXED BY price_lists_newest
  JOIN people ON people.id = price_lists.by_id
  WHERE NOT EXISTS (SELECT 1 FROM price_lists AS later WHERE later.unit_type_id = price_lists.unit_type_id
    AND later.supplier = price_lists.supplier AND (later.at, later.id) > (price_lists.at, price_lists.id))`;

const listOf = ({ id, supplier, unit_type_id, lines_json, by, at }: ListRow): PriceList => ({
  ...{ id, supplier, by, at, unitTypeId: unit_type_id },
  lines: JSON.parse(lines_json) as OfferLine[],
});

/** The newest list of each supplier for each type. */
export const listPriceLists = (db: Db): PriceList[] =>
  sql<ListRow>(db, `${NEWEST} ORDER BY supplier, unit_type_id`).all().map(listOf);

export const listPriceListsOf = (db: Db, unitTypeId: string): PriceList[] =>
  sql<ListRow>(db, `${NEWEST} AND price_lists.unit_type_id = ? ORDER BY supplier`)
    .all(unitTypeId)
    .map(listOf);

export const insertPriceList = (
  db: Db,
  { id, supplier, unitTypeId, lines, byId, at }: Omit<PriceList, 'by'> & { readonly byId: string },
): void => {
  sql(
    db,
    `INSERT INTO price_lists (id, supplier, unit_type_id, lines_json, by_id, at)
     VALUES (@id, @supplier, @unitTypeId, @lines, @byId, @at)`,
  ).run({ id, supplier, unitTypeId, byId, at, lines: JSON.stringify(lines) });
};

export interface ShelfPart {
  readonly id: string;
  readonly unitTypeId: string;
  readonly positionId: string;
  readonly name: string;
  readonly grade: number;
  readonly price: number;
  readonly fromPeg: number;
  readonly note: string;
  readonly by: string;
  readonly at: string;
}

const SHELF = `SELECT shelf_parts.id, unit_type_id AS unitTypeId, position_id AS positionId, shelf_parts.name, grade, price,
  from_peg AS fromPeg, note, people.name AS by, at FROM shelf_parts JOIN people ON people.id = shelf_parts.by_id
  WHERE taken_at IS NULL`;

/** What lies on the shelf. */
export const listShelf = (db: Db): ShelfPart[] =>
  sql<ShelfPart>(db, `${SHELF} ORDER BY unit_type_id, shelf_parts.name, grade`).all();

export const listShelfOf = (db: Db, unitTypeId: string): ShelfPart[] =>
  sql<ShelfPart>(db, `${SHELF} AND unit_type_id = ? ORDER BY position_id, grade`).all(unitTypeId);

export const insertShelfPart = (db: Db, part: Omit<ShelfPart, 'by'> & { readonly byId: string }): void => {
  sql(
    db,
    `INSERT INTO shelf_parts (id, unit_type_id, position_id, name, grade, price, from_peg, note, by_id, at)
     VALUES (@id, @unitTypeId, @positionId, @name, @grade, @price, @fromPeg, @note, @byId, @at)`,
  ).run(part);
};

/** Takes a part off the shelf for a job, unless somebody was quicker. */
export const takeShelfPart = (
  db: Db,
  taken: { readonly id: string; readonly by: string; readonly at: string; readonly jobId: string },
): boolean =>
  sql(
    db,
    `UPDATE shelf_parts SET taken_at = @at, taken_by = @by, taken_for = @jobId WHERE id = @id AND taken_at IS NULL`,
  ).run(taken).changes === 1;

/** Lies there again. */
export const returnShelfPart = (db: Db, id: string): void => {
  sql(db, 'UPDATE shelf_parts SET taken_at = NULL, taken_by = NULL, taken_for = NULL WHERE id = ?').run(id);
};
