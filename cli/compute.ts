import fs from 'node:fs';
import { toJsonSchema } from '@valibot/to-json-schema';
import * as v from 'valibot';
import { BadInput } from '@/core/badInput';
import {
  CALCULATIONS,
  type Calculation,
  PICTURE_CALCULATIONS,
  type PictureCalculation,
} from '@/core/calculations';
import { decodePicture } from '@/server/photos/decodePicture';
import { Refusal } from '@/server/refusal';

/*
 * npm run --silent compute -- NAME < input.json > output.json
 * Exit 0 and JSON on standard output; bad input: exit 2 and one JSON line on standard error.
 */

interface Fault {
  readonly path: string;
  readonly message: string;
}

function refuse({ path, message }: Fault): never {
  process.stderr.write(`${JSON.stringify({ code: 'bad-input', path, message })}\n`);
  process.exit(2);
}

const jsonSchema = (schema: v.GenericSchema) => toJsonSchema(schema, { errorMode: 'ignore' });

function parseJson(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch (error) {
    return refuse({
      path: '',
      message: `no JSON: ${error instanceof Error ? error.message : String(error)}`,
    });
  }
}

async function compute({ run }: Calculation | PictureCalculation): Promise<unknown> {
  try {
    return await run(parseJson(fs.readFileSync(0, 'utf8')), readPicture);
  } catch (error) {
    if (error instanceof v.ValiError) {
      const issue = error.issues[0] as v.BaseIssue<unknown>;
      return refuse({ path: v.getDotPath(issue) ?? '', message: issue.message });
    }
    if (error instanceof BadInput) return refuse(error);
    throw error;
  }
}

async function readPicture(path: string) {
  try {
    return await decodePicture(path);
  } catch (error) {
    if (error instanceof Refusal) return refuse({ path: 'image', message: error.message });
    throw error;
  }
}

const EVERY = { ...CALCULATIONS, ...PICTURE_CALCULATIONS };
const [name, option] = process.argv.slice(2);
if (name === '--list') {
  for (const [known, { line }] of Object.entries(EVERY)) console.log(`${known.padEnd(18)} ${line}`);
} else {
  const calculation = name !== undefined && Object.hasOwn(EVERY, name) ? EVERY[name] : undefined;
  if (!calculation)
    refuse({
      path: '',
      message:
        name === undefined
          ? 'name a calculation; --list shows them'
          : `there is no calculation “${name}”; --list shows them`,
    });
  const answer =
    option === '--schema'
      ? { input: jsonSchema(calculation.input), output: jsonSchema(calculation.output) }
      : await compute(calculation);
  process.stdout.write(`${JSON.stringify(answer)}\n`);
}
