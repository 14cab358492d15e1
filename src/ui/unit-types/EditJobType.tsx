'use client';

import { useRouter } from 'next/navigation';
import type { Actor } from '@/model/people';
import type { Job } from '@/model/snapshot';
import type { UnitType } from '@/model/unitType';
import { send } from '../kit/send';
import { TypeEditor } from './editor/TypeEditor';

/** The type of one job's own, described further while its parts come off. */
export function EditJobType({
  unitType,
  job,
  actor,
}: {
  readonly unitType: UnitType;
  readonly job: Job;
  readonly actor: Actor;
}) {
  const router = useRouter();
  const store = async (draft: unknown, note: string) => {
    const answer = await send('PUT', `/api/v1/jobs/${job.id}/unit-type`, {
      version: job.version,
      text: JSON.stringify(draft),
      note,
    });
    if (!answer.ok) return answer.refusal.message;
    localStorage.removeItem(`unit-type ${unitType.id} ${unitType.revision}`);
    router.refresh();
    return undefined;
  };
  return (
    <TypeEditor
      unitType={unitType}
      actor={actor}
      back={{ href: `/jobs/${job.peg}`, words: `Back to peg ${job.peg}` }}
      onStore={store}
    />
  );
}
