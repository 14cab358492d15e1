import { GRADES, type Grade } from '@/model/damage';
import type { Actor } from '@/model/people';
import type { Context } from '@/server/context';
import { gatherSnapshot } from '@/server/job/readSnapshot';
import { readSecondLooks, settleSecondLook, takeSecondLook } from '@/server/second-look/secondLook';
import { answerTraining, readTraining } from '@/server/second-look/training';
import { demoSecondLooks } from './scenario/scenario';

interface Looking {
  readonly context: Context;
  readonly people: Record<string, Actor>;
  readonly tick: () => void;
}

const onScale = (grade: number): Grade => GRADES.find((each) => each === grade) ?? (grade < 0 ? 0 : 5);

/** Photographed parts graded once more by a colleague, some of them otherwise; and an apprentice who learns by them. */
export function seedSecondLooks({ context, people, tick }: Looking): void {
  const { by, offs, notes, learner, learnt } = demoSecondLooks;
  const [second, apprentice] = [people[by]!, people[learner]!];
  const differing: string[] = [];
  for (const off of offs) {
    tick();
    const { next } = readSecondLooks(second, context, undefined);
    if (!next)
      throw new Error('There are too few photographed parts for the second looks of the demonstration.');
    const { jobId, positionId, version } = next;
    const first = gatherSnapshot(context.db, jobId).grades.find((each) => each.positionId === positionId)!;
    const grade = onScale(first.grade + off);
    const { lookId, agreed } = takeSecondLook(second, context, { jobId, positionId, version, grade });
    if (!agreed) differing.push(lookId);
  }
  for (const [index, note] of notes.entries()) {
    tick();
    const { open } = readSecondLooks(second, context, undefined);
    const look = open.find(({ id }) => id === differing[index])!;
    settleSecondLook(second, context, { lookId: look.id, grade: look.first.grade, note });
  }
  for (const off of learnt) {
    tick();
    const { next } = readTraining(apprentice, context, undefined);
    if (!next) return;
    const first = gatherSnapshot(context.db, next.jobId).grades.find(
      ({ positionId }) => positionId === next.positionId,
    )!;
    answerTraining(apprentice, context, { lookId: next.lookId, grade: onScale(first.grade + off) });
  }
}
