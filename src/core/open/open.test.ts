import { describe, expect, it } from 'vitest';
import { catalogsAsShipped } from '@/catalog/shipped';
import { shippedUnitTypes } from '@/catalog/unitTypes';
import type { OpenQuestion } from '@/model/openQuestion';
import type { RecordContent } from '@/model/recordKinds';
import type { JobSnapshot } from '@/model/snapshot';
import { partState } from '../wear/partStanding';
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
      ...['not-described', 'not-drained', 'not-opened', 'no-cause', 'unit-undecided', 'no-report'],
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
      'Teeth don’t agree with pinion teeth marked (10) and ratio on the tag (3.9)',
    );
    expect(codes(job({ identities: [{ ...entry, marked: '11/41', tagRatio: 3.73 }] }))).not.toContain(
      'identity-conflict',
    );
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
      ...{ drain: 1, baseline: baseline.length, strip: axle.steps.length },
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
