import * as v from 'valibot';
import { type DraftFound, faultsOfDraft } from '@/core/unit-type/faultsOfDraft';
import { Refusal } from '../refusal';

/** A description as it comes: JSON in a text of bounded length. */
export const DescriptionTextSchema = v.pipe(
  v.string(),
  v.trim(),
  v.minLength(1, 'choose a file or paste a description first'),
  v.maxLength(2_000_000, 'at most two million characters: this is no description of a unit'),
);

/** @throws Refusal when the text is no JSON; everything else that is wrong comes as faults */
export function readDescription(text: string): DraftFound {
  let document: unknown;
  try {
    document = JSON.parse(text);
  } catch (error) {
    throw new Refusal('bad-input', `This is no JSON: ${(error as Error).message}. Nothing was stored.`, {
      faults: [{ path: '', message: 'no JSON' }],
    });
  }
  return faultsOfDraft(document);
}
