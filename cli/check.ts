import { lookThrough } from '@/server/backup/lookThrough';
import { dataFolderOf, say } from './folders';

/* npm run check: looks through the whole shop, the database, every photograph and every recording. Nothing is changed. */

await say(async () => {
  const { photographs, recordings, missing, altered, database } = await lookThrough(dataFolderOf());
  console.log(`Database: ${database}`);
  console.log(
    `Photographs: ${photographs}, recordings: ${recordings}, ${missing.length} missing, ${altered.length} altered`,
  );
  for (const digest of missing) console.error(`Missing: ${digest}`);
  for (const digest of altered) console.error(`Altered: ${digest}`);
  return database === 'ok' && missing.length + altered.length === 0;
});
