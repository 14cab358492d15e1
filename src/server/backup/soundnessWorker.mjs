// Plain JavaScript, since Node starts it as it stands: outside the bundle, in a thread of its own.
import { parentPort, workerData } from 'node:worker_threads';
import Database from 'better-sqlite3';

/** Reads a copied database from end to end; answers 'ok' or what is wrong with it. */
const copy = new Database(workerData.file);
try {
  // Into one file: a copy that needs its log beside it is soon without it.
  copy.pragma('journal_mode = DELETE');
  parentPort.postMessage(String(copy.pragma('integrity_check', { simple: true })));
} finally {
  copy.close();
}
