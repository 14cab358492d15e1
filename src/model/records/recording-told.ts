import * as v from 'valibot';
import { CaptureIdSchema, words } from '../ids';
import { ToldOfRecordingSchema } from '../recording';
import { recordKind } from './recordKind';

/** In which gear, under which load and how fast a recording was made; what was told last counts. */
export const recordingTold = recordKind({
  version: 1,
  noun: 'word on a recording',
  right: 'capture.take',
  schema: v.object({
    what: v.literal('recording-told'),
    recordingId: CaptureIdSchema,
    told: ToldOfRecordingSchema,
  }),
  refersTo: ({ recordingId }) => ({ recordings: [recordingId] }),
});

const level = v.pipe(v.number(), v.finite());

/** What was heard in a recording, as a person keeps it: it speaks for the places of those orders, and proves nothing. */
export const recordingHeard = recordKind({
  version: 1,
  noun: 'what is heard in a recording',
  right: 'capture.take',
  schema: v.object({
    what: v.literal('recording-heard'),
    recordingId: CaptureIdSchema,
    /** The word on it that it was heard under: another gear or speed is another hearing. */
    toldId: CaptureIdSchema,
    heard: v.pipe(
      v.array(
        v.object({
          place: v.pipe(v.string(), v.minLength(1), v.maxLength(160)),
          kind: v.picklist(['mesh', 'outer', 'inner', 'roller', 'cage', 'turn']),
          of: words(200, 1),
          /** For each turn of the input. */
          order: v.pipe(v.number(), v.finite(), v.gtValue(0)),
          frequency: v.pipe(v.number(), v.finite(), v.gtValue(0)),
          /** Over the noise nearby, dB. */
          level,
          share: v.pipe(v.number(), v.minValue(0), v.maxValue(1)),
          ratio: v.pipe(v.number(), v.minValue(1), v.maxValue(100)),
          in: v.picklist(['spectrum', 'envelope']),
        }),
      ),
      v.maxLength(60),
    ),
    /** Tones that no order of the unit explains. */
    unexplained: v.pipe(v.number(), v.integer(), v.minValue(0)),
    clipped: v.boolean(),
    /** By which part the speed seems to be off what was said. */
    speedOff: level,
  }),
  refersTo: ({ recordingId }) => ({ recordings: [recordingId] }),
});
