// What no shop's computer can do without when a device sends: a row on the disk, a file on the disk. Nothing else, for comparison.
import { createHash } from 'node:crypto';
import fs from 'node:fs';
import http from 'node:http';
import path from 'node:path';
import Database from 'better-sqlite3';

const folder = process.argv[2];
const held = fs.readFileSync(process.argv[3]);
const db = new Database(path.join(folder, 'bare.sqlite'));
db.pragma('journal_mode = WAL');
db.pragma('synchronous = FULL');
db.exec(
  'CREATE TABLE captures (id TEXT PRIMARY KEY, content TEXT); CREATE TABLE log (seq INTEGER PRIMARY KEY, line TEXT)',
);
const [insert, log] = [
  db.prepare('INSERT OR IGNORE INTO captures VALUES (?, ?)'),
  db.prepare('INSERT INTO log (line) VALUES (?)'),
];
const keep = db.transaction((id, content) => {
  insert.run(id, content);
  log.run(content);
});

async function bodyOf(request) {
  const chunks = [];
  for await (const chunk of request) chunks.push(chunk);
  return Buffer.concat(chunks);
}

async function storePicture(request, id) {
  const aside = path.join(folder, `${id}.part`);
  const hash = createHash('sha256');
  const file = await fs.promises.open(aside, 'w');
  for await (const chunk of request) {
    hash.update(chunk);
    await file.write(chunk);
  }
  await file.sync();
  await file.close();
  const digest = hash.digest('hex');
  await fs.promises.rename(aside, path.join(folder, digest));
  keep(id, digest);
}

const server = http.createServer(async (request, response) => {
  const id = path.basename(request.url);
  if (request.method === 'GET') return response.end(held);
  if (request.url.startsWith('/api/v1/photographs/')) await storePicture(request, id);
  else keep(id, (await bodyOf(request)).toString());
  response.end('{}');
});
server.listen(0, '127.0.0.1', () => console.log(`http://127.0.0.1:${server.address().port} Ready`));
