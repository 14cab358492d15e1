import fs from 'node:fs';
import { toJsonSchema } from '@valibot/to-json-schema';
import * as v from 'valibot';
import { catalogsAsShipped, shippedCatalogs } from '@/catalog/shipped';
import { shippedUnitTypes } from '@/catalog/unitTypes';
import { BadInput } from '@/core/badInput';
import { CALCULATIONS as PLAIN } from '@/core/calculations';
import { diagnoseCalculation } from '@/core/causes/diagnoseCalculation';
import { orderAnalysis } from '@/core/sound/orderAnalysis';
import { MOST_RECORDING_BYTES } from '@/core/sound/wav';
import { gradeProposal } from '@/core/wear/gradeProposal';
import { readPicture } from '@/server/photos/decodePicture';
import { Refusal } from '@/server/refusal';

/** Those that need nothing, and those that read the words and rules that ship. */
const CALCULATIONS: typeof PLAIN = {
  ...PLAIN,
  'grade-proposal': gradeProposal(catalogsAsShipped()),
  'order-analysis': orderAnalysis(shippedUnitTypes, readRecording),
  diagnose: diagnoseCalculation(shippedCatalogs()['cause-network'], shippedUnitTypes),
};

/** What a command prints and ends with: 0 and its answer, or 2 and one line of JSON that says what was wrong. */
export interface Answer {
  readonly status: 0 | 2;
  readonly stdout: string;
  readonly stderr: string;
}

const jsonSchema = (schema: v.GenericSchema) => toJsonSchema(schema, { errorMode: 'ignore' });

/** Answers `NAME`, `NAME --schema` or `--list`; the input is asked for only where a sum is worked out. */
export async function answerOf(words: readonly string[], readInput: () => string): Promise<Answer> {
  const [name, option] = words;
  if (name === '--list') {
    const lines = Object.entries(CALCULATIONS).map(([known, { line }]) => `${known.padEnd(18)} ${line}\n`);
    return { status: 0, stdout: lines.join(''), stderr: '' };
  }
  try {
    return { status: 0, stdout: `${JSON.stringify(await worked(name, option, readInput))}\n`, stderr: '' };
  } catch (error) {
    if (!(error instanceof BadInput)) throw error;
    const { path, message } = error;
    return { status: 2, stdout: '', stderr: `${JSON.stringify({ code: 'bad-input', path, message })}\n` };
  }
}

async function worked(name: string | undefined, option: string | undefined, readInput: () => string) {
  if (name === undefined) throw new BadInput('', 'name a calculation; --list shows them');
  const calculation = Object.hasOwn(CALCULATIONS, name) ? CALCULATIONS[name] : undefined;
  if (!calculation) throw new BadInput('', `there is no calculation “${name}”; --list shows them`);
  if (option === '--schema')
    return { input: jsonSchema(calculation.input), output: jsonSchema(calculation.output) };
  try {
    return await calculation.run(parseJson(readInput()), pictureOf);
  } catch (error) {
    if (!(error instanceof v.ValiError)) throw error;
    const issue = error.issues[0] as v.BaseIssue<unknown>;
    throw new BadInput(v.getDotPath(issue) ?? '', issue.message);
  }
}

function parseJson(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch (error) {
    throw new BadInput('', `no JSON: ${error instanceof Error ? error.message : String(error)}`);
  }
}

async function readRecording(path: string): Promise<Uint8Array> {
  const found = await fs.promises.stat(path).catch(() => undefined);
  if (!found?.isFile()) throw new BadInput('recording', `there is no file ${path}`);
  if (found.size > MOST_RECORDING_BYTES)
    throw new BadInput('recording', 'this file is larger than any recording of ten minutes');
  return fs.promises.readFile(path);
}

async function pictureOf(path: string, coarser: number) {
  try {
    return await readPicture(path, coarser);
  } catch (error) {
    if (error instanceof Refusal) throw new BadInput('image', error.message);
    throw error;
  }
}
