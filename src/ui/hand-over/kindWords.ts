import type { ReportKind } from '@/model/paper';

/** For whom a report is. */
export const KIND_WORDS: Readonly<Record<ReportKind, string>> = {
  customer: 'for the customer',
  colleague: 'for colleagues',
  parts: 'of the parts',
};
