// The thread that callers reach: `openFront.mjs` says what it is for.
import http from 'node:http';
import https from 'node:https';
import { parentPort, workerData } from 'node:worker_threads';
import { KeptAnswers } from './keptAnswers.mjs';

/** @type {import('./openFront.mjs').FrontSettings} */
const { host, port, inner, tls, headers: ours } = workerData;
const kept = new KeptAnswers();
// The application closes none of these lines by itself, so that none is closed just as it is used again.
const agent = new http.Agent({ keepAlive: true });
/** Of a line that was just used the caller may think that it is open still. */
const KEPT_OPEN_MS = 120_000;
/** Who sends a long picture just now has so long to end it when the shop closes. */
const LONGEST_END_MS = 2000;
/** What belongs to one line and not to what is said on it. */
const OF_THE_LINE = ['connection', 'keep-alive', 'transfer-encoding', 'upgrade'];

const server = tls ? https.createServer(tls, take) : http.createServer(take);
server.keepAliveTimeout = KEPT_OPEN_MS;
server.on('error', (/** @type {NodeJS.ErrnoException} */ { code, message }) =>
  parentPort?.postMessage({ refused: code === 'EADDRINUSE' ? 'taken' : message }),
);
server.listen(port, host, () => {
  const address = /** @type {import('node:net').AddressInfo} */ (server.address());
  parentPort?.postMessage({ port: address.port });
});
parentPort?.on('message', () => {
  // What is being answered is answered to its end, if that isn't far; lines that only wait are closed.
  server.close(() => process.exit());
  setInterval(() => server.closeIdleConnections(), 50);
  setTimeout(() => server.closeAllConnections(), LONGEST_END_MS);
});

/** @type {http.RequestListener} */
function take(request, response) {
  const { method = 'GET', url = '/', headers, socket } = request;
  for (const [name, value] of Object.entries(ours)) response.setHeader(name, value);
  const known = kept.answerTo(request);
  if (known) return void response.writeHead(200, known.headers).end(known.body);
  const passed = { ...headers };
  // Whatever a caller claims of himself, this is where he comes from and how.
  passed['x-stereotome-address'] = socket.remoteAddress ?? 'nowhere';
  passed['x-forwarded-proto'] = tls ? 'https' : 'http';
  for (const name of ['x-forwarded-host', 'x-forwarded-for', 'x-forwarded-port']) delete passed[name];
  const asked = http.request({ socketPath: inner, method, path: url, headers: passed, agent });
  asked.on('response', (answer) => {
    const told = { ...answer.headers };
    for (const name of OF_THE_LINE) delete told[name];
    response.writeHead(answer.statusCode ?? 502, told);
    kept.keep(request, answer);
    answer.pipe(response);
    // What was answered before all of it was sent is sent to nobody any more, but read: the caller's line is used again for his next.
    answer.on('end', () => {
      if (asked.writableFinished) return;
      asked.destroy();
      request.unpipe(asked);
      request.resume();
    });
    // An answer that breaks off must not look whole.
    answer.on('error', () => response.destroy());
  });
  asked.on('error', () => {
    // The rest of the body is of no more use, and is read so that the caller comes to the answer behind it.
    request.unpipe(asked);
    request.resume();
    if (response.headersSent) return;
    response.writeHead(503, { 'content-type': 'application/json' });
    response.end(
      '{"code":"failed","message":"The shop’s computer is just starting, or can’t answer at this moment. What you captured waits on this device."}',
    );
  });
  request.pipe(asked);
  // Who hangs up in the middle is no more waited for, and what he sent half is not taken for whole.
  request.on('error', () => asked.destroy());
  response.on('close', () => {
    if (!response.writableFinished) asked.destroy();
  });
}
