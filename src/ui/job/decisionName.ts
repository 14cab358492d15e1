import { PART_DECISIONS, type PartDecisionId } from '@/model/job';

export const decisionName = (id: PartDecisionId | undefined): string =>
  PART_DECISIONS.find((decision) => decision.id === id)?.name ?? 'Not decided';
