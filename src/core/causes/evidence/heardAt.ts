import type { JobSnapshot } from '@/model/snapshot';
import type { Symptom } from '@/model/symptoms';
import { suspectsOfSymptoms } from '../../gearing/symptomSuspects';
import type { HeardAt } from '../placeNetwork';

/** Where each noise, and each slipping, comes from, as far as gear, load and beat tell it: a howl in all gears but the direct one is no input bearing's. */
export function heardAt({ job, unitType }: Pick<JobSnapshot, 'job' | 'unitType'>): HeardAt {
  const heard: Record<string, string[]> = {};
  for (const symptom of job.symptoms) {
    const nodes = symptomNodes(symptom);
    if (nodes.length === 0 || (symptom.gears.length === 0 && !symptom.beat)) continue;
    const parts = suspectsOfSymptoms(unitType, [symptom]).map(({ positionId }) => positionId);
    for (const node of nodes) heard[node] = [...(heard[node] ?? []), ...parts];
  }
  return heard;
}

/** The nodes of what is complained of that have causes at places. */
function symptomNodes({ id, sounds }: Symptom): string[] {
  if (id === 'slip') return ['slips'];
  if (id !== 'noise' && id !== 'vibration') return [];
  return SOUNDS.filter(([sound]) => sounds.includes(sound)).map(([, node]) => node);
}

const SOUNDS = [
  ['growl', 'growl'],
  ['rumble', 'growl'],
  ['whine', 'whine-drive'],
] as const;
