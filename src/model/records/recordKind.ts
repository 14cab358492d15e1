import type * as v from 'valibot';
import type { Right } from '../rights';

/** What a record names of its job: of these, each must be there, and no description may lose one. */
export interface RefersTo {
  readonly positions?: readonly string[];
  readonly checks?: readonly { readonly checkId: string; readonly positionId: string }[];
  readonly steps?: readonly string[];
  readonly photographs?: readonly string[];
  readonly recordings?: readonly string[];
}

/** What is true of a kind of record wherever it is met. */
export interface RecordKind<Schema extends v.GenericSchema> {
  /** Of what is written today. A record that says none is of version 1. */
  readonly version: number;
  /** For people: “a …”. */
  readonly noun: string;
  /** Who may keep one. */
  readonly right: Right;
  readonly schema: Schema;
  /** It went out of the house: it can't be struck out, only followed by another. */
  readonly final?: true;
  readonly refersTo: (content: v.InferOutput<Schema>) => RefersTo;
  /** From version 1 to 2, from 2 to 3, and so on: one for each version that came before. */
  readonly upgrades?: readonly ((older: Record<string, unknown>) => Record<string, unknown>)[];
}

export const recordKind = <Schema extends v.GenericSchema>(kind: RecordKind<Schema>): RecordKind<Schema> =>
  kind;

export const NOTHING = (): RefersTo => ({});
export const OF_PICTURE = ({ photographId }: { readonly photographId: string }): RefersTo => ({
  photographs: [photographId],
});
