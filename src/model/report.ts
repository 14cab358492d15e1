import type { Grade } from './damage';
import type { OpenCode } from './openQuestion';
import type { Mark } from './pictureRecord';
import type { Quote } from './quote';

export interface Shop {
  readonly name: string;
  readonly place: string;
  readonly contact: string;
}

export interface ReportMeasurement {
  readonly title: string;
  readonly value: string;
  readonly limit: string;
  readonly source: string;
  readonly verdict: 'within' | 'beyond' | 'too-close' | 'no-limit' | 'not-measured';
  readonly plain: string;
}

export interface ReportPart {
  readonly positionId: string;
  readonly name: string;
  readonly grade: Grade;
  readonly gradeWord: string;
  readonly seen: readonly string[];
  readonly measured: readonly ReportMeasurement[];
  readonly photographs: readonly ReportPhotograph[];
  readonly decision: string;
  /** No limit was held against it: how far it is worn was judged by eye alone. */
  readonly byEye?: true;
}

/** What besides the parts decided, under one head. */
export interface ReportEvidence {
  readonly title: string;
  readonly lines: readonly string[];
}

export interface ReportPhotograph {
  readonly id: string;
  readonly digest: string;
  readonly caption: string;
  /** What was drawn on it when the report was issued, in pixels of a picture of this size. */
  readonly marks?: readonly Mark[];
  readonly width?: number;
  readonly height?: number;
}

/** What the customer holds in his hands, frozen when it is issued. Plain words, no jargon without one. */
export interface ReportDocument {
  readonly schemaVersion: 1;
  readonly shop: Shop;
  readonly unit: {
    readonly peg: number;
    readonly title: string;
    readonly machine: string;
    readonly customer: string;
    readonly serial: string;
    readonly distanceKm: number | null;
    readonly bookedAt: string;
    readonly dueOn: string;
    readonly unitType: string;
  };
  readonly complaint: string;
  readonly symptoms: readonly string[];
  readonly oilClaimed: string;
  /** Parts at grade 3 and above, the worst first. */
  readonly damaged: readonly ReportPart[];
  /** Worn within limits, nothing open. */
  readonly worn: readonly ReportPart[];
  /** Looked at, within every limit, nothing open: the only parts a report calls good. */
  readonly sound: readonly ReportPart[];
  /** Everything that is not settled, with what is missing. */
  readonly open: readonly {
    readonly positionId: string;
    readonly name: string;
    readonly questions: readonly string[];
    /** What kind each question is of; reports from before the codes have none. */
    readonly codes?: readonly OpenCode[];
  }[];
  readonly cause: { readonly words: string; readonly sureness: string; readonly firstFailure: string } | null;
  readonly proposal: { readonly decision: string; readonly reason: string; readonly by: string } | null;
  readonly partDecisions: readonly { readonly decision: string; readonly parts: readonly string[] }[];
  /** What the owner is offered; reports without an offer have none. */
  readonly quote?: Quote;
  /** Reports from before have none. */
  readonly evidence?: readonly ReportEvidence[];
  /** Issued although something was open: why, and by whom. */
  readonly issuedDespite?: { readonly reason: string; readonly by: string };
  readonly watch: string;
  readonly cautions: readonly { readonly title: string; readonly words: string }[];
}
