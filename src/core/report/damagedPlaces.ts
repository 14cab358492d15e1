import type { ReportDocument, ReportPart } from '@/model/report';

export interface NumberedPart extends ReportPart {
  /** By which drawing, list and photographs speak of it; undefined where there are more than the drawing can hold. */
  readonly number: number | undefined;
}

/** More than this no reader matches with a drawing. */
const MOST_NUMBERS = 12;

/** What was found, the worst first, with the numbers by which the drawing, the list and the photographs speak of it. */
export const damagedPlaces = ({ damaged }: Pick<ReportDocument, 'damaged'>): NumberedPart[] =>
  damaged.map((part, at) => ({ ...part, number: at < MOST_NUMBERS ? at + 1 : undefined }));

/** The type and revision that a report was judged by, as it was frozen; nothing where it can't be read. */
export function typeOfReport({
  unit,
}: Pick<ReportDocument, 'unit'>): { id: string; revision: number } | undefined {
  const found = /^(.+), revision (\d+)$/.exec(unit.unitType);
  return found ? { id: found[1]!, revision: Number(found[2]) } : undefined;
}
