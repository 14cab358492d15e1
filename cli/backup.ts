import path from 'node:path';
import { backUp } from '@/server/backup/backUp';
import { dataFolderOf, say } from './folders';

/* npm run backup -- FILE: the whole shop in one file, made while it runs. */

const [file] = process.argv.slice(2);
await say(async () => {
  if (!file) throw new Error('Name the file: npm run backup -- /media/stick/shop.tar');
  const { files, bytes, missing, altered } = await backUp(dataFolderOf(), path.resolve(file), new Date());
  console.log(`${file}: ${files} files, ${(bytes / 1_000_000).toFixed(1)} MB, each with its digest.`);
  for (const place of missing) console.error(`Missing in the shop itself: ${place}`);
  for (const place of altered) console.error(`Altered in the shop itself, kept as it is: ${place}`);
  return missing.length + altered.length === 0;
});
