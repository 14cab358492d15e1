import fs from 'node:fs';
import { answerOf } from './answer';

/*
 * npm run --silent compute -- NAME < input.json > output.json
 * Exit 0 and JSON on standard output; bad input: exit 2 and one JSON line on standard error.
 */

const { status, stdout, stderr } = await answerOf(process.argv.slice(2), () => fs.readFileSync(0, 'utf8'));
process.stdout.write(stdout);
process.stderr.write(stderr);
process.exitCode = status;
