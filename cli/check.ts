import { lookThrough } from '@/server/backup/lookThrough';
import { dataFolderOf, say } from './folders';

/* npm run check: looks through the whole shop, the database and every photograph. Nothing is changed. */

await say(async () => {
  const { photographs, missing, altered, database } = await lookThrough(dataFolderOf());
  console.log(`Database: ${database}`);
  console.log(`Photographs: ${photographs}, ${missing.length} missing, ${altered.length} altered`);
  for (const digest of missing) console.error(`Missing: ${digest}`);
  for (const digest of altered) console.error(`Altered: ${digest}`);
  return database === 'ok' && missing.length + altered.length === 0;
});
