import * as v from 'valibot';
import { inWords, placeInWords } from '@/core/faultWords';
import { type Actor, AS_ROLE } from '@/model/people';
import { mayDo, type Right } from '@/model/rights';
import type { Context } from './context';
import { Refusal } from './refusal';

type AnySchema = v.GenericSchema<unknown, unknown>;

/** A use case: actor first, then the context, then the input as it came from wherever; it checks right and input itself. */
export interface UseCase<Output> {
  (actor: Actor, context: Context, input: unknown): Output;
  readonly right: Right;
}

/**
 * Makes a use case that refuses an actor without the right before anything is read, and input that does not
 * fit its schema before anything is written.
 */
export function defineUseCase<Schema extends AnySchema, Output>(
  right: Right,
  schema: Schema,
  work: (actor: Actor, context: Context, input: v.InferOutput<Schema>) => Output,
): UseCase<Output> {
  const checked = (actor: Actor, context: Context, input: unknown): Output => {
    if (!mayDo(actor.role, right))
      throw new Refusal('no-right', `${AS_ROLE[actor.role]} may not do this.`, { right });
    return work(actor, context, parseInput(schema, input));
  };
  return Object.assign(checked, { right });
}

/** Valibot's issues as one refusal: the first fault in words, every fault with its path. */
export function parseInput<Schema extends AnySchema>(schema: Schema, input: unknown): v.InferOutput<Schema> {
  const parsed = v.safeParse(schema, input);
  if (parsed.success) return parsed.output;
  const faults = parsed.issues.map((issue) => ({ path: v.getDotPath(issue) ?? '', message: inWords(issue) }));
  const [first] = faults;
  throw new Refusal('bad-input', `${placeInWords(first?.path ?? '', input)}: ${first?.message}.`, { faults });
}
