import type { HomeMaps } from '@/model/bundle';
import type { Db } from './open';
import { sql } from './statements';

export interface JobHome {
  readonly shop: string;
  readonly peg: number;
  readonly maps: HomeMaps;
}

/** Where a job came from; nothing for the shop's own. */
export function findJobHome(db: Db, jobId: string): JobHome | undefined {
  const row = sql<{ shop: string; peg: number; maps_json: string }>(
    db,
    'SELECT shop, peg, maps_json FROM job_homes WHERE job_id = ?',
  ).get(jobId);
  return row && { shop: row.shop, peg: row.peg, maps: JSON.parse(row.maps_json) as HomeMaps };
}

export const insertJobHome = (db: Db, home: JobHome & { jobId: string; by: string; at: string }): void => {
  sql(
    db,
    'INSERT INTO job_homes (job_id, shop, peg, maps_json, by_id, at) VALUES (@jobId, @shop, @peg, @maps, @by, @at)',
  ).run({ ...home, maps: JSON.stringify(home.maps) });
};
