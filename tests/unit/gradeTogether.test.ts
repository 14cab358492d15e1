import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { partProposal } from '@/core/decisions/partProposal';
import { openOfJob } from '@/core/open/openOfJob';
import { askedOf } from '@/core/wear/askedOf';
import { partStates } from '@/core/wear/partStates';
import type { Grade } from '@/model/damage';
import type { Actor } from '@/model/people';
import type { RecordContent } from '@/model/recordKinds';
import { decidePart } from '@/server/decide/decide';
import { setGrade } from '@/server/grade/setGrade';
import { keepWords, readWords } from '@/server/grade-rules/ownWords';
import { keepRules, readRules, tryRules } from '@/server/grade-rules/rules';
import { gatherSnapshot } from '@/server/job/readSnapshot';
import { storePhotograph } from '@/server/photos/storePhotograph';
import { readSecondLooks, settleSecondLook, takeSecondLook } from '@/server/second-look/secondLook';
import { answerTraining, readTraining } from '@/server/second-look/training';
import { readRack } from '@/server/shop/readRack';
import { keepRecord } from '@/server/strip/keepRecord';
import { noteFinding } from '@/server/strip/noteFinding';
import {
  bookTestUnit,
  captureHead,
  openTestShop,
  phoneJpeg,
  refusalOf as refused,
  sha256Of,
  streamOf,
  type TestShop,
} from './fixtures/shop';

let shop: TestShop;
let jobId: string;
beforeEach(() => {
  shop = openTestShop();
  jobId = bookTestUnit(shop);
});
afterEach(() => shop.close());

const see = (positionId: string, mode: string, over: object = {}, actor = shop.people.inspector) =>
  noteFinding(actor, shop.context, {
    ...captureHead(jobId, actor),
    ...{ positionId, mode, place: 'drive flank', severity: 'moderate', ...over },
  });
const grade = (positionId: string, chosen: Grade, reason = '', version = 0) =>
  setGrade(shop.people.inspector, shop.context, {
    jobId,
    entry: { positionId, version, grade: chosen, reason },
  });
const keep = (content: RecordContent, actor: Actor = shop.people.inspector) =>
  keepRecord(actor, shop.context, { ...captureHead(jobId, actor), content }).id;
const snapshot = () => gatherSnapshot(shop.context.db, jobId);
const part = (id: string) => partStates(snapshot()).find(({ position }) => position.id === id)!;
const photograph = async (positionId: string) => {
  const bytes = await phoneJpeg();
  const capture = {
    ...captureHead(jobId, shop.people.inspector),
    ...{ positionId, fileName: 'p.jpg', bytes: bytes.length, digest: sha256Of(bytes) },
  };
  await storePhotograph(shop.people.inspector, shop.context, { capture, body: streamOf(bytes) });
};

describe('how far a finding goes', () => {
  it('no more teeth than the gear has', () => {
    // The ring gear of this axle has 41 teeth.
    expect(() => see('ring-gear', 'macropitting-isolated', { count: 41 })).not.toThrow();
    const { message, code } = refused(() => see('ring-gear', 'macropitting-isolated', { count: 42 }));
    expect(code).toBe('bad-input');
    expect(message).toContain('41 teeth');
  });
});

describe('several pieces in one place', () => {
  // Ten bolts hold the ring gear of this axle.
  const id = 'ring-bolts';

  it('carry how many of which grade; the worst is proposed, and what isn’t counted stays open', () => {
    keep({ what: 'pieces-graded', positionId: id, pieces: [{ grade: 4, count: 1 }] });
    expect(part(id).proposal).toMatchObject({
      grade: 4,
      reasons: [{ words: '1 of 10 done, 9 not looked at' }],
    });
    expect(part(id).openQuestions.map(({ code }) => code)).toContain('pieces-unseen');
    keep({
      what: 'pieces-graded',
      positionId: id,
      pieces: [
        { grade: 1, count: 9 },
        { grade: 4, count: 1 },
      ],
    });
    expect(part(id).proposal.reasons[0]?.words).toBe('1 of 10 done, 9 run in');
    expect(part(id).openQuestions.map(({ code }) => code)).not.toContain('pieces-unseen');
    const { message } = refused(() =>
      keep({ what: 'pieces-graded', positionId: id, pieces: [{ grade: 1, count: 11 }] }),
    );
    expect(message).toContain(': 11 graded, and there are 10.');
  });

  it('are graded by who may grade', () => {
    expect(
      refused(() =>
        keep(
          { what: 'pieces-graded', positionId: id, pieces: [{ grade: 1, count: 1 }] },
          shop.people.apprentice,
        ),
      ).code,
    ).toBe('no-right');
  });
});

describe('a part with two faces', () => {
  const washer = () => snapshot().unitType.positions.find(({ family }) => family === 'bush-washer-pin')!.id;
  const decide = (id: string) =>
    decidePart(shop.people.lead, shop.context, {
      jobId,
      entry: { positionId: id, version: 0, decision: 'turn-over', reason: 'the other face is good' },
    });

  it('is turned over only where both were graded, the other is sound and nothing forbids it', () => {
    const id = washer();
    see(id, 'step-worn', { place: 'one face' });
    grade(id, 3);
    expect(refused(() => decide(id)).message).toContain('not graded apart');
    keep({ what: 'faces-graded', positionId: id, worn: 3, other: 2 });
    expect(refused(() => decide(id)).message).toContain('its other face is worn too');
    keep({ what: 'faces-graded', positionId: id, worn: 3, other: 1, noTurning: 'loaded-both-ways' });
    expect(refused(() => decide(id)).message).toContain('it is loaded both ways');
    keep({ what: 'faces-graded', positionId: id, worn: 3, other: 1 });
    const proposal = () => partProposal(part(id), partStates(snapshot()), snapshot());
    // Its mates and what is open of it come first; nothing else keeps it from being turned.
    if (part(id).openQuestions.length === 0) expect(proposal().decision).toBe('turn-over');
    expect(() => decide(id)).not.toThrow();
  });

  it('is no gear', () => {
    expect(
      refused(() => keep({ what: 'faces-graded', positionId: 'ring-gear', worn: 3, other: 0 })).message,
    ).toContain('no two faces');
  });
});

describe('a question to a colleague', () => {
  const ask = () => keep({ what: 'asked', positionId: 'ring-gear', words: 'Line or crack?' });

  it('keeps the part open and stands on the rack until it is settled by who asked', () => {
    const askedId = ask();
    expect(openOfJob(snapshot(), partStates(snapshot())).map(({ code }) => code)).toContain(
      'colleague-asked',
    );
    const onRack = () => readRack(shop.people.parts, shop.context, {}).entries[0]?.asked;
    expect(onRack()).toBe(1);
    keep({ what: 'answered', askedId, words: 'A line.' }, shop.people.apprentice);
    expect(onRack()).toBe(1);
    expect(
      refused(() => keep({ what: 'question-settled', askedId, words: '' }, shop.people.apprentice)).message,
    ).toContain('settled by whoever asked');
    keep({ what: 'question-settled', askedId, words: 'A line it is.' });
    expect(onRack()).toBe(0);
    expect(askedOf(snapshot().records)[0]).toMatchObject({
      answers: [{ content: { words: 'A line.' } }],
      settled: { content: { words: 'A line it is.' } },
    });
  });

  it('is of this job, and is asked by nobody who only keeps the computer', () => {
    const other = bookTestUnit(shop, { peg: 502 });
    const askedId = ask();
    const inOther = (content: RecordContent) =>
      keepRecord(shop.people.inspector, shop.context, {
        ...captureHead(other, shop.people.inspector),
        content,
      });
    expect(refused(() => inOther({ what: 'answered', askedId, words: 'x' })).message).toContain(
      'No such question',
    );
    expect(
      refused(() => keep({ what: 'asked', positionId: 'ring-gear', words: 'x' }, shop.people.admin)).code,
    ).toBe('no-right');
  });
});

describe('the second look', () => {
  const looks = (actor: Actor) => readSecondLooks(actor, shop.context, undefined);
  const take = (actor: Actor, chosen: Grade, version = 1) =>
    takeSecondLook(actor, shop.context, { jobId, positionId: 'ring-gear', version, grade: chosen });
  beforeEach(async () => {
    see('ring-gear', 'macropitting-isolated', { share: 0.03, count: 2 });
    grade('ring-gear', 3);
    await photograph('ring-gear');
  });

  it('shows photographs and the part to somebody else, and no grade', () => {
    expect(looks(shop.people.inspector).next).toBeUndefined();
    const { next } = looks(shop.people.lead);
    expect(next).toMatchObject({ positionId: 'ring-gear', version: 1 });
    expect(next?.photographs).toHaveLength(1);
    expect(Object.keys(next ?? {}).sort()).toEqual([
      'family',
      'jobId',
      'part',
      'photographs',
      'positionId',
      'version',
    ]);
  });

  it('isn’t the first grader’s, and not of a grade that was changed meanwhile', () => {
    expect(refused(() => take(shop.people.inspector, 3)).message).toContain('You graded it first');
    expect(refused(() => take(shop.people.lead, 3, 7)).code).toBe('stale');
    expect(refused(() => take(shop.people.apprentice, 3)).code).toBe('no-right');
  });

  it('that agrees is learnt by; one that differs first has to be settled, with a note', () => {
    const told = take(shop.people.lead, 4);
    expect(told).toMatchObject({ agreed: false, first: { grade: 3 } });
    expect(refused(() => take(shop.people.lead, 4)).code).toBe('stale');
    const learn = () => readTraining(shop.people.apprentice, shop.context, undefined);
    expect(learn().next).toBeUndefined();
    const settle = (note: string) =>
      settleSecondLook(shop.people.lead, shop.context, { lookId: told.lookId, grade: 3, note });
    expect(refused(() => settle('')).code).toBe('bad-input');
    settle('Two teeth, and not growing.');
    expect(refused(() => settle('again')).code).toBe('stale');
    const { next } = learn();
    expect(next).toMatchObject({ part: 'Ring gear', lookId: told.lookId });
    expect(JSON.stringify(next)).not.toContain('Two teeth');
    const answer = answerTraining(shop.people.apprentice, shop.context, { lookId: told.lookId, grade: 4 });
    expect(answer).toMatchObject({ shop: { grade: 3 }, why: ['Two teeth, and not growing.'] });
    // What was said first is what counts, however often it is sent.
    answerTraining(shop.people.apprentice, shop.context, { lookId: told.lookId, grade: 3 });
    expect(learn()).toMatchObject({ left: 0, answers: [{ grade: 4, shop: 3 }], all: { pairs: 1, same: 0 } });
  });
});

describe('the rules of grading', () => {
  const rules = () => readRules(shop.people.lead, shop.context, undefined);
  const changed = () =>
    rules().document.rules.map((rule) =>
      rule.id === 'pitting-isolated' ? { ...rule, grade: 2 as const } : rule,
    );
  const put = (list: unknown, over: object = {}) =>
    keepRules(shop.people.lead, shop.context, {
      ...{ basedOnRevision: rules().document.revision, rules: list, note: 'we see it milder', ...over },
    });

  it('tell how often each held, and what a change would have changed', () => {
    see('ring-gear', 'macropitting-isolated', { share: 0.03, count: 2 });
    grade('ring-gear', 3);
    expect(rules().trial).toMatchObject({ parts: 1, fired: { 'pitting-isolated': 1, 'root-crack': 0 } });
    const trial = tryRules(shop.people.lead, shop.context, { rules: changed() });
    expect(trial.changed).toEqual([{ peg: 501, part: 'Ring gear', today: 3, onTrial: 2, graded: 3 }]);
    // Trying stores nothing.
    expect(rules().document.rules.find(({ id }) => id === 'pitting-isolated')?.grade).toBe(3);
  });

  it('are kept as the shop’s own revision; jobs under way keep theirs', () => {
    const before = snapshot().job.catalogs['grade-rules'];
    const { revision } = put(changed());
    expect(revision).toBe(1001);
    expect(rules().document).toMatchObject({ revision: 1001, basedOn: before });
    expect(snapshot().job.catalogs['grade-rules']).toBe(before);
    expect(
      gatherSnapshot(shop.context.db, bookTestUnit(shop, { peg: 503 })).job.catalogs['grade-rules'],
    ).toBe(1001);
  });

  it('are refused where they name what nobody knows, are stale, or change nothing', () => {
    const [first, ...rest] = rules().document.rules;
    const of = (when: unknown) => [{ ...first, when, families: ['gear-teeth'] }, ...rest];
    expect(refused(() => put(of({ finding: { mode: ['gremlins'] } }))).message).toContain('“gremlins”');
    expect(refused(() => put(of({ finding: { mode: ['scuffing'], place: ['moon'] } }))).message).toContain(
      '“moon”',
    );
    expect(
      refused(() => put(of({ finding: { mode: ['scuffing'], shareAbove: 0.3, shareUpTo: 0.2 } }))).message,
    ).toContain('nothing lies above');
    expect(refused(() => put([...rules().document.rules, first])).message).toContain('Two rules');
    expect(refused(() => put(changed(), { basedOnRevision: 1 })).code).toBe('stale');
    expect(refused(() => put(rules().document.rules)).message).toContain('Nothing is different');
    expect(refused(() => keepRules(shop.people.inspector, shop.context, {})).code).toBe('no-right');
  });
});

describe('the shop’s own words', () => {
  const words = () => readWords(shop.people.lead, shop.context, undefined).document;
  const put = (own: object[], basedOnRevision = words().revision) =>
    keepWords(shop.people.lead, shop.context, { basedOnRevision, own });

  it('stand beside the standard’s, and take nothing of it away', () => {
    const before = words();
    put([{ family: 'gear-teeth', mode: 'scuffing', word: 'smeared' }]);
    const gears = words().families.find(({ family }) => family === 'gear-teeth')!;
    const scuffing = gears.modes.find(({ id }) => id === 'scuffing')!;
    const was = before.families
      .find(({ family }) => family === 'gear-teeth')!
      .modes.find(({ id }) => id === 'scuffing')!;
    expect(scuffing).toEqual({ ...was, own: 'smeared' });
    put([{ family: 'gear-teeth', mode: 'scuffing', word: '' }]);
    expect(words().families).toEqual(before.families);
  });

  it('are refused for a word that isn’t there, and over somebody else’s', () => {
    const own = [{ family: 'gear-teeth', mode: 'gremlins', word: 'x' }];
    expect(refused(() => put(own)).message).toContain('no damage word “gremlins”');
    put([{ family: 'gear-teeth', mode: 'scuffing', word: 'smeared' }]);
    expect(refused(() => put([{ family: 'gear-teeth', mode: 'scuffing', word: 'torn' }], 5)).code).toBe(
      'stale',
    );
  });
});
