import * as v from 'valibot';
import { answered, asked, questionSettled } from './records/asked';
import { causeChecked, causeCounts, causeFinding, causeGuess } from './records/cause-finding';
import { cautionSeen } from './records/caution-seen';
import { count } from './records/count';
import { debris } from './records/debris';
import { drained } from './records/drained';
import { facesGraded } from './records/faces-graded';
import { figure } from './records/figure';
import { givenUp } from './records/given-up';
import { goodsBack, goodsCompared, goodsIn, goodsTaken, orderMoved } from './records/goods';
import { handTest } from './records/hand-test';
import { held } from './records/held';
import { holdLifted } from './records/hold-lifted';
import { identitySettled } from './records/identity-settled';
import { lab } from './records/lab';
import { labSent } from './records/lab-sent';
import { markRead } from './records/mark-read';
import { match } from './records/match';
import { movedOn } from './records/moved-on';
import { notMeasured } from './records/not-measured';
import { order } from './records/order';
import { patternMoved } from './records/pattern-moved';
import { patternSeen } from './records/pattern-seen';
import { pictureMarked } from './records/picture-marked';
import { pictureMeasured } from './records/picture-measured';
import { pictureScaled } from './records/picture-scaled';
import { pictureSized } from './records/picture-sized';
import { piecesGraded } from './records/pieces-graded';
import { policySet } from './records/policy-set';
import {
  exchangeNoted,
  identityMeasured,
  offerNoted,
  orderCancelled,
  partScrapped,
  partsOrdered,
  pricesAsked,
} from './records/prices-asked';
import { measuredAfter, proved, recheck, signedOff } from './records/proved';
import { quoteMade } from './records/quote-made';
import { readingGauge } from './records/reading-gauge';
import { readingsHeld } from './records/readings-held';
import { readingsMoved } from './records/readings-moved';
import { countedIn, openerNote, refitted, roundTorqued, torqued } from './records/rebuilt';
import { recordingHeard, recordingTold } from './records/recording-told';
import type { RecordKind, RefersTo } from './records/recordKind';
import { rework, reworkBack, reworkDropped } from './records/rework';
import { depthFigured, turningTorque } from './records/setup-figures';
import { setupRound } from './records/setup-round';
import { step } from './records/step';
import { unitFinding } from './records/unit-finding';

/* Every kind of record, one file each. There is no default: a kind that is missing here is not known anywhere. */

export const RECORD_KINDS = {
  drained,
  debris,
  match,
  'not-measured': notMeasured,
  'moved-on': movedOn,
  step,
  count,
  lab,
  'lab-sent': labSent,
  'picture-marked': pictureMarked,
  'picture-scaled': pictureScaled,
  'picture-sized': pictureSized,
  'picture-measured': pictureMeasured,
  'pattern-moved': patternMoved,
  'pattern-seen': patternSeen,
  order,
  'caution-seen': cautionSeen,
  'given-up': givenUp,
  'readings-moved': readingsMoved,
  'reading-gauge': readingGauge,
  'readings-held': readingsHeld,
  'identity-settled': identitySettled,
  figure,
  held,
  'hold-lifted': holdLifted,
  'unit-finding': unitFinding,
  'hand-test': handTest,
  'pieces-graded': piecesGraded,
  'faces-graded': facesGraded,
  asked,
  answered,
  'question-settled': questionSettled,
  'cause-finding': causeFinding,
  'cause-guess': causeGuess,
  'cause-checked': causeChecked,
  'cause-counts': causeCounts,
  'policy-set': policySet,
  'prices-asked': pricesAsked,
  'offer-noted': offerNoted,
  'identity-measured': identityMeasured,
  'mark-read': markRead,
  'recording-told': recordingTold,
  'recording-heard': recordingHeard,
  'parts-ordered': partsOrdered,
  'goods-in': goodsIn,
  'goods-compared': goodsCompared,
  'goods-back': goodsBack,
  'goods-taken': goodsTaken,
  'order-moved': orderMoved,
  'order-cancelled': orderCancelled,
  'part-scrapped': partScrapped,
  'exchange-noted': exchangeNoted,
  'quote-made': quoteMade,
  refitted,
  torqued,
  'round-torqued': roundTorqued,
  'counted-in': countedIn,
  'opener-note': openerNote,
  'setup-round': setupRound,
  'depth-figured': depthFigured,
  'turning-torque': turningTorque,
  'measured-after': measuredAfter,
  rework,
  'rework-back': reworkBack,
  'rework-dropped': reworkDropped,
  proved,
  'signed-off': signedOff,
  recheck,
} as const;
export type RecordWhat = keyof typeof RECORD_KINDS;

export type RecordOf<What extends RecordWhat> = v.InferOutput<(typeof RECORD_KINDS)[What]['schema']>;
export type RecordContent = { [What in RecordWhat]: RecordOf<What> }[RecordWhat];
/** A record that this program can't read: of a kind or a version that came later. It is kept, told, and counts for nothing. */
export interface UnreadableRecord {
  readonly what: 'unreadable';
  readonly kind: string;
}
export type StoredContent = RecordContent | UnreadableRecord;

const kindOf = (what: unknown): RecordKind<v.GenericSchema> | undefined =>
  typeof what === 'string' && Object.hasOwn(RECORD_KINDS, what)
    ? (RECORD_KINDS[what as RecordWhat] as unknown as RecordKind<v.GenericSchema>)
    : undefined;

/** The content brought to the version that its kind is written in today. */
export function upgraded(
  { upgrades = [] }: Pick<RecordKind<v.GenericSchema>, 'upgrades'>,
  { version = 1, ...content }: Record<string, unknown>,
): Record<string, unknown> {
  return upgrades.slice(Number(version) - 1).reduce((older, upgrade) => upgrade(older), content);
}

/** A record as it was stored, in today's shape. */
export function readRecord(stored: Record<string, unknown>): StoredContent {
  const kind = kindOf(stored.what);
  const { version = 1 } = stored;
  if (!kind || Number(version) > kind.version) return { what: 'unreadable', kind: String(stored.what) };
  return upgraded(kind, stored) as RecordContent;
}

/** Why a record that comes in can't be read; undefined where it can. */
function troubleWith(content: unknown): string | undefined {
  if (typeof content !== 'object' || content === null) return 'a record is needed';
  const { what, version = 1 } = content as Record<string, unknown>;
  const kind = kindOf(what);
  if (!kind)
    return `this program knows no records of the kind “${String(what).slice(0, 40)}”; is it older than the device?`;
  if (Number(version) > kind.version)
    return `this record (${kind.noun}) is of version ${Number(version)}; this program knows up to ${kind.version}`;
  return undefined;
}

/**
 * A record as it comes from a device or a file. An older version is held against today's shape after it was upgraded, and kept as
 * it came: a capture's content never changes.
 */
export const RecordContentSchema: v.GenericSchema<unknown, RecordContent> = v.pipe(
  v.unknown(),
  v.rawTransform(({ dataset, addIssue, NEVER }) => {
    const trouble = troubleWith(dataset.value);
    if (trouble !== undefined) {
      addIssue({ message: trouble });
      return NEVER;
    }
    const content = dataset.value as Record<string, unknown>;
    const kind = kindOf(content.what)!;
    const parsed = v.safeParse(kind.schema, upgraded(kind, content));
    if (!parsed.success) {
      for (const { message, path } of parsed.issues) addIssue({ message, ...(path ? { path } : {}) });
      return NEVER;
    }
    const isOfToday = Number(content.version ?? 1) === kind.version;
    return (isOfToday ? parsed.output : content) as RecordContent;
  }),
);

/** What a record names, whatever its kind. */
export const refersTo = (content: StoredContent): RefersTo =>
  content.what === 'unreadable'
    ? {}
    : (RECORD_KINDS[content.what].refersTo as (content: RecordContent) => RefersTo)(content);
