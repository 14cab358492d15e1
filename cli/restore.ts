import path from 'node:path';
import { restore } from '@/server/backup/restore';
import { say } from './folders';

/* npm run restore -- FILE FOLDER: a backup back into an empty folder, every digest looked at. */

const [file, folder] = process.argv.slice(2);
await say(async () => {
  if (!file || !folder) throw new Error('Name both: npm run restore -- /media/stick/shop.tar ./data');
  const { files, madeAt, missing, altered } = await restore(path.resolve(file), path.resolve(folder));
  console.log(`${folder}: ${files} files as they were on ${madeAt}, every digest right.`);
  console.log('Nobody is signed in; devices ask for everything anew.');
  for (const place of [...missing, ...altered])
    console.error(`Was missing or altered when it was backed up: ${place}`);
  return true;
});
