'use client';

import { useState } from 'react';
import { matesOf, partProposal } from '@/core/decisions/partProposal';
import type { PartState } from '@/core/wear/partStanding';
import type { PartDecisionId } from '@/model/job';
import { decisionName } from './decisionName';
import { evidenceOf } from './evidenceOf';
import { keptOr } from './keptOr';
import { useBench } from './useBench';
import type { BenchJob } from './useJob';

export interface Override {
  readonly reason: string;
  /** Who takes the risk, where a piece is kept that must go. */
  readonly riskBy: string;
}
const NOTHING: Override = { reason: '', riskBy: '' };

/** What is decided of parts, one or many in one act: each part has its own decision, and all can be taken back together. */
export function useDeciding(job: BenchJob) {
  const { tellKept } = useBench();
  const [trouble, setTrouble] = useState('');

  const versionOf = (id: string) =>
    job.now().decisions.find(({ positionId }) => positionId === id)?.version ?? 0;

  const put = (part: PartState, decision: PartDecisionId, { reason, riskBy }: Override) => {
    const { id } = part.position;
    return job.take('decision', {
      ...{ positionId: id, version: versionOf(id), decision, reason, riskBy },
      proposed: partProposal(part, job.parts, job.now()).decision,
      evidence: evidenceOf(job, id),
    });
  };

  const keep = async (
    taken: readonly ReturnType<typeof put>[],
    words: string,
    parts: readonly PartState[],
  ) => {
    const wrong =
      (await Promise.all(taken.map((each) => keptOr(each, 'decide it again')))).find(Boolean) ?? '';
    setTrouble(wrong);
    void job.sendWaiting();
    if (wrong !== '') return;
    tellKept({ words, back: () => back(parts) });
  };

  /** A judgement isn't struck out: it is put back to where nobody had decided. */
  const back = async (parts: readonly PartState[]) => {
    const taken = parts.map((part) => put(part, 'not-decided', { ...NOTHING, reason: 'taken back at once' }));
    await Promise.all(taken.map((each) => keptOr(each, 'take it back again')));
    await job.sendWaiting();
  };

  return {
    trouble,
    /** Who replaces a part with its mate decides for both. */
    decide: (part: PartState, decision: PartDecisionId, override: Override = NOTHING) => {
      const mates =
        decision === 'replace-with-mate'
          ? matesOf(part, job.parts, job.now()).filter(
              ({ position }) =>
                job.now().decisions.find(({ positionId }) => positionId === position.id)?.decision !==
                decision,
            )
          : [];
      const along = { ...NOTHING, reason: `goes along with ${part.position.name}` };
      return keep(
        [put(part, decision, override), ...mates.map((mate) => put(mate, decision, along))],
        `${part.position.name}: ${decisionName(decision).toLowerCase()}${mates.length > 0 ? `, and ${mates.length} along with it` : ''}`,
        [part, ...mates],
      );
    },
    accept: (parts: readonly PartState[]) =>
      keep(
        parts.map((part) => put(part, partProposal(part, job.parts, job.now()).decision, NOTHING)),
        `${parts.length} ${parts.length === 1 ? 'proposal is' : 'proposals are'} accepted`,
        parts,
      ),
  };
}
