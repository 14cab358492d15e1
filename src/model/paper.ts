import type { Grade } from './damage';
import type { ReportPhotograph, Shop } from './report';

/*
 * A document as it is read, whatever it is printed with: sections of blocks. Every kind of report becomes one of these, and PDF, HTML and
 * CSV are made of it.
 */

export const REPORT_KINDS = ['customer', 'colleague', 'parts'] as const;
export type ReportKind = (typeof REPORT_KINDS)[number];

export interface PaperColumn {
  readonly name: string;
  /** Of the table's width; the shares of a table add up to 1. */
  readonly share: number;
  readonly numeric?: true;
}

export interface PaperRow {
  /** By which a row is found again in a later issue. */
  readonly key: string;
  readonly cells: readonly string[];
}

/** A unit cut open, with numbers for what the text speaks of. */
export interface PaperDrawing {
  readonly as: 'drawing';
  readonly unitTypeId: string;
  readonly revision: number;
  readonly places: readonly {
    readonly number: number;
    readonly positionIds: readonly string[];
    readonly name: string;
  }[];
  readonly caption: string;
}

export type PaperBlock =
  | {
      readonly as: 'text';
      readonly words: string;
      readonly label?: string;
      readonly tone?: 'quiet' | 'warning';
    }
  /** `number` where the drawing has one for it. */
  | {
      readonly as: 'part';
      readonly name: string;
      readonly grade: Grade;
      readonly gradeWord: string;
      readonly number?: number;
    }
  | { readonly as: 'facts'; readonly facts: readonly (readonly [string, string])[] }
  | { readonly as: 'list'; readonly lines: readonly string[]; readonly numbered?: true }
  | {
      readonly as: 'table';
      readonly title: string;
      readonly columns: readonly PaperColumn[];
      readonly rows: readonly PaperRow[];
    }
  | { readonly as: 'photographs'; readonly photographs: readonly ReportPhotograph[] }
  | PaperDrawing
  /** Words on a rule, and which of them holds. */
  | {
      readonly as: 'scale';
      readonly title: string;
      readonly words: readonly string[];
      readonly holds: number;
    }
  /** To be filled in by hand. */
  | { readonly as: 'reply'; readonly ways: readonly string[]; readonly lines: readonly string[] };

export interface PaperSection {
  readonly id: string;
  readonly title: string;
  readonly blocks: readonly PaperBlock[];
  /** Begins on a page of its own. */
  readonly ownPage?: true;
}

export interface Paper {
  readonly title: string;
  readonly subtitle: string;
  readonly shop: Shop;
  readonly sections: readonly PaperSection[];
}

/** What a report for colleagues or of the parts holds, frozen when it is issued. */
export interface PaperDocument extends Paper {
  readonly schemaVersion: 1;
  readonly kind: Exclude<ReportKind, 'customer'>;
  readonly peg: number;
}
