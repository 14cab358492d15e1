import type { PaperDocument, ReportKind } from '@/model/paper';
import type { ReportDocument } from '@/model/report';

interface Named {
  readonly kind: ReportKind;
  readonly number: number;
  readonly document: ReportDocument | PaperDocument;
}

/** By which one speaks of a report: the unit's peg and the number, as 412-3. */
export const reportName = ({ number, document }: Named): string =>
  `${'unit' in document ? document.unit.peg : document.peg}-${number}`;
