import { partLetter, studyOrder } from '@/core/gauge-study/studyOrder';
import type { Actor } from '@/model/people';
import type { Context } from '@/server/context';
import { planStudy, readStudy, takeStudyReading } from '@/server/studies/studies';
import type { DemoStudy } from './scenario/scenario';

interface StudySeeding {
  readonly context: Context;
  readonly people: Readonly<Record<string, Actor>>;
  readonly tick: () => void;
}

/** One gauge study, read in its blind order by the people that the scenario names. */
export function seedStudy({ context, people, tick }: StudySeeding, demo: DemoStudy): void {
  const { plannedDaysAgo: _, readings, appraisers, tolerance, ...plan } = demo;
  const { studyId } = planStudy(people.jonas!, context, {
    ...plan,
    ...(tolerance === undefined ? {} : { tolerance }),
    appraisers: appraisers.map((key) => people[key]!.id),
  });
  const { study } = readStudy(people.jonas!, context, { studyId });
  appraisers.forEach((key, index) => {
    for (const { trial, part } of studyOrder(study, index)) {
      const round = readings[key]?.[trial];
      if (!round) continue;
      const raw = round[part];
      if (raw === undefined)
        throw new Error(`${demo.title}: ${key} has no figure for part ${partLetter(part)}`);
      tick();
      takeStudyReading(people[key]!, context, { studyId, trial, part, raw, unit: study.unit });
    }
  });
}
