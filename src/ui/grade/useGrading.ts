'use client';

import { useState } from 'react';
import * as v from 'valibot';
import { findMode } from '@/core/catalogs/words';
import { inWords } from '@/core/faultWords';
import { identityQuestions } from '@/core/open/identityQuestions';
import { findActive } from '@/core/wear/active';
import { tellHandResult } from '@/core/wear/handTests';
import { whyNoGrade, whyNotNothing } from '@/core/wear/inspectionSheet';
import { type PartState, partState } from '@/core/wear/partStanding';
import { type FindingContent, type Grade, type HandTest, NOTHING_TO_SEE } from '@/model/damage';
import { RecordContentSchema } from '@/model/recordKinds';
import type { HandResult } from '@/model/records/hand-test';
import { evidenceOf } from '../job/evidenceOf';
import { keptOr } from '../job/keptOr';
import type { Taken } from '../job/queue';
import type { QueuedKind } from '../job/queueStore';
import { useBench } from '../job/useBench';
import type { BenchJob } from '../job/useJob';
import { gradeWords } from '../kit/GradeMark';

/** One thing that was taken, and what to do again where this device couldn't keep it. */
interface Act {
  readonly kind: QueuedKind;
  readonly taken: Taken;
  readonly again: string;
}

/** What is said of parts, one or several in one act: each part has its own record, and all go back together. */
export function useGrading(job: BenchJob) {
  const { tellKept } = useBench();
  const [trouble, setTrouble] = useState('');

  /* Each answers at once whether it was taken: what is pressed next must not wait for the device's store. */

  /** Puts the grade down; where the rules propose another, only with a reason. */
  const grade = (parts: readonly PartState[], chosen: Grade, reason: string): boolean => {
    const now = parts.map((part) => partStateNow(job, part));
    const refused = now.map(whyNoGrade).find((words) => words !== '');
    if (refused) return say(refused);
    return keeping(
      now.map((part) => putGrade(job, part, chosen, reason)).map(({ taken, again }) => keptOr(taken, again)),
    );
  };

  /** Looked at closely and nothing seen, with the grade that the rules then propose, where no other evidence speaks. */
  const nothingToSee = (chosen: readonly PartState[]): boolean => {
    // On the last row the part stays in hand: the same key again says nothing new of it.
    const parts = chosen.filter(({ position }) => !saysNothing(job, position.id));
    if (parts.length === 0) return say(`${namesOf(chosen)}: “nothing to see” stands here already.`);
    const refused = parts
      .map((part) => ({ part, words: whyNotNothing(part, job.now()) }))
      .find(({ words }) => words !== '');
    if (refused) return say(`${refused.part.position.name}: ${refused.words}`);
    const seen = { mode: NOTHING_TO_SEE, place: 'everywhere', severity: 'light' } as const;
    const findings = seenOn(parts, seen);
    // Taken back together: a grade must not go its way without what it rests on.
    const grades = parts.flatMap((part) => {
      const now = partStateNow(job, part);
      return now.proposal.grade === null ? [] : [putGrade(job, now, now.proposal.grade, '')];
    });
    return keepTogether([...findings, ...grades], `${namesOf(parts)}: nothing to see`);
  };

  const note = (
    parts: readonly PartState[],
    finding: Pick<FindingContent, 'mode' | 'place' | 'severity'> & Partial<FindingContent>,
    words: string,
  ): boolean => keepTogether(seenOn(parts, finding), `${namesOf(parts)}: ${words}`);

  const seenOn = (
    parts: readonly PartState[],
    finding: Pick<FindingContent, 'mode' | 'place' | 'severity'> & Partial<FindingContent>,
  ): Act[] =>
    parts.map(({ position }) => ({
      kind: 'finding',
      taken: job.take('finding', { positionId: position.id, story: 'unknown', note: '', ...finding }),
      again: 'say it again',
    }));

  /** What was taken in one act goes its way, and back in one act. */
  const keepTogether = (acts: readonly Act[], words: string): boolean => {
    const [first, ...also] = acts.map(({ kind, taken: { id } }) => ({ kind, captureId: id }));
    if (!first) return false;
    tellKept({ ...first, words, also });
    return keeping(acts.map(({ taken, again }) => keptOr(taken, again)));
  };

  /** Tried by hand, by one protocol; a failure is also noted in the damage word that the protocol names. */
  const tried = (parts: readonly PartState[], test: HandTest, result: HandResult, words: string): boolean => {
    const acts = parts.flatMap(({ position }): Act[] => {
      const content = { what: 'hand-test', positionId: position.id, testId: test.id, result, note: words };
      const again = 'try it again';
      const record: Act = { kind: 'record', taken: job.take('record', { content }), again };
      const mode = test.failMode && findMode(job.now().catalogs, position.family, test.failMode);
      if (result !== 'fail' || !mode) return [record];
      const finding = job.take('finding', {
        ...{ positionId: position.id, mode: mode.id, place: mode.places[0]!, severity: 'moderate' },
        ...{ story: 'unknown', note: `${test.title}: ${test.failWord}.` },
      });
      return [record, { kind: 'finding', taken: finding, again }];
    });
    return keepTogether(acts, `${namesOf(parts)}: ${test.title}, ${tellHandResult({ test, result })}`);
  };

  /** Anything else that is put down of a part; what is wrong with it is told. */
  const record = (content: v.InferInput<typeof RecordContentSchema>, words: string): boolean => {
    const parsed = v.safeParse(RecordContentSchema, content);
    if (!parsed.success) return say(`${inWords(parsed.issues[0])}.`);
    const taken = job.take('record', { content: parsed.output });
    tellKept({ kind: 'record', captureId: taken.id, words });
    return keeping([keptOr(taken, 'put it down again')]);
  };

  /** Sends what was taken; what this device couldn't keep is told when it is known. */
  const keeping = (kept: readonly Promise<string>[]): boolean => {
    setTrouble('');
    void Promise.all(kept).then((words) => {
      const wrong = words.find((each) => each !== '');
      if (wrong) setTrouble(wrong);
    });
    void job.sendWaiting();
    return true;
  };

  const say = (words: string): boolean => {
    setTrouble(words);
    return words === '';
  };
  return { grade, nothingToSee, note, tried, record, trouble, say };
}

export const namesOf = (parts: readonly PartState[]): string =>
  parts.length > 3 ? `${parts.length} parts` : parts.map(({ position }) => position.name).join(', ');

const saysNothing = (job: BenchJob, id: string): boolean =>
  findActive(job.now().findings).some(({ positionId, mode }) => positionId === id && mode === NOTHING_TO_SEE);

/** The part as it stands at this moment, before the screen has followed. */
function partStateNow(job: BenchJob, { position }: PartState): PartState {
  const snapshot = job.now();
  const facts = { ...snapshot, identityQuestions: identityQuestions(snapshot) };
  return partState(position, facts, snapshot.catalogs);
}

function putGrade(job: BenchJob, { position, proposal }: PartState, grade: Grade, reason: string): Act {
  const before = job.now().grades.find(({ positionId }) => positionId === position.id);
  const taken = job.take('grade', {
    ...{ positionId: position.id, version: before?.version ?? 0, grade },
    reason: grade === proposal.grade ? '' : reason,
    ...{ proposed: proposal.grade, rulesRevision: proposal.rulesRevision },
    evidence: evidenceOf(job, position.id),
  });
  return { kind: 'grade', taken, again: `grade ${position.name} ${gradeWords(grade)} again` };
}
