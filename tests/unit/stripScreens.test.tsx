import { ChakraProvider } from '@chakra-ui/react';
import type { ReactElement } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import * as v from 'valibot';
import { describe, expect, it } from 'vitest';
import { catalogsAsShipped } from '@/catalog/shipped';
import { shippedUnitTypes } from '@/catalog/unitTypes';
import { ofPattern } from '@/core/causes/evidence/ofPattern';
import { trainInGear } from '@/core/gearing/trainOfType';
import { tellOpen } from '@/core/open/tellOpen';
import { patternChecks } from '@/core/rebuild/patternAsFound';
import { stripPlan } from '@/core/strip/stripPlan';
import { tellDrained } from '@/core/strip/tellDrained';
import { partState } from '@/core/wear/partStanding';
import { EARLIER_REPAIR } from '@/model/damage';
import type { Actor } from '@/model/people';
import { type RecordContent, RecordContentSchema } from '@/model/recordKinds';
import type { Right } from '@/model/rights';
import type { BenchRecord, JobSnapshot } from '@/model/snapshot';
import type { UnitType } from '@/model/unitType';
import { BaselineStation } from '@/ui/baseline/BaselineStation';
import { CauseStation } from '@/ui/cause/CauseStation';
import { DebrisBalance } from '@/ui/drain/DebrisBalance';
import { DrainStation } from '@/ui/drain/DrainStation';
import { EarlierTraces } from '@/ui/drain/EarlierTraces';
import { LabSamples } from '@/ui/drain/LabSamples';
import { AtBenchProvider } from '@/ui/job/useBench';
import type { BenchPlace } from '@/ui/job/useBenchPlace';
import type { BenchJob } from '@/ui/job/useJob';
import { system } from '@/ui/kit/theme';
import { EndViews } from '@/ui/section/EndViews';
import { GearChoice } from '@/ui/section/GearChoice';
import { Pushes } from '@/ui/section/Pushes';
import { ZoomKeys } from '@/ui/section/ZoomKeys';
import { BetterOrder } from '@/ui/strip/BetterOrder';
import { Inventory } from '@/ui/strip/Inventory';
import { StepForm } from '@/ui/strip/StepForm';
import { StepLog } from '@/ui/strip/StepLog';
import { StripStation } from '@/ui/strip/StripStation';
import { FaultList } from '@/ui/unit-types/FaultList';

const words = (element: ReactElement, rights: readonly Right[] = TAKES) =>
  renderToStaticMarkup(
    <ChakraProvider value={system}>
      <AtBenchProvider value={{ actor, rights, place, tellKept: nothing }}>{element}</AtBenchProvider>
    </ChakraProvider>,
  )
    .replace(/<style[\s\S]*?<\/style>/g, '')
    .replace(/<[^>]+>/g, ' ')
    .replace(/\s+/g, ' ');
const typeOf = (id: string) => shippedUnitTypes().find((type) => type.id === id)!;
const actor: Actor = { id: 'm', name: 'Mirel', role: 'inspector' };
const nothing = () => undefined;
const place = { station: 'strip', show: 'list', goTo: nothing } as unknown as BenchPlace;
const TAKES: readonly Right[] = ['capture.take', 'capture.strike'];

let number = 0;
const record = (content: RecordContent): BenchRecord => {
  number += 1;
  return {
    ...{ id: `r${number}`, author: 'Mirel', authorId: 'm', deviceTime: '2026-11-24T09:00:00.000Z' },
    ...{ receivedAt: '', struck: null, content },
  };
};

/** A job as the bench holds it, with nothing in it but a type and records. */
function jobOf(unitType: UnitType, ...contents: RecordContent[]): BenchJob {
  const snapshot = {
    job: { id: 'j', peg: 512, version: 1, symptoms: [], arrived: [] },
    unitType,
    catalogs: catalogsAsShipped(),
    ...{ tooClosePolicy: 'hold', acceptances: [], gauges: [], readings: [], findings: [], grades: [] },
    ...{
      photographs: [],
      recordings: [],
      decisions: [],
      identities: [],
      conflicts: [],
      reports: [],
      cause: null,
    },
    records: contents.map(record),
  } as unknown as JobSnapshot;
  return {
    snapshot,
    photographs: [],
    parts: unitType.positions.map((position) => partState(position, snapshot, snapshot.catalogs)),
    waiting: new Set(),
    devices: [],
    now: () => snapshot,
    refresh: async () => undefined,
    sendWaiting: async () => undefined,
    take: () => ({ id: 'taken', kept: Promise.resolve() }),
    takeBack: async () => undefined,
    strike: async () => undefined,
  };
}
const axle = typeOf('torvane-hx41');
const box = typeOf('skell-five');

const oil: RecordContent = {
  what: 'drained',
  litres: 1.6,
  colour: 'brown',
  smell: 'burnt',
  water: 'drops',
  magnet: ['paste', 'flakes'],
  glitter: 'yellow',
  note: 'level hole dry',
};

describe('drain', () => {
  it('sets what came out against what belongs in: below four fifths is too little', () => {
    expect(tellDrained(oil, 2.1)).toBe(
      '1.60 of 2.1 litres, too little; brown, smells burnt; water: drops; magnet: paste, flakes; glitters yellow; level hole dry',
    );
    // By hand: 0.8 · 2.0 = 1.6.
    expect(tellDrained({ ...oil, note: '' } as never, 2)).not.toContain('too little');
    expect(tellDrained(oil, undefined)).toMatch(/^1\.60 litres;/);
  });

  it('asks for the oil until it is put down, and only whom it may ask', () => {
    expect(words(<DrainStation job={jobOf(axle)} />)).toContain('Set it down');
    expect(words(<DrainStation job={jobOf(axle)} />, [])).not.toContain('Set it down');
    const done = words(<DrainStation job={jobOf(axle, oil)} />);
    expect(done).toContain('Put it down again');
    expect(done).not.toContain('Set it down');
  });

  it('calls nothing short of a unit that didn’t come closed and level', () => {
    const came = (cameAs: 'open' | 'closed and level') =>
      words(<DrainStation job={jobOf(axle, { ...oil, litres: 1, cameAs } as RecordContent)} />);
    // 2.1 litres belong in it.
    expect(came('closed and level')).toContain('1.1 litres short');
    expect(came('open')).toContain('short can’t be told');
    expect(came('open')).not.toContain('litres short');
  });

  it('keeps the debris balance open until something accounts for each piece', () => {
    const piece: RecordContent = {
      what: 'debris',
      piece: 'Half a needle',
      where: 'sump',
      colour: 'grey',
      lengthMm: 9,
    };
    const job = jobOf(box, piece);
    const open = words(<DebrisBalance job={job} />);
    expect(open).toContain('0 of 1 piece placed and proved');
    expect(open).toContain('9 mm, grey, sump. Nothing accounts for it yet');
    const debrisId = job.snapshot.records[0]!.id;
    const linked = (sure: 'proved' | 'likely' | undefined) => {
      const link = { what: 'match', debrisId, positionId: 'needles-3', note: '' } as const;
      const records = [...job.snapshot.records, record(sure ? { ...link, sure } : link)];
      return words(<DebrisBalance job={{ ...job, snapshot: { ...job.snapshot, records } }} />);
    };
    expect(linked('proved')).toMatch(/Debris balance closed/);
    expect(linked('proved')).toContain('From 3rd needles');
    // Said before anybody asked how sure it is: it was taken for proved.
    expect(linked(undefined)).toMatch(/Debris balance closed/);
    expect(linked('likely')).toContain('0 of 1 piece placed and proved');
    expect(linked('likely')).toContain('Likely from 3rd needles');
  });

  it('has loose ends on both sides, and says why they don’t close each other', () => {
    const piece: RecordContent = {
      what: 'debris',
      piece: 'Corner of a tooth',
      where: 'sump',
      colour: 'grey',
    };
    const missing: RecordContent = { what: 'count', positionId: 'pilot-rollers', counted: 13, note: '' };
    const told = words(<DebrisBalance job={jobOf(box, piece, missing)} />);
    expect(told).toContain('1 place lacks its piece');
    expect(told).toContain('1 of 14 not found: its piece is not here');
    const yellow = { ...piece, colour: 'yellow', piece: 'Dust' } as RecordContent;
    expect(words(<DebrisBalance job={jobOf(box, yellow, missing)} />)).toContain(
      'it may be of Pilot rollers',
    );
  });

  it('judges a laboratory’s figures and says what the ppm miss', () => {
    const sample: RecordContent = {
      what: 'lab',
      sample: 'from the sump',
      values: [{ element: 'copper', value: 200 }],
      note: '',
      ...{ oil: 'gear-oil', oilAgeKm: 50_000 },
    };
    const told = words(<LabSamples job={jobOf(box, sample)} />);
    expect(told).toContain('Copper 200 far too much, usually from bronze bushes, washers, brass rings');
    const { oil: _, ...unsaid } = sample as Extract<RecordContent, { what: 'lab' }>;
    const trend = words(<LabSamples job={jobOf(box, unsaid)} />);
    expect(trend).toContain('the trend alone is told');
    expect(trend).not.toContain('far too much');
    expect(told).toContain('miss particles above 5 to 8 µm');
  });
});

describe('baseline', () => {
  it('lists what must come first with its answers, and warns before it is given up', () => {
    const open = words(<BaselineStation job={jobOf(axle)} />);
    expect(open).toContain('Backlash');
    // Three checks, and the contact pattern of its gear set.
    expect(open).toContain('On to the strip without these 4');
    const one: RecordContent = {
      what: 'not-measured',
      checkId: 'pinion-torque',
      positionId: 'pinion',
      reason: 'seized',
    };
    const told = words(<BaselineStation job={jobOf(axle, one)} />);
    expect(told).toContain('can’t be done: seized');
    expect(told).toContain('without these 3');
    const gone: RecordContent = { what: 'moved-on', open: 3, reason: 'no dial' };
    const after = words(<BaselineStation job={jobOf(axle, gone)} />);
    expect(after).toContain('Not all of it was read before something moved');
    expect(after).not.toContain('Everything here is read');
    expect(words(<BaselineStation job={jobOf(axle, gone)} />)).toContain(
      'Mirel went on with 3 open: no dial. The report says so.',
    );
  });

  it('says so where nothing is marked, and offers nothing to who may take nothing', () => {
    expect(words(<BaselineStation job={jobOf({ ...axle, checks: [], gears: [], meshes: [] })} />)).toContain(
      'No check of this unit',
    );
    const seen = words(<BaselineStation job={jobOf(axle)} />, []);
    expect(seen).not.toContain('Can’t be done');
    expect(seen).not.toContain('On to the strip');
  });
});

describe('the contact pattern as it was found', () => {
  const pair = patternChecks(jobOf(axle).snapshot)[0]!.pair;
  const seen = (over: object): RecordContent =>
    ({ what: 'pattern-seen', pair, bearingsLoose: false, note: '', ...over }) as RecordContent;
  const drive = { length: 0.8, height: 0.5, width: 'a spot' } as const;
  const told = (...contents: RecordContent[]) => words(<BaselineStation job={jobOf(axle, ...contents)} />);
  const evidence = (content: RecordContent) =>
    ofPattern(jobOf(axle, content).snapshot).map(({ node, state, ratio }) => [node, state, ratio]);

  it('is told in words, and of loose bearings that it tells how the set ran', () => {
    expect(told(seen({ drive }))).toContain('drive toward the heel, half way up, a spot');
    expect(told(seen({ drive, bearingsLoose: true }))).toContain('it tells how it ran, not how it was set');
    expect(told(seen({ cannot: 'no compound' }))).toContain('can’t be had: no compound');
  });
  it('is open until it was looked at, and missed once something came off', () => {
    const state = (...contents: RecordContent[]) =>
      patternChecks(jobOf(axle, ...contents).snapshot)[0]!.state;
    expect(state()).toBe('open');
    expect(state({ what: 'step', stepId: 'drain' })).toBe('open');
    expect(state({ what: 'step', stepId: 'cover-off' })).toBe('missed');
    expect(state(seen({ drive }), { what: 'step', stepId: 'cover-off' })).toBe('read');
  });
  it('speaks of the cause: at the heel, at the middle, and softer where the bearings were loose', () => {
    expect(evidence(seen({ drive }))).toEqual([
      ['pattern-end', 'seen', undefined],
      ['pattern-toe', 'absent', undefined],
      ['pattern-heel', 'seen', undefined],
    ]);
    expect(
      evidence(seen({ drive: { ...drive, length: 0.5 } })).every(([, state]) => state === 'absent'),
    ).toBe(true);
    expect(evidence(seen({ drive, bearingsLoose: true }))).toEqual([['pattern-heel', 'seen', 2]]);
    expect(evidence(seen({ cannot: 'seized' }))).toEqual([]);
  });
  it('needs something said of it', () => {
    expect(v.safeParse(RecordContentSchema, seen({})).success).toBe(false);
    expect(v.safeParse(RecordContentSchema, seen({ drive })).success).toBe(true);
  });
});

describe('causes', () => {
  it('say that they are being worked out as long as no answer is there, once somebody has guessed', () => {
    // Nothing that takes time has begun here: so it stands until the worker's first answer.
    const told = (...contents: RecordContent[]) => words(<CauseStation job={jobOf(axle, ...contents)} />);
    expect(told()).not.toContain('being worked out');
    expect(told({ what: 'cause-guess', roots: [], words: '' })).toContain('The ranking is being worked out');
  });
});

describe('strip', () => {
  it('shows the next step large, with tool, torque, one-use pieces and its cautions', () => {
    const told = words(<StripStation job={jobOf(axle, { what: 'step', stepId: 'drain' })} />);
    expect(told).toContain('Steps: 1 of 10');
    expect(told).toContain('Take the cover off');
    expect(told).toContain('With: 13 mm socket. 12 fasteners, set to 24 to 30 N m');
    expect(told).toContain('Not to be used again: Cover gasket');
    expect(told).toContain('1. Drain, catch the oil, look at the magnet (done)');
  });

  it('tells in its list what a done step asked for and nobody put down, until it is put down', () => {
    const told = (...contents: RecordContent[]) => words(<StripStation job={jobOf(axle, ...contents)} />);
    const carrier = axle.steps.find(({ record }) => record.includes('match marks'))!;
    const done = { what: 'step', stepId: carrier.id } as const;
    expect(told()).not.toContain('Not put down');
    expect(told(done)).toMatch(/\(done\) Not put down: [^.]*match marks/);
    expect(told({ ...done, marks: 'two dots on the left cap' })).not.toMatch(
      /Not put down: [^.]*match marks/,
    );
  });

  it('asks a grave caution once for the whole job', () => {
    const form = (...contents: RecordContent[]) => {
      const job = jobOf(axle, ...contents);
      const planned = stripPlan(axle, job.snapshot.records).steps.find(
        ({ step }) => step.id === 'spiders-out',
      )!;
      return words(<StepForm job={job} planned={planned} onKept={nothing} />);
    };
    const chocked: RecordContent = { what: 'caution-seen', cautionId: 'chock' };
    expect(form()).toContain('Chock the vehicle');
    expect(form(chocked)).not.toContain('Chock the vehicle');
    expect(form(chocked)).toContain('Read and understood');
    const seen = form(chocked, { what: 'caution-seen', cautionId: 'fingers-in-mesh' });
    expect(seen).toContain('Fingers and meshing gears');
    expect(seen).not.toContain('Read and understood');
  });

  it('draws which way round a piece lay, and says it in words', () => {
    const type = shippedUnitTypes().find(({ steps }) =>
      steps.some(({ record: asked }) => asked.includes('which way round')),
    )!;
    const step = type.steps.find(({ record: asked }) => asked.includes('which way round'))!;
    const put: RecordContent = {
      what: 'step',
      stepId: step.id,
      orientation: { face: 'oil groove', toward: 'rear' },
    };
    const job = jobOf(type, put);
    const planned = stripPlan(type, job.snapshot.records).steps.find((each) => each.step.id === step.id)!;
    const told = words(<StepForm job={job} planned={planned} onKept={nothing} />);
    expect(told).toContain('Which way round: this face of it');
    expect(told).toContain('oil groove toward the rear');
    expect(words(<StepLog job={job} records={[planned.record!]} heading="Log" />)).toContain(
      `${step.title}: oil groove toward the rear`,
    );
  });

  it('lets a trace of an earlier repair be a finding that proposes no grade', () => {
    const trace = {
      positionId: 'cover',
      mode: EARLIER_REPAIR,
      place: 'everywhere',
      severity: 'light',
    } as const;
    const job = jobOf(axle);
    const finding = { ...record({ what: 'order', why: 'w' }), ...trace, story: 'from-earlier' as const };
    const snapshot = { ...job.snapshot, findings: [{ ...finding, note: 'sealant where none belongs' }] };
    const cover = axle.positions.find(({ id }) => id === 'cover')!;
    const told = words(<EarlierTraces job={{ ...job, snapshot }} positions={[cover]} />);
    expect(told).toContain('sealant where none belongs, from an earlier repair');
    const state = partState(cover, snapshot, snapshot.catalogs);
    expect(state.proposal.grade).toBeNull();
    expect(state.openQuestions.map(tellOpen)).toContain('Not looked at');
  });

  it('says where there is no plan, and adds nothing for who may take nothing', () => {
    expect(words(<StripStation job={jobOf({ ...axle, steps: [] })} />)).toContain(
      'Nobody has written down in which order',
    );
    const seen = words(<StripStation job={jobOf(axle)} />, []);
    expect(seen).not.toContain('Leave it out');
    expect(seen).toContain('10. Press the pinion out');
  });

  it('counts kinds of pieces, and what is not as it should be', () => {
    const told = words(
      <Inventory
        job={jobOf(
          box,
          { what: 'count', positionId: 'pilot-rollers', counted: 13, note: '' },
          { what: 'count', positionId: 'keys-34', counted: 3, note: '' },
        )}
      />,
    );
    expect(told).toContain('2 of 69 kinds counted, 1 not as they should be');
    expect(told).toContain('13 of 14 counted: 1 missing');
    expect(told).toContain('Labels for the bags (PDF)');
  });

  it('offers an order that differs: to propose by who did it, to keep by the lead', () => {
    const records: RecordContent[] = [
      { what: 'step', stepId: 'shafts' },
      { what: 'step', stepId: 'drain' },
    ];
    const other = (rights: readonly Right[], ...more: RecordContent[]) => {
      const job = jobOf(axle, ...records, ...more);
      return words(<BetterOrder job={job} plan={stripPlan(axle, job.snapshot.records)} />, rights);
    };
    expect(other(TAKES)).toContain('Propose it for the type');
    const lead = other([...TAKES, 'unit-type.keep'], { what: 'order', why: 'easier so' });
    expect(lead).toContain('Proposed by Mirel: easier so');
    expect(lead).toContain('Keep this order for the type');
    const job = jobOf(axle, { what: 'step', stepId: 'drain' });
    expect(words(<BetterOrder job={job} plan={stripPlan(axle, job.snapshot.records)} />).trim()).toBe('');
  });
});

describe('beside the section', () => {
  const inGear = (type: UnitType, gear: string, coast = false) => {
    const found = trainInGear(type, gear, { coast });
    if (!found.described) throw new Error(found.missing);
    return found;
  };
  it('says which flanks carry and which bearing is pushed, on drive and on coast', () => {
    const pushes = (coast: boolean) =>
      words(<Pushes unitType={axle} inGear={inGear(axle, 'Drive', coast)} onOpen={nothing} />);
    expect(pushes(false)).toContain('Under load on drive');
    expect(pushes(false)).toMatch(/Ring gear convex; Pinion teeth concave/);
    expect(pushes(false)).toMatch(/Pinion below [\d.]+ Head bearing/);
    expect(pushes(true)).toMatch(/Ring gear concave; Pinion teeth convex/);
    expect(pushes(true)).toMatch(/Pinion above [\d.]+ Tail bearing/);
  });
  it('offers the end view only where planets go round', () => {
    const winch = typeOf('ostrevik-w3');
    expect(words(<EndViews unitType={winch} inGear={inGear(winch, '1')} />)).toContain(
      'End view of the planets',
    );
    expect(words(<EndViews unitType={box} inGear={inGear(box, '1')} />).trim()).toBe('');
  });
  it('asks for drive or coast once a gear is chosen, and can’t come farther than the whole', () => {
    const choice = (gear: string | undefined) =>
      words(<GearChoice unitType={box} gear={gear} coast={false} onChoose={nothing} onCoast={nothing} />);
    expect(choice(undefined)).not.toContain('Coast');
    expect(choice('3')).toContain('Coast');
    const keys = (k: number) =>
      words(<ZoomKeys view={{ k, x: 0, y: 0 }} onNearer={nothing} onWhole={nothing} />);
    expect(keys(1)).not.toContain('All of it');
    expect(keys(2)).toContain('All of it');
  });
  it('names each fault with what it keeps from working', () => {
    expect(words(<FaultList faults={[]} />)).toContain('Nothing is wrong with it.');
    expect(
      words(<FaultList faults={[{ path: 'meshes.0', message: 'they cannot mesh', blocks: 'train' }]} />),
    ).toContain('Meshes, 1st : they cannot mesh (keeps the train from being solved)');
  });
});
