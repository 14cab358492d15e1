import type { CatalogRevisions, Catalogs } from './catalogs';
import type { Conclusion } from './conclusion';
import type { FindingContent, Grade } from './damage';
import type { PartDecisionId, StationId, StoredKind, Sureness, UnitDecisionId } from './job';
import type { Acceptance, IdentityEntry } from './measuring';
import type { ReportKind } from './paper';
import type { Policies } from './policies';
import type { StoredContent } from './recordKinds';
import type { Received, Symptom } from './symptoms';
import type { TooClosePolicy } from './tooClose';
import type { Unit } from './units';
import type { UnitType } from './unitType';

/* The shapes in which a job is read: what the bench holds in hand while it works. */

export interface Gauge {
  readonly id: string;
  readonly name: string;
  readonly kind: string;
  readonly unit: Unit;
  readonly resolution: number;
  readonly maxPermissibleError: number;
  readonly repeatability: number | null;
  readonly calibratedUntil: string;
  /** Of another shop, whose name this is: what was read with it is judged by it, and nobody measures with it here. */
  readonly home?: string;
}

export interface Struck {
  readonly at: string;
  readonly by: string;
  readonly reason: string;
  readonly slip: boolean;
}

interface Captured {
  readonly id: string;
  readonly author: string;
  readonly authorId: string;
  readonly deviceTime: string;
  readonly receivedAt: string;
  /** By the shop's clock; of what still waits, and of what was stored before, the device's own time stands for it. */
  readonly happenedAt?: string;
  /** The device's clock had jumped, and the time of receipt counts. */
  readonly clockJumped?: boolean;
  readonly struck: Struck | null;
}

export interface Reading extends Captured {
  readonly positionId: string;
  readonly checkId: string;
  readonly place: string;
  readonly raw: string;
  readonly unit: Unit;
  /** In the base unit of the quantity (mm, N·m, °C, ppm, degrees). */
  readonly value: number;
  readonly gaugeId: string;
  /** What was put right afterwards: where and with which gauge it was taken, by whom that was set right, and why. */
  readonly corrected?: {
    readonly place: string;
    readonly gaugeId: string;
    readonly held?: string;
    readonly by: string;
    readonly reason: string;
  };
  /** How the part was held while it was read; left out where nobody said it. */
  readonly held?: string;
  /** Of the part, where it matters and was noted. */
  readonly temperatureC: number | null;
}

export interface Finding extends Captured, FindingContent {
  readonly positionId: string;
}

export interface Photograph extends Captured {
  readonly positionId: string | null;
  readonly station: StationId | null;
  readonly stepId: string | null;
  readonly fileName: string;
  readonly digest: string;
  readonly bytes: number;
  readonly width: number;
  readonly height: number;
  readonly mime: string;
  readonly takenAt: string | null;
  /** What the camera says of its lens. */
  readonly lens: string | null;
}

/** A noise, as it was recorded. */
export interface Recording extends Captured {
  readonly station: StationId | null;
  readonly fileName: string;
  readonly digest: string;
  readonly bytes: number;
  /** Hz */
  readonly rate: number;
  readonly channels: number;
  readonly seconds: number;
}

/** Drained oil, a step of the strip, a count: what the bench records beside what it measures and sees. */
export interface BenchRecord extends Captured {
  readonly content: StoredContent;
}

export interface GradeEntry {
  readonly positionId: string;
  readonly version: number;
  readonly grade: Grade;
  readonly proposed: Grade | null;
  readonly reason: string;
  readonly rulesRevision: number;
  readonly by: string;
  readonly at: string;
}

export interface PartDecision {
  readonly positionId: string;
  readonly version: number;
  readonly decision: PartDecisionId;
  readonly proposed: PartDecisionId;
  readonly reason: string;
  /** Who takes the risk, where a piece is kept that must go; empty otherwise. */
  readonly riskBy?: string;
  readonly by: string;
  readonly at: string;
}

export interface Cause {
  readonly version: number;
  readonly words: string;
  readonly plainWords: string;
  readonly sureness: Sureness;
  readonly firstFailure: string | null;
  /** What it rests on; of a conclusion in words alone there is none. */
  readonly conclusion: Conclusion | null;
  readonly by: string;
  readonly at: string;
}

export interface UnitDecision {
  readonly version: number;
  readonly decision: UnitDecisionId;
  readonly reason: string;
  readonly watch: string;
  readonly by: string;
  readonly at: string;
}

export interface CaptureConflict {
  readonly captureId: string;
  readonly kind: StoredKind;
  readonly author: string;
  readonly receivedAt: string;
  readonly digest: string;
  readonly content: Record<string, unknown>;
}

export interface Job {
  readonly id: string;
  readonly version: number;
  readonly peg: number;
  readonly customer: string;
  readonly customerContact: string;
  readonly machine: string;
  readonly distanceKm: number | null;
  readonly unitTitle: string;
  readonly unitTypeId: string;
  readonly unitTypeRevision: number;
  /** The type belongs to this job alone, and grows as it comes apart. */
  readonly ownType?: boolean;
  readonly serial: string;
  readonly tag: string;
  readonly complaint: string;
  readonly symptoms: Symptom[];
  /** What the unit looked like when it came. */
  readonly received: Received;
  readonly oilClaimed: string;
  readonly history: string;
  readonly dueOn: string;
  readonly waitsFor: string;
  /** This job's own rule for readings too close to call; empty: the shop's. */
  readonly tooClosePolicy: TooClosePolicy | '';
  readonly bookedAt: string;
  readonly bookedBy: string;
  /** The revisions of words, rules, thresholds and cautions by which it is judged. */
  readonly catalogs: CatalogRevisions;
  /** The job of this house that it was before, where it came back. */
  readonly comebackOf?: { readonly jobId: string; readonly peg: number };
  /** When it left the house, and by whose hand; null while it hangs on the rack. */
  readonly handedOver: { readonly at: string; readonly by: string } | null;
}

export interface ReportIssueHead {
  /** Counts all reports of a job, of whichever kind. */
  readonly number: number;
  /** What a device of the version before keeps has none, and is the customer’s. */
  readonly kind?: ReportKind;
  /** The issue of its kind before it. */
  readonly previous?: number;
  readonly issuedAt: string;
  readonly issuedBy: string;
  readonly digest: string;
  readonly changes: readonly string[];
}

/** The measured shims that the shop has for stacks of one kind and range of a type of unit. */
export interface ShimsOnHand {
  readonly drawer: string;
  readonly pieces: readonly { readonly thickness: number; readonly count: number }[];
}

export interface JobSnapshot {
  readonly job: Job;
  readonly unitType: UnitType;
  /** The newest revision of its unit type; the job keeps the one that it pins. */
  readonly newestRevision: number;
  /** The documents of the revisions that it pins, and the newest that there are. */
  readonly catalogs: Catalogs;
  readonly newestCatalogs: CatalogRevisions;
  /** What is done in this job with a reading that is too close to call. */
  /** The shop’s own in the matters in which shops disagree; a device of the version before has none. */
  readonly policies?: Policies;
  /** Shims of the shop for this type of unit; a device of the version before has none. */
  readonly shims?: readonly ShimsOnHand[];
  readonly tooClosePolicy: TooClosePolicy;
  readonly acceptances: readonly Acceptance[];
  readonly identities: readonly IdentityEntry[];
  readonly gauges: readonly Gauge[];
  /** By which the shop counts its days (IANA name). */
  readonly timeZone: string;
  readonly readings: readonly Reading[];
  readonly findings: readonly Finding[];
  readonly photographs: readonly Photograph[];
  readonly recordings: readonly Recording[];
  readonly records: readonly BenchRecord[];
  readonly grades: readonly GradeEntry[];
  readonly decisions: readonly PartDecision[];
  readonly cause: Cause | null;
  readonly unitDecision: UnitDecision | null;
  readonly conflicts: readonly CaptureConflict[];
  readonly reports: readonly ReportIssueHead[];
}

export interface RackEntry {
  readonly peg: number;
  readonly jobId: string;
  readonly title: string;
  readonly machine: string;
  readonly customer: string;
  readonly unitFamily: string;
  readonly weightKg: number | null;
  readonly waitsFor: string;
  /** What holds it, in words; empty where nothing does. */
  readonly hold: string;
  readonly dueOn: string;
  readonly unitTypeId: string;
  readonly unitTypeRevision: number;
  readonly station: StationId;
  readonly stationOpen: number;
  /** Questions to colleagues that nobody has settled. */
  readonly asked: number;
  /** Why the job can't be read; empty where it can. */
  readonly trouble: string;
}

/** How many units are due on a day. */
export interface RackDay {
  readonly dueOn: string;
  readonly units: number;
}

/** A page of the rack; the next one begins behind its last unit. */
export interface RackPage {
  readonly entries: readonly RackEntry[];
  /** All days with units, whatever page this is. */
  readonly days: readonly RackDay[];
  readonly more: boolean;
  /** What endangers the shop's records, in words: the disk, the daily copy. */
  readonly dangers: readonly string[];
}

/** A unit that a search found, wherever it is. */
export interface FoundJob {
  readonly jobId: string;
  readonly peg: number;
  readonly title: string;
  readonly machine: string;
  readonly customer: string;
  readonly serial: string;
  readonly complaint: string;
  readonly dueOn: string;
  readonly bookedAt: string;
  /** Null while it is in the house. */
  readonly handedOverAt: string | null;
}

/** A photograph of the same place in another unit of the type, to look at beside one’s own. */
export interface LikePhotograph {
  readonly id: string;
  readonly jobId: string;
  readonly peg: number;
  readonly bookedAt: string;
  readonly fileName: string;
  readonly width: number;
  readonly height: number;
}
