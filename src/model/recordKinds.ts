import type { RecordContent, RecordOf } from './benchRecord';
import type { Right } from './rights';

/*
 * What is true of each kind of record wherever it is met: how it is called, what it refers to, who may keep it. Typed by the
 * kinds' names, so that a kind that is missing here doesn't compile; there is no default.
 */

/** What a record names of its job: of these, each must be there, and no description may lose one. */
export interface RefersTo {
  readonly positions?: readonly string[];
  readonly checks?: readonly { readonly checkId: string; readonly positionId: string }[];
  readonly steps?: readonly string[];
  readonly photographs?: readonly string[];
}

interface RecordKind<Content> {
  /** Of what is stored today; a record that says none is of version 1. */
  readonly version: 1;
  /** For people: “a …”. */
  readonly noun: string;
  readonly right: Right;
  readonly refersTo: (content: Content) => RefersTo;
}

const NOTHING = (): RefersTo => ({});
const ofPicture = ({ photographId }: { readonly photographId: string }): RefersTo => ({
  photographs: [photographId],
});
const taken = (noun: string) => ({ version: 1, noun, right: 'capture.take' }) as const;

export const RECORD_KINDS: {
  readonly [What in RecordContent['what']]: RecordKind<RecordOf<What>>;
} = {
  drained: { ...taken('drained oil'), refersTo: NOTHING },
  debris: { ...taken('piece of debris'), refersTo: NOTHING },
  match: {
    ...taken('source of a piece'),
    refersTo: ({ positionId }) => (positionId ? { positions: [positionId] } : {}),
  },
  'not-measured': {
    ...taken('check that can’t be done'),
    refersTo: ({ checkId, positionId }) => ({
      positions: [positionId],
      checks: [{ checkId, positionId }],
    }),
  },
  'moved-on': { ...taken('going on without the rest'), refersTo: NOTHING },
  step: {
    ...taken('step of the strip'),
    refersTo: ({ stepId, shims = [] }) => ({
      ...(stepId ? { steps: [stepId] } : {}),
      positions: shims.map(({ positionId }) => positionId),
    }),
  },
  count: { ...taken('count'), refersTo: ({ positionId }) => ({ positions: [positionId] }) },
  lab: { ...taken('laboratory’s answer'), refersTo: NOTHING },
  'lab-sent': { ...taken('sample that was sent'), refersTo: NOTHING },
  'picture-marked': { ...taken('mark on a photograph'), refersTo: ofPicture },
  'picture-scaled': { ...taken('scale of a photograph'), refersTo: ofPicture },
  'picture-sized': { ...taken('size in a photograph'), refersTo: ofPicture },
  'picture-measured': {
    ...taken('photograph that was measured'),
    refersTo: ({ photographId, positionId }) => ({ photographs: [photographId], positions: [positionId] }),
  },
  'pattern-moved': {
    ...taken('move of the set-up'),
    refersTo: ({ positionId }) => ({ positions: [positionId] }),
  },
  order: { ...taken('better order'), refersTo: NOTHING },
  'caution-seen': { ...taken('caution that was read'), refersTo: NOTHING },
  'given-up': { ...taken('capture that was given up'), refersTo: NOTHING },
  'readings-moved': {
    version: 1,
    noun: 'readings put in their place',
    right: 'reading.move',
    refersTo: NOTHING,
  },
  'reading-gauge': { version: 1, noun: 'gauge put right', right: 'reading.move', refersTo: NOTHING },
};

/** What a record names, whatever its kind. */
export const refersTo = (content: RecordContent): RefersTo =>
  (RECORD_KINDS[content.what].refersTo as (content: RecordContent) => RefersTo)(content);
