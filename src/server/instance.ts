import path from 'node:path';
import { v7 as uuidv7 } from 'uuid';
import { shippedUnitTypes } from '@/catalog/unitTypes';
import { openDb } from '@/db/open';
import { hasUnitType, insertUnitType } from '@/db/unitTypes';
import { keepDailyCopies } from './backup/dailyCopy';
import { fillCatalogs } from './catalogs/catalogsInForce';
import type { Context } from './context';
import { sweepIncoming } from './files';

/** The running shop: one connection per process, on globalThis since Next may load this module twice. */
const holder = globalThis as { stereotomeContext?: Context };

export function shopContext(): Context {
  if (!holder.stereotomeContext) {
    const dailyCopyFolder = process.env.STEREOTOME_DAILY_COPY || undefined;
    holder.stereotomeContext = {
      ...openContext(process.env.STEREOTOME_DATA ?? './data'),
      dailyCopyFolder,
    };
    sweepIncoming(holder.stereotomeContext.dataFolder);
    keepDailyCopies(holder.stereotomeContext, dailyCopyFolder);
  }
  return holder.stereotomeContext;
}

export function openContext(
  dataFolder: string,
  now: () => Date = () => new Date(),
  newId: () => string = uuidv7,
): Context {
  const db = openDb(path.join(dataFolder, 'shop.sqlite'));
  const context: Context = { db, dataFolder, now, newId };
  fillCatalogs(db, now().toISOString());
  for (const document of shippedUnitTypes()) {
    if (!hasUnitType(db, document.id, document.revision))
      insertUnitType(db, document, { at: now().toISOString(), by: 'shipped' });
  }
  return context;
}
