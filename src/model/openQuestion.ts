import type { StationId } from './job';

/*
 * What is not settled, as values: what is asked, of which part, check and place, and since when. They are counted and grouped as
 * they are, and told in words in one place (core/open/tellOpen).
 */

interface OfCheck {
  readonly checkId: string;
  /** The check's title. */
  readonly check: string;
}
interface OfCapture {
  readonly captureId: string;
}
type Nothing = Record<never, never>;

/** Each question by its code, with what its words need. */
interface OpenFacts {
  'serial-unknown': Nothing;
  'oil-unknown': Nothing;
  'not-described': Nothing;
  'nothing-looked-at': Nothing;
  'identity-conflict': { readonly pairId: string; readonly conflicts: readonly string[] };
  'not-drained': Nothing;
  /** `linked`: where it is said to be from, and how sure that is. */
  'debris-unmatched': OfCapture & {
    readonly piece: string;
    readonly linked?: { readonly place: string; readonly sure: string };
  };
  'sample-out': OfCapture & { readonly sample: string };
  /** Of a gear set, before anything moves. */
  'pattern-not-seen': { readonly pair: string };
  'baseline-open': OfCheck;
  'baseline-missed': OfCheck & { readonly part: string };
  'not-opened': Nothing;
  'step-open': { readonly stepId: string; readonly step: string };
  'pieces-missing': { readonly counted: number; readonly expected: number };
  'pieces-surplus': { readonly counted: number; readonly expected: number };
  'pieces-wrong': Nothing;
  'not-looked-at': Nothing;
  'only-measured': Nothing;
  'not-graded': Nothing;
  'graded-twice': { readonly grade: number; readonly by: string };
  'decided-twice': { readonly decision: string; readonly by: string };
  'noted-twice': { readonly noun: string; readonly by: string; readonly at: StationId };
  'evidence-newer': Nothing;
  'evidence-gone': Nothing;
  'hand-test-unsaid': { readonly testId: string; readonly test: string };
  'pieces-unseen': { readonly looked: number; readonly expected: number };
  'colleague-asked': OfCapture;
  'thin-by-eye': { readonly words: string };
  'figure-unjudged': OfCapture & { readonly measured: string };
  'not-measured': OfCheck;
  'no-limit': OfCheck;
  'too-close': OfCheck & { readonly place?: string };
  'too-close-unaccepted': OfCheck & { readonly place?: string };
  'off-temperature': OfCheck & { readonly place?: string };
  'photograph-unfiled': OfCapture & { readonly fileName: string };
  'record-unreadable': OfCapture & { readonly kind: string };
  'no-cause': Nothing;
  'part-undecided': Nothing;
  'unit-undecided': Nothing;
  'not-refitted': { readonly stepId: string; readonly step: string };
  'bolts-open': { readonly stepId: string; readonly step: string; readonly out: number };
  'pieces-not-in': { readonly counted: number; readonly expected: number };
  /** New pieces that were ordered: what came is another part. */
  'new-part-wrong': { readonly words: string };
  /** … or they aren’t here, or nobody has compared them. */
  'new-part-held': { readonly words: string };
  'rework-open': { readonly work: string; readonly isBack: boolean };
  'not-measured-after': OfCheck;
  'not-proved': { readonly proofId: string; readonly proof: string };
  'deviation-unsigned': { readonly key: string; readonly words: string };
  'set-up-open': { readonly pair: string; readonly set: string; readonly why: string };
  'no-report': Nothing;
}

export type OpenCode = keyof OpenFacts;
export type OpenQuestion = {
  readonly [Code in OpenCode]: {
    readonly code: Code;
    /** The part that is asked about; null: the unit as a whole. */
    readonly positionId: string | null;
    /** Since when it is open, where a capture opened it: an instant. */
    readonly since?: string;
  } & OpenFacts[Code];
}[OpenCode];
export type OpenOf<Code extends OpenCode> = Extract<OpenQuestion, { readonly code: Code }>;
