import { describe, expect, it } from 'vitest';
import { catalogsAsShipped } from '@/catalog/shipped';
import { shippedUnitTypes } from '@/catalog/unitTypes';
import type { OpenQuestion } from '@/model/openQuestion';
import type { RecordContent } from '@/model/recordKinds';
import type { JobSnapshot } from '@/model/snapshot';
import { matesOf } from '../decisions/partProposal';
import { partState } from '../wear/partStanding';
import { partStates } from '../wear/partStates';
import { beforeIssue, isSettled, tellBeforeIssue } from './beforeIssue';
import { identityQuestions } from './identityQuestions';
import { openOfJob } from './openOfJob';
import { openOfUnit } from './openOfUnit';
import { openByStation } from './stationOfOpen';
import { tellOpen } from './tellOpen';

const AT = '2026-11-24T09:00:00.000Z';
const axle = shippedUnitTypes().find(({ id }) => id === 'torvane-hx41')!;
const EMPTY = {
  ...{ readings: [], findings: [], photographs: [], records: [], grades: [], decisions: [] },
  ...{ acceptances: [], identities: [], gauges: [], conflicts: [], reports: [], cause: null },
  ...{ unitDecision: null, tooClosePolicy: 'hold', catalogs: catalogsAsShipped(), unitType: axle },
  job: { id: 'j', serial: 'S1', oilClaimed: 'gear oil' },
} as unknown as JobSnapshot;
const job = (over: object = {}): JobSnapshot => ({ ...EMPTY, ...over });
const records = (...contents: RecordContent[]) =>
  contents.map((content, index) => ({
    id: `r${index}`,
    deviceTime: AT,
    author: 'Mirel',
    struck: null,
    content,
  }));
const codes = (of: JobSnapshot) => openOfUnit(of).map(({ code }) => code);

describe('what is open of the unit as a whole', () => {
  it('is told of one that nobody described, drained or opened', () => {
    const undescribed = { ...axle, positions: [], steps: [], checks: [], meshes: [], gears: [] };
    expect(codes(job({ unitType: undescribed }))).toEqual([
      ...[
        'not-described',
        'not-drained',
        'not-opened',
        'nothing-looked-at',
        'no-cause',
        'unit-undecided',
        'no-report',
      ],
    ]);
  });

  it('ends with what is done: drained, a step, a finding', () => {
    const drained = {
      ...{ what: 'drained', litres: 1, colour: 'brown', smell: 'as oil', water: 'none' },
      ...{ magnet: ['paste'], glitter: 'none', note: '' },
    } as RecordContent;
    expect(codes(job({ records: records(drained) }))).not.toContain('not-drained');
    const step: RecordContent = { what: 'step', stepId: axle.steps[0]!.id };
    expect(codes(job({ records: records(step) }))).not.toContain('not-opened');
    expect(codes(job({ records: records({ ...step, skipped: true, reason: 'seized' }) }))).toContain(
      'not-opened',
    );
    expect(codes(job({ findings: [{ id: 'f', struck: null }] }))).not.toContain('not-opened');
  });

  it('names what the counted teeth disagree with', () => {
    // 41 to 11 is 3.727; the tag says 3.9 and the pair is marked 10/41.
    const entry = { pairId: 'any', version: 1, by: 'Mirel', at: AT, pinionTeeth: 11, ringTeeth: 41 };
    const [question] = openOfUnit(job({ identities: [{ ...entry, marked: '10/41', tagRatio: 3.9 }] }));
    expect(question).toMatchObject({ code: 'identity-conflict', since: AT, pairId: 'any' });
    expect(tellOpen(question!)).toBe(
      'What was counted disagrees with pinion teeth marked (10) and ratio on the tag (3.9)',
    );
    expect(codes(job({ identities: [{ ...entry, marked: '11/41', tagRatio: 3.73 }] }))).not.toContain(
      'identity-conflict',
    );
  });

  it('blocks both gears of a wrong pair and the unit, until a person settles that very count', () => {
    // The axle’s pair has 11 and 41 teeth; 12 and 41 were counted, and the two set numbers differ.
    const entry = { pairId: 'pin-ring', version: 2, by: 'Mirel', at: AT, pinionTeeth: 12, ringTeeth: 41 };
    const wrong = { identities: [{ ...entry, marked: '', pinionSet: 'K 417', ringSet: 'k-471' }] };
    const asked = (over: object) => identityQuestions(job({ ...wrong, ...over }));
    expect(asked({}).map(({ positionId }) => positionId)).toEqual([null, 'ring-gear', 'pinion-head']);
    expect(tellOpen(asked({})[0]!)).toContain('set number on the ring (k-471)');
    const settle = (countVersion: number) =>
      records({ what: 'identity-settled', pairId: 'pin-ring', countVersion, reason: 'the owner knows' });
    expect(asked({ records: settle(2) })).toEqual([]);
    // Of another count nothing was said yet.
    expect(asked({ records: settle(1) })).toHaveLength(3);
    const states = partStates(job(wrong));
    const ring = states.find(({ position }) => position.id === 'ring-gear')!;
    expect(ring.openQuestions.map(({ code }) => code)).toContain('identity-conflict');
    expect(matesOf(ring, states, job(wrong)).map(({ position }) => position.id)).toContain('pinion-head');
    // The same number however it is written.
    expect(
      asked({ identities: [{ ...entry, pinionTeeth: 11, pinionSet: 'K 417', ringSet: 'k-417' }] }),
    ).toEqual([]);
  });

  it('tells of a record that a later program wrote', () => {
    const [unread] = openOfUnit(
      job({ records: records({ what: 'unreadable', kind: 'oracle' } as never) }),
    ).filter(({ code }) => code === 'record-unreadable');
    expect(unread && tellOpen(unread)).toContain('oracle');
  });

  it('tells of each pair that was counted twice once', () => {
    const lost = (pairId: string) => ({
      ...{ captureId: pairId, digest: pairId, kind: 'identity', author: 'Jonas', receivedAt: AT },
      content: { pairId, beatenBy: 1 },
    });
    const twice = openOfJob(job({ conflicts: [lost('a'), lost('b')] }), []);
    expect(twice.filter(({ code }) => code === 'noted-twice')).toHaveLength(2);
  });

  it('says since when debris and samples wait', () => {
    const found = openOfUnit(
      job({
        records: records(
          { what: 'debris', piece: 'Half a needle', where: 'sump', colour: 'grey' },
          { what: 'lab-sent', sample: 'A-1' },
        ),
      }),
    ).filter(({ since }) => since === AT);
    expect(found.map(tellOpen)).toEqual([
      'Half a needle: nothing accounts for it yet',
      'Sample A-1: the laboratory’s figures are not here yet',
    ]);
  });
});

describe('what each station counts', () => {
  const open = (of: JobSnapshot) =>
    Object.fromEntries(
      openByStation(
        openOfJob(
          of,
          axle.positions.map((position) => partState(position, of, of.catalogs)),
        ),
      ),
    );

  it('is the same questions, a part once however many it has', () => {
    const baseline = axle.checks.filter((check) => check.baseline).flatMap(({ positions }) => positions);
    expect(open(job())).toEqual({
      // And the contact pattern of its gear set.
      ...{ drain: 1, baseline: baseline.length + 1, strip: axle.steps.length },
      ...{ grade: axle.positions.length, cause: 1, decide: axle.positions.length + 1, 'hand-over': 1 },
    });
  });

  it('asks at its own station who is right of two who judged, until one judges again', () => {
    const lost = (beatenBy: number) => ({
      ...{ captureId: 'c', digest: 'd', kind: 'cause', author: 'Jonas', receivedAt: AT },
      content: { words: 'A dry bearing.', beatenBy },
    });
    const cause = {
      version: 2,
      words: 'w',
      plainWords: 'p',
      sureness: 'likely',
      firstFailure: null,
      by: '',
      at: AT,
    };
    expect(open(job({ cause, conflicts: [lost(2)] })).cause).toBe(1);
    expect(open(job({ cause, conflicts: [lost(1)] })).cause).toBeUndefined();
  });

  it('does not call a graded part done while a check of it was not read', () => {
    const check = axle.checks[0]!;
    const [positionId] = check.positions;
    const graded = {
      positionId,
      version: 1,
      grade: 1,
      proposed: 1,
      reason: '',
      rulesRevision: 1,
      by: '',
      at: AT,
    };
    expect(open(job({ grades: [graded] })).grade).toBe(axle.positions.length);
  });
});

describe('the words', () => {
  it('are there for a question of every kind that a part can have', () => {
    const of = { positionId: 'p', checkId: 'c', check: 'Float' };
    const questions: OpenQuestion[] = [
      { ...of, code: 'too-close-unaccepted' },
      { positionId: 'p', code: 'pieces-missing', counted: 0, expected: 1 },
      { positionId: 'p', code: 'pieces-surplus', counted: 11, expected: 10 },
      { positionId: 'p', code: 'graded-twice', grade: 3, by: 'Jonas' },
    ];
    expect(questions.map(tellOpen)).toEqual([
      'Float: too close to call, and nobody has accepted it',
      'Missing',
      '11 counted where 10 belong: 1 too many',
      'Graded 3 by Jonas too, without knowing of the other',
    ]);
  });
});

describe('before a report goes out', () => {
  const device = { deviceId: 'd', waiting: 3, person: 'Mirel', saidAt: AT };
  const graded = (id: string, grade: number | null) =>
    ({ grade, position: { id, name: `the ${id}` } }) as unknown as Parameters<typeof beforeIssue>[1][number];
  const open = [{ positionId: 'p', name: 'P', questions: ['Not looked at', 'Float: not measured'] }];
  it('says what waits on which device, what is graded and not decided, and how much is open', () => {
    const decided = [
      { positionId: 'a', decision: 'reuse' },
      { positionId: 'b', decision: 'not-decided' },
    ];
    const parts = [graded('a', 1), graded('b', 2), graded('c', null)];
    const before = beforeIssue({ decisions: decided as never }, parts, { open }, [device]);
    expect(before).toMatchObject({ undecided: ['the b'], open: 2 });
    expect(isSettled(before)).toBe(false);
    expect(tellBeforeIssue(before)).toBe(
      '3 captures wait on a device of Mirel; 1 graded part is not decided; 2 questions are open.',
    );
  });
  it('has nothing to say where all is done', () => {
    expect(isSettled(beforeIssue({ decisions: [] }, [graded('c', null)], { open: [] }, []))).toBe(true);
  });
});
