import readline from 'node:readline';
import { shopContext } from '@/server/instance';
import { Refusal } from '@/server/refusal';
import { addFirstAdministrator } from '@/server/shop/people';

/* npm run add-admin: asks for a name and a password and makes the first person of an empty shop. */

const lines = readline.createInterface({ input: process.stdin })[Symbol.asyncIterator]();

async function ask(question: string): Promise<string> {
  process.stderr.write(question);
  const { value } = await lines.next();
  return (value as string | undefined) ?? '';
}

try {
  const name = await ask('Name of the first administrator: ');
  const password = await ask('Password (at least 10 characters; it is shown while you type): ');
  await addFirstAdministrator(shopContext(), { name, password });
  console.log(`${name.trim()} can sign in now.`);
} catch (error) {
  if (!(error instanceof Refusal)) throw error;
  console.error(error.message);
  process.exitCode = 2;
} finally {
  process.stdin.destroy();
}
