import { ChakraProvider } from '@chakra-ui/react';
import type { ReactElement } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { catalogsAsShipped } from '@/catalog/shipped';
import { shippedUnitTypes } from '@/catalog/unitTypes';
import type { GaugeStudy } from '@/core/gauge-study/gaugeStudy';
import { trainInGear } from '@/core/gearing/trainOfType';
import { repeatsAtPlaces } from '@/core/metrology/repeats';
import { seriesOfCheck } from '@/core/metrology/seriesOfCheck';
import { tellSeries } from '@/core/metrology/tellSeries';
import { tellOpen } from '@/core/open/tellOpen';
import { describeMeasurement } from '@/core/report/describeMeasurement';
import { drawSection } from '@/core/section/drawSection';
import { powerPath } from '@/core/section/powerPath';
import { type PartState, partState } from '@/core/wear/partStanding';
import { readingIds } from '@/core/wear/tooClose';
import { CHECK_PICTURES } from '@/model/checkDefinition';
import type { Check } from '@/model/checks';
import type { Finding, Gauge, Reading } from '@/model/snapshot';
import type { TooClosePolicy } from '@/model/tooClose';
import type { ReadsIn } from '@/model/units';
import type { UnitType } from '@/model/unitType';
import { ReadsInProvider } from '@/ui/kit/figures';
import { system } from '@/ui/kit/theme';
import { CheckPicture } from '@/ui/measure/CheckPicture';
import { RepeatsView } from '@/ui/measure/RepeatsView';
import { PlanesNote, TemperatureNote } from '@/ui/measure/ShapeNotes';
import { otherWayOf, TwoWaysView } from '@/ui/measure/TwoWaysView';
import { VerdictView } from '@/ui/measure/VerdictView';
import { PowerMarks } from '@/ui/section/PowerMarks';
import { PowerPanel } from '@/ui/section/PowerPanel';
import { SharesBar } from '@/ui/studies/SharesBar';

const html = (element: ReactElement, readsIn: ReadsIn = 'metric') =>
  renderToStaticMarkup(
    <ChakraProvider value={system}>
      <ReadsInProvider readsIn={readsIn}>{element}</ReadsInProvider>
    </ChakraProvider>,
  ).replace(/<style[\s\S]*?<\/style>/g, '');
const words = (element: ReactElement, readsIn?: ReadsIn) => html(element, readsIn).replace(/<[^>]+>/g, '');
const count = (text: string, what: RegExp) => text.match(what)?.length ?? 0;

const gauge: Gauge = {
  id: 'g',
  name: 'Dial',
  kind: 'dial indicator',
  unit: 'mm',
  resolution: 0.01,
  maxPermissibleError: 0.01,
  repeatability: 0.004,
  calibratedUntil: '2030-01-01',
};
let next = 0;
const reading = (value: number, over: Partial<Reading> = {}): Reading => {
  next += 1;
  return {
    id: `r${String(next).padStart(4, '0')}`,
    positionId: 'p',
    checkId: 'c',
    place: '',
    raw: String(value),
    unit: 'mm',
    value,
    gaugeId: 'g',
    temperatureC: null,
    author: 'x',
    authorId: 'x',
    deviceTime: '2026-11-24T09:00:00.000Z',
    receivedAt: '',
    struck: null,
    ...over,
  };
};
const check = (over: Partial<Check> = {}): Check => ({
  id: 'c',
  title: 'Float',
  positions: ['p'],
  howTo: 'Push and pull.',
  unit: 'mm',
  statistic: 'mean',
  limits: [{ kind: 'service', max: 0.1, unit: 'mm', source: { kind: 'maker', words: 'p. 1' } }],
  ...over,
});
/** Somebody looked at it and saw nothing. */
const looked: Finding = {
  ...{ id: 'f', positionId: 'p', mode: 'nothing-to-see', place: 'everywhere', severity: 'light' },
  ...{ story: 'unknown', note: '', author: '', authorId: '', deviceTime: '', receivedAt: '', struck: null },
};

const stateOf = (
  checks: Check[],
  readings: Reading[],
  policy: TooClosePolicy = 'hold',
  accepted: Reading[] = [],
): PartState =>
  partState(
    { id: 'p', name: 'Shaft', family: 'shaft-spline' },
    {
      unitType: { checks },
      readings,
      findings: [looked],
      gauges: [gauge],
      tooClosePolicy: policy,
      acceptances:
        accepted.length === 0
          ? []
          : [
              {
                positionId: 'p',
                checkId: 'c',
                readings: readingIds(accepted),
                reason: 'it may',
                by: 'Jonas',
                at: '',
              },
            ],
      grades: [
        { positionId: 'p', version: 1, grade: 1, proposed: 4, reason: '', rulesRevision: 1, by: 'x', at: '' },
      ],
    },
    catalogsAsShipped(),
  );

describe('the small drawings of checks', () => {
  it.each(CHECK_PICTURES)('show %s with a name for those who do not see it', (picture) => {
    const drawn = html(<CheckPicture picture={picture} title="How to" />);
    expect(drawn).toContain('aria-label="How to"');
    expect(count(drawn, /<(rect|path|circle|line)/g)).toBeGreaterThan(4);
    expect(drawn).not.toContain('NaN');
  });
});

describe('repeats on the screen', () => {
  const view = (values: number[]) =>
    html(
      <RepeatsView
        repeats={
          repeatsAtPlaces(
            values.map((value, index) => ({ id: `r${index}`, place: '', value })),
            0.01,
          )[0]!
        }
        unit="mm"
        decimals={2}
      />,
    );
  it('are dots, and an open diamond for the one that stands apart', () => {
    const drawn = view([0.2, 0.21, 0.2, 0.2, 0.21, 0.2, 0.35, 0.2]);
    expect(count(drawn, /<circle/g)).toBe(7);
    expect(count(drawn, /data-apart/g)).toBe(1);
    expect(drawn).toContain('0.35 stands apart from the others.');
  });
  it('say that three are too few to tell', () => {
    expect(view([0.2, 0.2, 0.9])).toContain('what stands apart is told from five on');
  });
});

describe('a verdict in the units a person reads in', () => {
  const [judged] = stateOf([check()], [reading(0.05), reading(0.05), reading(0.06)]).judgements;
  it('converts figure, doubt and limit, and keeps the verdict', () => {
    const metric = html(<VerdictView judged={judged!} gauges={[gauge]} />);
    const inch = html(<VerdictView judged={judged!} gauges={[gauge]} />, 'inch');
    // By hand: 0.05333 mm is 0.0021 in; 0.10 mm is 0.0039 in.
    expect(metric).toContain('0.05 ± ');
    expect(inch).toContain('0.0021 ± ');
    expect(inch).toContain('limit at most 0.0039 in');
    for (const drawn of [metric, inch]) expect(drawn).toContain('data-verdict="within"');
  });
  it('never claims to be wholly sure', () => {
    const [sure] = stateOf(
      [check()],
      Array.from({ length: 9 }, () => reading(0.01)),
    ).judgements;
    expect(words(<VerdictView judged={sure!} gauges={[gauge]} />)).toContain(
      'More than 99 in 100 that it is within.',
    );
  });
});

describe('two ways of measuring, side by side', () => {
  const checks = [check({ sameAs: 'd' }), check({ id: 'd', title: 'Float by feeler' })];
  const both = (other: number) =>
    stateOf(checks, [
      ...[0.05, 0.05, 0.06].map((value) => reading(value)),
      ...[other, other, other].map((value) => reading(value, { checkId: 'd' })),
    ]);
  const view = (part: PartState) =>
    words(<TwoWaysView first={part.judgements[0]!} second={part.judgements[1]!} gauges={[gauge]} />);
  it('find each other whichever names the other', () => {
    const { judgements } = both(0.05);
    expect(otherWayOf(judgements[0]!, judgements)).toBe(judgements[1]);
    expect(otherWayOf(judgements[1]!, judgements)).toBe(judgements[0]);
  });
  it('agree, can’t both be right, or wait for the second', () => {
    expect(view(both(0.05))).toContain('The two agree');
    expect(view(both(0.25))).toContain('cannot both be right');
    expect(view(stateOf(checks, [reading(0.05)]))).toContain('read both, and the difference is judged here');
  });
});

describe('notes beside a diameter', () => {
  const planes = ['plane A, along', 'plane A, across', 'plane B, along', 'plane B, across'].map(
    (place, index) => reading([17.96, 17.97, 17.95, 17.96][index]!, { place, temperatureC: 30 }),
  );
  it('tell taper and out-of-round once all four are read', () => {
    expect(words(<PlanesNote readings={planes} unit="mm" decimals={3} />)).toBe(
      'Taper 0.010 mm, larger at plane A; out of round 0.010 mm.',
    );
    expect(words(<PlanesNote readings={planes.slice(1)} unit="mm" decimals={3} />)).toBe('');
  });
  it('tell what a warm part would measure at 20 °C, and nothing of one that is near it', () => {
    // By hand: 17.96 / (1 + 11.5e-6 · 10) = 17.958.
    expect(words(<TemperatureNote readings={planes} unit="mm" decimals={3} />)).toContain('17.958 mm');
    const cool = planes.map((each) => ({ ...each, temperatureC: 21 }));
    expect(words(<TemperatureNote readings={cool} unit="mm" decimals={3} />)).toBe('');
  });
});

describe('a part that was warm when it was read', () => {
  const warm = (temperatureC: number | null) =>
    stateOf(
      [check({ temperature: true })],
      [0.05, 0.05, 0.06].map((value) => reading(value, { temperatureC })),
    );
  it('is not called sound, however its figure lies; at room temperature it is', () => {
    expect(warm(29).judgements[0]?.judgement.word).toBe('within');
    expect(warm(29)).toMatchObject({ standing: 'open', openQuestions: [{ code: 'off-temperature' }] });
    expect(warm(29).openQuestions.map(tellOpen)).toEqual(['Float: not read at 20 °C']);
    expect(warm(21)).toMatchObject({ standing: 'sound', openQuestions: [] });
    expect(warm(null).standing).toBe('sound');
  });
});

describe('a reading too close to call, by the rule of the shop', () => {
  const close = [reading(0.1), reading(0.1), reading(0.11)];
  it.each([
    ['hold', [], ['Float: too close to call']],
    ['accept', [], ['Float: too close to call, and nobody has accepted it']],
    ['accept', close, []],
    ['accept', close.slice(1), ['Float: too close to call, and nobody has accepted it']],
    ['hold', close, ['Float: too close to call']],
  ] as const)('%s, accepted for %#', (policy, accepted, open) => {
    const part = stateOf([check()], close, policy, [...accepted]);
    expect(part.judgements[0]?.judgement.word).toBe('too-close');
    expect(part.openQuestions.map(tellOpen)).toEqual([...open]);
    expect(part.standing).toBe(open.length > 0 ? 'open' : 'sound');
  });
  it('treated as beyond, keeps a graded part from passing for sound', () => {
    const part = stateOf([check()], close, 'beyond');
    expect(part.judgements[0]?.judgement.word).toBe('too-close');
    expect(part.standing).toBe('attention');
  });
  it('is named in the report with who accepted it, and the maker’s figure stays beside the shop’s', () => {
    const override = check({
      limits: [
        {
          kind: 'service',
          max: 0.1,
          unit: 'mm',
          source: { kind: 'shop', words: 'lead' },
          reason: 'it rattles',
        },
        { kind: 'service', max: 0.15, unit: 'mm', source: { kind: 'maker', words: 'p. 1' } },
      ],
    });
    const [judged] = stateOf([override], close, 'accept', close).judgements;
    const measured = describeMeasurement(judged!.check, judged!.judgement, judged!.accepted);
    expect(measured.plain).toContain('Accepted as printed by Jonas: it may.');
    expect(measured.source).toBe(
      'service limit, shop’s own, lead: it rattles; beside it at most 0.15 mm, service limit, p. 1',
    );
  });
});

describe('what a series tells of its mate and of its gauge', () => {
  const every = { count: 41, word: 'tooth', mateTeeth: 11 };
  const taken = (mate: number) =>
    Array.from({ length: 41 }, (_, index) => ({
      place: `tooth ${index + 1}`,
      value: 0.2 + mate * Math.cos((index / 41) * 2 * Math.PI * (41 / 11)),
    }));
  const told = (mate: number, over: Partial<Check> = {}) => {
    const series = seriesOfCheck(check({ every, ...over }), taken(mate), 0.001)!;
    return tellSeries(series, 41, (value) => value.toFixed(3), check({ every, ...over })).map(
      ({ title }) => title,
    );
  };
  it('the mate’s share, where it is one', () => {
    expect(told(0.02)).toContain('The mate’s own share');
    expect(told(0)).not.toContain('The mate’s own share');
  });
  it('that three lobes are invisible across two points', () => {
    expect(told(0, { twoPoint: true })).toContain('Across two points');
  });
});

describe('a gauge study as shares of the whole variance', () => {
  const study = { repeatability: 3, reproducibility: 4, partVariation: 12 } as GaugeStudy;
  it('adds up variances, not deviations', () => {
    // By hand: 9 + 16 + 144 = 169.
    expect(words(<SharesBar result={study} />)).toContain('gauge 5 %, people 9 %, parts 85 %.');
  });
  it('draws nothing where nothing varied', () => {
    expect(
      words(<SharesBar result={{ ...study, repeatability: 0, reproducibility: 0, partVariation: 0 }} />),
    ).toBe('');
  });
});

describe('power on the drawing', () => {
  const box = shippedUnitTypes().find(({ id }) => id === 'skell-five')!;
  const section = drawSection(box, { width: 1240, height: 640, states: new Map(), labels: false });
  const panel = (type: UnitType, gear: string) =>
    words(
      <PowerPanel unitType={type} gear={gear} inGear={trainInGear(type, gear)} onOpen={() => undefined} />,
    );
  it('lights what carries load and marks each loaded mesh', () => {
    const path = powerPath(box, section, trainInGear(box, '2'))!;
    const drawn = html(
      <svg>
        <PowerMarks section={section} path={path} isBad={() => false} prefix="t" />
      </svg>,
    );
    expect(count(drawn, /data-mesh="loaded"/g)).toBe(2);
    expect(drawn).toContain('data-lit="gear-2"');
    expect(drawn).not.toContain('data-lit="gear-3"');
    expect(drawn).not.toMatch(/NaN|width="-/);
  });
  it('says ratio and direction, no drive, locked by what, and what is not described', () => {
    expect(panel(box, '2')).toContain('2, drive: ratio 2.418');
    expect(panel(box, 'R')).toContain('ratio 4.100, the output turns backwards');
    expect(panel(box, 'N')).toContain('no drive. Nothing holds Main shaft');
    const both = { ...box, states: [{ gear: 'both', engaged: ['c-2', 'c-3'] }] };
    expect(panel(both, 'both')).toContain(
      'both: locked. It would turn if one of these let go: Main shaft to 2nd gear',
    );
    expect(panel({ ...box, meshes: [] }, '2')).toContain('No mesh is described yet.');
  });
});
