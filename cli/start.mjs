// npm start [-- --port 4310]: the built shop, on this machine alone. Its network gets it by `npm run serve`.
import path from 'node:path';
import { parseArgs } from 'node:util';
import { openFront } from './front/openFront.mjs';

const ROOT = path.resolve(import.meta.dirname, '..');
const HOST = '127.0.0.1';

const { values } = parseArgs({ options: { port: { type: 'string', short: 'p', default: '3000' } } });
const asked = Number(values.port);
if (!Number.isInteger(asked) || asked < 0 || asked > 65535)
  refuse(`--port must be a port number, not “${values.port}”.`);

// Fonts, workers and migrations are found from here, whatever the current folder was.
process.chdir(ROOT);
Object.assign(process.env, { NODE_ENV: 'production', STEREOTOME_OWN_SERVER: '1' });
const front = await openFront({ host: HOST, port: asked, headers: {} }).catch(({ message }) =>
  refuse(message),
);
for (const signal of ['SIGINT', 'SIGTERM'])
  process.once(signal, () => void front.close().then(() => process.exit(0)));
const { default: next } = await import('next');
const application = next({ dev: false, dir: ROOT, hostname: HOST, port: front.port });
await application.prepare().catch(({ message }) => refuse(`${message}\nIs it built? npm run build`));
await front.serve(application.getRequestHandler());
console.log(`Stereotome: http://${HOST}:${front.port}\nReady`);

/**
 * @param {string} words
 * @returns {never}
 */
function refuse(words) {
  console.error(words);
  process.exit(2);
}
