import * as v from 'valibot';
import { FamilySchema } from './damage';
import { IdSchema, words } from './ids';

/*
 * What breaks what, and how one tells: root causes, what they bring about, and what of it is found. General, before it is placed on a
 * unit. Strengths and base rates are words, so that a lead can read and correct them.
 */

export const STRENGTHS = {
  'almost always': 0.95,
  usually: 0.8,
  often: 0.5,
  sometimes: 0.25,
  rarely: 0.08,
} as const;
export type Strength = keyof typeof STRENGTHS;

/** Among units that come in. */
export const BASE_RATES = { common: 0.12, uncommon: 0.05, rare: 0.02 } as const;

/** Where a node stands: once for the unit, or once at every place of a kind. */
export const PLACE_KINDS = ['mesh', 'bearing', 'bush', 'synchro', 'dogs', 'clutch'] as const;
export type PlaceKind = (typeof PLACE_KINDS)[number];

/** What a unit has to have for a node to mean anything in it. */
export const NEEDS = [
  'bevel',
  'preload',
  'sleeve',
  'synchro',
  'differential',
  'limited-slip',
  'friction',
  'chain',
  'copper',
] as const;
export type Need = (typeof NEEDS)[number];

const share = v.pipe(v.number(), v.minValue(0, 'lies from 0 to 1'), v.maxValue(1, 'lies from 0 to 1'));

export const CauseNodeSchema = v.strictObject({
  id: IdSchema,
  kind: v.picklist(['root', 'mechanism', 'finding']),
  at: v.optional(v.picklist(PLACE_KINDS)),
  needs: v.optional(v.picklist(NEEDS)),
  name: words(120, 1),
  /** Of a root: as the owner is told it. */
  plain: v.optional(words(160, 1)),
  base: v.optional(v.picklist(Object.keys(BASE_RATES) as (keyof typeof BASE_RATES)[])),
  /** That it is there although nothing that is modelled brings it about. */
  leak: v.optional(share),
  /** A circumstance: how often it holds anyhow. What it comes from raises it to that strength, and no further. */
  circumstance: v.optional(share),
  from: v.optional(v.array(v.strictTuple([IdSchema, v.picklist(Object.keys(STRENGTHS) as Strength[])])), []),
  /** The opposite of one matter: both can't be true. */
  excludes: v.optional(IdSchema),
  /** Lies outside of the unit, and is looked at there. */
  outside: v.optional(v.boolean()),
  question: v.optional(words(160, 1)),
  look: v.optional(words(120, 1)),
  minutes: v.optional(v.pipe(v.number(), v.gtValue(0))),
  /** When it can't be looked at any more. */
  lost: v.optional(words(60, 1)),
  /** Damage words that are this finding, where somebody notes one of them. */
  seen: v.optional(
    v.array(
      v.strictObject({
        family: FamilySchema,
        modes: v.pipe(v.array(IdSchema), v.minLength(1)),
        places: v.optional(v.array(words(40, 1))),
      }),
    ),
  ),
});
export type CauseNode = v.InferOutput<typeof CauseNodeSchema>;

export const CauseNetworkSchema = v.object({
  schemaVersion: v.literal(1),
  revision: v.number(),
  basedOn: v.optional(v.number()),
  source: v.optional(words(80)),
  nodes: v.pipe(v.array(CauseNodeSchema), v.maxLength(2000)),
});
export type CauseNetwork = v.InferOutput<typeof CauseNetworkSchema>;
