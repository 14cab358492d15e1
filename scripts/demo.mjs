// npm run demo [-- --fresh] [-- --port 4310]: from a fresh clone to a running shop, in one command.
import fs from 'node:fs';
import path from 'node:path';
import { told } from './setup/told.mjs';
import { whyFailed } from './setup/why.mjs';
import {
  endChildren,
  endWithParent,
  ensureBuild,
  ensureDatabaseDriver,
  ensurePackages,
  portIsFree,
  ROOT,
  run,
  say,
  start,
  waitForServer,
} from './steps.mjs';

const flag = (name) => process.argv.includes(name);
const optionOf = (name, otherwise) => (flag(name) ? process.argv[process.argv.indexOf(name) + 1] : otherwise);
const port = optionOf('--port', process.env.PORT ?? '4310');
const data = path.resolve(ROOT, process.env.STEREOTOME_DATA ?? './data');
const began = Date.now();

async function seed() {
  if (flag('--fresh') && fs.existsSync(data)) {
    if (!fs.existsSync(path.join(data, 'demo')))
      throw new Error(
        `${data} was not made by the demonstration. It is left alone; name another folder with STEREOTOME_DATA.`,
      );
    fs.rmSync(data, { recursive: true });
  }
  if (fs.existsSync(path.join(data, 'demo'))) return;
  if (fs.existsSync(path.join(data, 'shop.sqlite')))
    throw new Error(
      `${data} holds a shop that was not made, or not finished, by the demonstration. Name another folder with STEREOTOME_DATA.`,
    );
  await told('the demonstration’s shop', 12, makeShop);
}

async function makeShop() {
  // Made aside and moved into place when it is whole, so that an interrupted start leaves nothing half made.
  const aside = `${data}.making`;
  fs.rmSync(aside, { recursive: true, force: true });
  const { code, output } = await run('node', ['--import', 'tsx', 'demo/seed.ts'], {
    quiet: true,
    env: { STEREOTOME_DATA: aside },
  });
  if (code !== 0) {
    process.stdout.write(output);
    throw new Error(whyFailed('Making the demonstration’s shop', output));
  }
  fs.writeFileSync(
    path.join(aside, 'demo'),
    'Made by npm run demo; npm run demo -- --fresh makes it anew.\n',
  );
  fs.rmSync(data, { recursive: true, force: true });
  fs.renameSync(aside, data);
}

async function build() {
  const { code, output } = await ensureBuild();
  if (code === 0) return;
  process.stdout.write(output);
  throw new Error(whyFailed('Building', output));
}

endWithParent();
try {
  if (!(await portIsFree(port)))
    throw new Error(
      `Something listens on port ${port} already. Close it, or choose another: npm run demo -- --port 4320`,
    );
  await ensurePackages();
  // Building opens no database, and making the shop needs no build.
  await Promise.all([build(), ensureDatabaseDriver().then(seed)]);
  const server = start('node', ['cli/start.mjs', '--port', port], {
    stdio: ['ignore', 'pipe', 'inherit'],
    env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1', STEREOTOME_DATA: data },
  });
  server.stdout.resume();
  server.on('exit', (code) => process.exit(code ?? 1));
  await waitForServer(`http://127.0.0.1:${port}/sign-in`, server);
  const { people } = JSON.parse(fs.readFileSync(path.join(ROOT, 'demo/scenario/shop.json'), 'utf8'));
  say(
    `\nStereotome is open at  http://127.0.0.1:${port}  (ready after ${Math.round((Date.now() - began) / 1000)} s; Ctrl-C closes it)\n`,
  );
  say('Demo sign-ins, invented people of an invented shop. Password for all: scribed-in-blue');
  for (const { name, role, pin } of people) say(`  ${name.padEnd(18)} ${role.padEnd(11)} PIN ${pin}`);
} catch (error) {
  console.error(`\n${error.message}`);
  endChildren();
  process.exit(1);
}
