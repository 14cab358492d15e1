import { group } from 'd3-array';
import * as v from 'valibot';
import { gradersAgreement } from '@/core/agreement/gradersAgreement';
import { describeFinding } from '@/core/report/describeFinding';
import { findActive } from '@/core/wear/active';
import { findLook, insertAnswer, listAnswers, listLooks } from '@/db/secondLooks';
import type { Grade } from '@/model/damage';
import type { Actor } from '@/model/people';
import { type SecondLook, TrainingAnswerSchema } from '@/model/secondLook';
import { type Context, instant } from '../context';
import { gatherSnapshot } from '../job/readSnapshot';
import { Refusal } from '../refusal';
import { defineUseCase } from '../useCase';
import { blindPart } from './blindPart';

/** The next settled part that this person hasn't graded, and how far his answers agree with the shop's so far. */
export const readTraining = defineUseCase('train.take', v.undefined(), (actor, context) => {
  const settled = listLooks(context.db).filter(isSettled);
  const answers = answersOf(context, actor, settled);
  const answered = new Set(answers.map(({ look }) => look.id));
  return {
    left: settled.filter(({ id }) => !answered.has(id)).length,
    next: nextOf(
      context,
      settled.filter(({ id }) => !answered.has(id)),
    ),
    all: agreementOf(answers),
    families: [...group(answers, ({ look }) => look.family)].map(([family, own]) => ({
      family,
      ...agreementOf(own),
    })),
    answers: answers.map(({ look, grade, at }) => ({ at, grade, shop: look.settled.grade, part: look.part })),
  };
});

type Settled = SecondLook & { readonly settled: NonNullable<SecondLook['settled']> };
const isSettled = (look: SecondLook): look is Settled => look.settled !== null;

function answersOf({ db }: Context, actor: Actor, settled: readonly Settled[]) {
  const looks = new Map(settled.map((look) => [look.id, look]));
  return listAnswers(db, actor.id).flatMap(({ lookId, grade, at }) => {
    const look = looks.get(lookId);
    return look ? [{ look, grade, at }] : [];
  });
}

const agreementOf = (answers: readonly { look: Settled; grade: Grade }[]) =>
  gradersAgreement(
    answers.map(({ look }) => look.settled.grade),
    answers.map(({ grade }) => grade),
  );

function nextOf(context: Context, looks: readonly Settled[]) {
  for (const { id, jobId, positionId } of looks) {
    const blind = blindPart(context, jobId, positionId);
    if (blind) return { ...blind, lookId: id };
  }
  return undefined;
}

/** Puts down what somebody who learns would say; then he is told the shop's answer, and why. */
export const answerTraining = defineUseCase('train.take', TrainingAnswerSchema, (actor, context, input) => {
  const look = findLook(context.db, input.lookId);
  if (!look || !isSettled(look)) throw new Refusal('not-found', 'This is not in the training set.');
  insertAnswer(context.db, { ...input, personId: actor.id, at: instant(context) });
  const { findings, unitType, catalogs } = gatherSnapshot(context.db, look.jobId);
  const position = unitType.positions.find(({ id }) => id === look.positionId);
  const seen = findActive(findings).filter(({ positionId }) => positionId === look.positionId);
  return {
    shop: look.settled,
    why: [look.settled.note, look.first.reason].filter((words) => words !== ''),
    seen: position ? seen.map((finding) => describeFinding(finding, position.family, catalogs)) : [],
    by: [look.first.by, look.second.by],
  };
});
