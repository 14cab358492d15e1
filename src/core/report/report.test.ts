import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { catalogsAsShipped } from '@/catalog/shipped';
import type { Check, Limit } from '@/model/checks';
import type { ReportDocument, ReportPart } from '@/model/report';
import { canonicalJson, sameContent } from '../canonicalJson';
import { judgeCheck } from '../metrology/judgeCheck';
import { describeFinding, toldFindings } from './describeFinding';
import { describeLimit, describeMeasurement, describeSource } from './describeMeasurement';
import { groupOpen, groupWorn } from './groupOpen';
import { reportChanges } from './reportChanges';

const limit = (over: Partial<Limit>): Limit => ({
  kind: 'service',
  unit: 'mm',
  source: { kind: 'maker', words: 'book, p. 5' },
  ...over,
});
const check = (over: Partial<Check> = {}): Check => ({
  id: 'c',
  title: 'Thickness',
  positions: ['p'],
  howTo: 'Micrometer.',
  unit: 'mm',
  statistic: 'mean',
  limits: [limit({ min: 1.4 })],
  ...over,
});
const gauge = {
  id: 'm',
  name: 'Micrometer M2',
  unit: 'mm' as const,
  resolution: 0.001,
  maxPermissibleError: 0.003,
  repeatability: 0.0015,
  calibratedUntil: '2026-12-31',
};
const taken = (raw: string, place = '', deviceTime = '2026-11-24T09:00:00.000Z') => ({
  place,
  raw,
  unit: 'mm' as const,
  value: Number(raw),
  gaugeId: 'm',
  deviceTime,
});
const tell = (of: Check, readings: ReturnType<typeof taken>[]) =>
  describeMeasurement(of, judgeCheck(of, readings, [gauge]));

describe('a limit in words', () => {
  it.each([
    [limit({ min: 1.4 }), 'at least 1.40 mm'],
    [limit({ max: 0.08 }), 'at most 0.08 mm'],
    [limit({ min: 0.15, max: 0.2 }), '0.15 to 0.20 mm'],
    [limit({ min: 14.9305 }), 'at least 14.9305 mm'],
    [limit({ max: 10, unit: 'thou' }), 'at most 10.0 thou'],
    [limit({ aim: 1 }), 'no limit known'],
    [undefined, 'no limit known'],
  ])('%j', (given, words) => {
    expect(describeLimit(given)).toBe(words);
  });

  it('never lets a rule of the trade look like a maker’s figure, and names who set the shop’s own', () => {
    expect(describeSource(limit({}))).toBe('service limit, book, p. 5');
    expect(describeSource(limit({ source: { kind: 'field', words: 'a fingernail catches' } }))).toBe(
      'service limit, rule of the trade, a fingernail catches',
    );
    expect(
      describeSource(
        limit({ kind: 'new', source: { kind: 'shop', words: 'experience' }, enteredBy: 'Jonas' }),
      ),
    ).toBe('limit for new parts, shop’s own, experience, set by Jonas');
  });
});

describe('a measurement in words', () => {
  it('gives value, doubt, limit and what it means', () => {
    expect(tell(check(), [taken('1.362'), taken('1.360')])).toMatchObject({
      verdict: 'beyond',
      limit: 'at least 1.40 mm',
      plain: 'Beyond the limit, the doubt of the gauge allowed for.',
    });
    expect(tell(check(), [taken('1.362'), taken('1.360')]).value).toMatch(/^1\.361 ± 0\.\d{3} mm$/);
  });

  it('names the place that decides', () => {
    const placed = check({ places: ['0°', '90°'] });
    expect(tell(placed, [taken('1.500', '0°'), taken('1.362', '90°')]).value).toMatch(
      /^smallest, 90°: 1\.36 ± /,
    );
  });

  it('says what is missing instead of a value', () => {
    expect(tell(check(), [])).toMatchObject({ value: '–', verdict: 'not-measured', plain: 'Not measured.' });
    expect(tell(check({ limits: [] }), [taken('1.5')])).toMatchObject({
      verdict: 'no-limit',
      plain: 'No limit known. This stays an open question.',
    });
  });

  it('owns up to a gauge that nobody vouched for any more', () => {
    expect(tell(check(), [taken('1.5', '', '2027-01-01T00:00:00.000Z')]).plain).toContain(
      'The calibration of Micrometer M2 had run out.',
    );
  });

  it('judges the difference round the circle by the fitted curve, against its own limit', () => {
    const round = check({
      title: 'Backlash',
      every: { count: 20, word: 'tooth' },
      limits: [limit({ min: 0.1, max: 0.4, variation: 0.05 })],
    });
    const eccentric = (amplitude: number) =>
      Array.from({ length: 20 }, (_, index) =>
        taken((0.25 + amplitude * Math.cos((index / 20) * 2 * Math.PI)).toFixed(4), `tooth ${index + 1}`),
      );
    // Twice the amplitude is the difference: 0.08 is beyond 0.05, 0.02 is within.
    expect(judgeCheck(round, eccentric(0.04), [gauge])).toMatchObject({
      word: 'beyond',
      decisive: { statistic: 'range' },
    });
    expect(tell(round, eccentric(0.04)).value).toMatch(/^difference round the circle: 0\.08 /);
    const calm = judgeCheck({ ...round, places: [] }, eccentric(0.01), [gauge]);
    expect(calm.variation).toMatchObject({ verdict: 'within' });
    expect(calm.variation?.value).toBeCloseTo(0.02, 3);
  });
});

describe('a limit on the difference round the circle', () => {
  const required = ['tooth 1', 'tooth 6', 'tooth 11', 'tooth 16'];
  const round = check({
    title: 'Backlash',
    places: required,
    every: { count: 20, word: 'tooth' },
    limits: [limit({ min: 0.1, max: 0.4, variation: 0.05 })],
  });
  const readAt = (places: readonly string[]) =>
    judgeCheck(
      round,
      places.map((place) => taken('0.250', place)),
      [gauge],
    ).word;

  it('is not judged by the required places alone, so the check is not within yet', () => {
    expect(readAt(required)).toBe('not-measured');
    const { limits, ...rest } = round;
    const withoutIt = { ...rest, limits: limits.map(({ variation: _, ...each }) => each) };
    expect(
      judgeCheck(
        withoutIt,
        required.map((place) => taken('0.250', place)),
        [gauge],
      ).word,
    ).toBe('within');
  });

  it('is judged once the readings reach round the part, and not from an arc of it', () => {
    const teeth = Array.from({ length: 20 }, (_, index) => `tooth ${index + 1}`);
    expect(readAt(teeth)).toBe('within');
    expect(
      judgeCheck(
        { ...round, places: ['tooth 1'] },
        teeth.slice(0, 12).map((place) => taken('0.250', place)),
        [gauge],
      ).word,
    ).toBe('not-measured');
  });
});

describe('a finding in words', () => {
  const finding = {
    mode: 'macropitting-isolated',
    place: 'drive flank',
    severity: 'moderate' as const,
    story: 'unknown' as const,
    note: '',
  };
  it('is a plain sentence with the standard term behind it, and its extent', () => {
    expect(describeFinding({ ...finding, count: 2, share: 0.035 }, 'gear-teeth', catalogsAsShipped())).toBe(
      'A few pits where small pieces broke out of the surface. (macropitting, isolated: drive flank, moderate, on 2 teeth, 3.5 % of one flank.)',
    );
  });
  it('keeps the inspector’s own words, and survives a word that the catalog lost', () => {
    expect(
      describeFinding({ ...finding, note: 'Near the heel.' }, 'gear-teeth', catalogsAsShipped()),
    ).toMatch(/ Near the heel\.$/);
    expect(describeFinding({ ...finding, mode: 'gremlins' }, 'gear-teeth', catalogsAsShipped())).toBe(
      'gremlins, drive flank',
    );
    expect(describeFinding({ ...finding, mode: 'nothing-to-see' }, 'gear-teeth', catalogsAsShipped())).toBe(
      'Looked at closely; no damage seen.',
    );
  });
});

describe('open questions on paper', () => {
  it('say once of all what nobody looked at, and keep the ones with a question of their own', () => {
    const open = [
      { positionId: 'a', name: 'A', questions: ['Not looked at'] },
      { positionId: 'b', name: 'B', questions: ['Not looked at', 'Backlash: not measured'] },
      { positionId: 'c', name: 'C', questions: ['Backlash: not measured'] },
      { positionId: 'd', name: 'D', questions: ['Not looked at', 'Thickness: too close to call'] },
    ];
    const { unseen, questioned } = groupOpen(open);
    expect([unseen, questioned].map((list) => list.map(({ name }) => name))).toEqual([
      ['A', 'B'],
      ['C', 'D'],
    ]);
  });
});

describe('what a later issue says differently', () => {
  const part = (over: Partial<ReportPart> = {}): ReportPart => ({
    positionId: 'p',
    name: 'Pinion',
    grade: 2,
    gradeWord: 'worn',
    seen: [],
    measured: [],
    photographs: [],
    decision: 'Reuse',
    ...over,
  });
  const base: ReportDocument = {
    schemaVersion: 1,
    shop: { name: 's', place: '', contact: '' },
    unit: {
      peg: 1,
      title: 't',
      machine: 'm',
      customer: 'c',
      serial: '',
      distanceKm: null,
      bookedAt: '',
      dueOn: '2026-12-01',
      unitType: '',
    },
    complaint: 'It howls.',
    symptoms: [],
    oilClaimed: '',
    damaged: [],
    worn: [part()],
    sound: [],
    open: [{ positionId: 'q', name: 'Q', questions: ['Not looked at'] }],
    cause: null,
    proposal: { decision: 'Repair as found', reason: 'r', by: 'b' },
    partDecisions: [{ decision: 'Reuse', parts: ['Pinion'] }],
    watch: '',
    cautions: [],
  };

  it('is nothing for the same content, whatever order its fields were written in', () => {
    const shuffled = JSON.parse(
      canonicalJson({ ...base, cause: { words: 'w', sureness: 's', firstFailure: '' } }),
    ) as ReportDocument;
    expect(
      reportChanges({ ...base, cause: { firstFailure: '', words: 'w', sureness: 's' } }, shuffled),
    ).toEqual([]);
    expect(sameContent({ a: 1, b: [{ c: 2, d: 3 }] }, { b: [{ d: 3, c: 2 }], a: 1 })).toBe(true);
    expect(sameContent([1, 2], [2, 1])).toBe(false);
  });

  it.each<[string, Partial<ReportDocument>, string]>([
    [
      'a grade',
      { worn: [], damaged: [part({ grade: 4, gradeWord: 'done' })] },
      'Pinion changed from grade 2, worn, to 4, done.',
    ],
    [
      'a part that is settled now',
      { sound: [part({ positionId: 'q', name: 'Q', grade: 0, gradeWord: 'as new' })] },
      'Q is now graded 0, as new.',
    ],
    ['a part that is no longer settled', { worn: [] }, 'Pinion is no longer settled.'],
    ['a second look', { worn: [part({ seen: ['A scratch.'] })] }, 'Pinion was looked at or measured again.'],
    [
      'a photograph',
      { worn: [part({ photographs: [{ id: '1', digest: '', caption: '' }] })] },
      'Pinion has one photograph, it had none.',
    ],
    ['the cause', { cause: { words: 'w', sureness: 'Likely', firstFailure: '' } }, 'The cause is now given.'],
    [
      'the proposal',
      { proposal: { decision: 'Scrap', reason: 'r', by: 'b' } },
      'What we propose: Scrap, before: Repair as found.',
    ],
    [
      'a decision',
      { partDecisions: [{ decision: 'Replace', parts: ['Pinion'] }] },
      'Pinion: replace, before: reuse.',
    ],
    ['an open question', { open: [] }, 'Open questions: 0, before: 1.'],
    ['what to watch', { watch: 'the magnet' }, 'What to watch was changed.'],
    [
      'the date',
      { unit: { ...base.unit, dueOn: '2026-12-08' } },
      'The date moved from 2026-12-01 to 2026-12-08.',
    ],
  ])('names %s', (_, over, sentence) => {
    expect(reportChanges(base, { ...base, ...over })).toContain(sentence);
  });

  // One leaf of the document after another is changed, added or taken out, wherever it stands.
  it('yields a sentence for any difference of the document, whatever it is', () => {
    const rich: ReportDocument = {
      ...base,
      unit: {
        ...base.unit,
        serial: 'S-1',
        distanceKm: 12000,
        bookedAt: '2026-11-20T09:00:00.000Z',
        unitType: 'x',
      },
      ...{ symptoms: ['Noise: growl'], oilClaimed: 'gear oil', watch: 'the magnet' },
      damaged: [
        part({
          positionId: 'd',
          name: 'Ring',
          grade: 4,
          photographs: [{ id: '1', digest: 'a', caption: 'Ring' }],
        }),
      ],
      sound: [part({ positionId: 's', name: 'Yoke', grade: 0, seen: ['Looked at.'] })],
      cause: { words: 'w', sureness: 's', firstFailure: 'Ring' },
      evidence: [{ title: 'The oil as it came out', lines: ['Black.'] }],
      issuedDespite: { reason: 'he waits', by: 'Jonas' },
      cautions: [{ title: 'Manual', words: 'It decides.' }],
    };
    const leaves = leavesOf(rich);
    expect(leaves.length).toBeGreaterThan(60);
    fc.assert(
      fc.property(fc.constantFrom(...leaves), fc.constantFrom('change', 'drop'), (path, how) => {
        const after = structuredClone(rich);
        alter(after, path, how);
        const said = reportChanges(rich, after);
        expect(said.length, `${path.join('.')} ${how}`).toBeGreaterThan(0);
        expect(said.join(' ')).not.toMatch(/undefined|null|\[object/);
      }),
      { numRuns: 400 },
    );
    expect(reportChanges(rich, structuredClone(rich))).toEqual([]);
  });
  it.each([
    [{ unit: { ...base.unit, serial: 'HX-2' } }, 'The serial number changed from not given to HX-2.'],
    [{ unit: { ...base.unit, customer: 'Mill' } }, 'The customer changed from c to Mill.'],
    [{ symptoms: ['Leaks'] }, 'Complained of now: Leaks.'],
    [{ oilClaimed: 'hypoid' }, 'The oil that was claimed changed from not given to hypoid.'],
    [
      { open: [{ positionId: 'q', name: 'Q', questions: ['Float: not measured'] }] },
      'Not settled of Q now: Float: not measured.',
    ],
  ])('says of %j what it is', (over, sentence) => {
    expect(reportChanges(base, { ...base, ...over })).toContain(sentence);
  });
});

type Path = readonly (string | number)[];

/** Where every figure, word and list of a document stands. */
function leavesOf(value: unknown, path: Path = []): Path[] {
  if (value === null || typeof value !== 'object') return [path];
  const inside = Object.entries(value).flatMap(([key, each]) =>
    leavesOf(each, [...path, Array.isArray(value) ? Number(key) : key]),
  );
  return Array.isArray(value) && path.length > 0 ? [path, ...inside] : inside;
}

function alter(document: ReportDocument, path: Path, how: 'change' | 'drop'): void {
  const last = path.at(-1)!;
  const holder = path
    .slice(0, -1)
    .reduce<unknown>((at, step) => (at as Record<string, unknown>)[step], document);
  const fields = holder as Record<string | number, unknown>;
  const value = fields[last];
  if (Array.isArray(value))
    fields[last] = how === 'drop' && value.length > 0 ? [] : [...value, value[0] ?? 'more'];
  else if (typeof value === 'number') fields[last] = value + 1;
  else fields[last] = `${String(value)} otherwise`;
}

describe('what the report says of parts', () => {
  it('tells worn parts that a limit was held against from those that only an eye has judged', () => {
    const { within, byEye } = groupWorn([
      { positionId: 'a' } as ReportPart,
      { positionId: 'b', byEye: true } as ReportPart,
    ]);
    expect([within, byEye].map((list) => list.map(({ positionId }) => positionId))).toEqual([['a'], ['b']]);
  });
});

describe('“nothing to see”', () => {
  it('is told alone, and not beside damage that was seen after all', () => {
    const [nothing, spall] = [{ mode: 'nothing-to-see' }, { mode: 'subsurface-fatigue' }];
    expect(toldFindings([nothing])).toEqual([nothing]);
    expect(toldFindings([nothing, spall, nothing])).toEqual([spall]);
    expect(toldFindings([])).toEqual([]);
  });
});
