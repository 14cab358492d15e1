import { ChakraProvider } from '@chakra-ui/react';
import type { ReactElement } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { judgeCheck } from '@/core/metrology/judgeCheck';
import { seriesOfCheck } from '@/core/metrology/seriesOfCheck';
import { tellSeries } from '@/core/metrology/tellSeries';
import type { Check } from '@/model/checks';
import type { RackEntry } from '@/model/snapshot';
import { Run } from '@/ui/bench/Run';
import { LostVersions } from '@/ui/job/LostVersions';
import type { BenchJob } from '@/ui/job/useJob';
import { waitingWords } from '@/ui/job/WaitingUploads';
import { longDate, longInstant, overdueWords, setShopZone, shortDate } from '@/ui/kit/dates';
import { PegPlate } from '@/ui/kit/PegPlate';
import { system } from '@/ui/kit/theme';
import { VerdictRuler } from '@/ui/kit/VerdictRuler';
import { RingPlot, spanOf, UnrolledPlot } from '@/ui/measure/RingPlot';
import { refusePicture } from '@/ui/photographs/pictureFiles';
import { RackList } from '@/ui/rack/RackList';

const html = (element: ReactElement) =>
  renderToStaticMarkup(<ChakraProvider value={system}>{element}</ChakraProvider>).replace(
    /<style[\s\S]*?<\/style>/g,
    '',
  );
const count = (text: string, what: RegExp) => text.match(what)?.length ?? 0;

const gauge = {
  id: 'g',
  unit: 'mm' as const,
  resolution: 0.001,
  maxPermissibleError: 0.001,
  repeatability: 0.001,
};
const backlash: Check = {
  id: 'b',
  title: 'Backlash',
  positions: ['ring'],
  howTo: 'Pinion held.',
  unit: 'mm',
  statistic: 'mean',
  every: { count: 20, word: 'tooth' },
  limits: [
    {
      kind: 'set-up',
      min: 0.15,
      max: 0.25,
      aim: 0.2,
      variation: 0.05,
      unit: 'mm',
      source: { kind: 'maker', words: 'p. 1' },
    },
  ],
};
const NICK = 7;
const taken = Array.from({ length: 20 }, (_, index) => {
  const value =
    Math.round((0.2 + 0.02 * Math.cos((index / 20) * 2 * Math.PI) - (index === NICK ? 0.06 : 0)) * 1000) /
    1000;
  return { place: `tooth ${index + 1}`, raw: String(value), value, unit: 'mm' as const, gaugeId: 'g' };
});

describe('a series on the screen', () => {
  const series = seriesOfCheck(backlash, taken, 0.001)!;
  const limit = backlash.limits[0];
  const plot = {
    series,
    limit,
    count: 20,
    title: 'Backlash round the part',
    format: (value: number) => value.toFixed(2),
  };

  it('as a ring: a dot for each place, a diamond for the one that stands alone, the next place in its numeral', () => {
    const ring = html(<RingPlot {...plot} nextIndex={4} />);
    expect(count(ring, /data-local="tooth 8"/g)).toBe(1);
    expect(count(ring, /r="4"/g)).toBe(19);
    expect(ring).toMatch(/>5<\/text>/);
    expect(ring).toContain('fill-rule="evenodd"');
  });

  it('unrolled: the same places along the circle', () => {
    expect(count(html(<UnrolledPlot {...plot} />), /r="4"/g)).toBe(19);
  });

  it('spans the limits as well as the readings, and never nothing', () => {
    const [low, high] = spanOf(series, limit);
    expect(low).toBeLessThan(0.12);
    expect(high).toBeGreaterThan(0.25);
    const [from, to] = spanOf({ points: [] }, undefined);
    expect(to).toBeGreaterThan(from);
  });

  it('says in words what stands alone, what shape the rest has, and both totals', () => {
    const words = tellSeries(series, 20, plot.format);
    expect(words[0]).toMatchObject({ title: 'Tooth 8 stands alone', again: 'tooth 8' });
    expect(words[1]?.title).toBe('Once a turn: eccentric, or the ring tilted');
    // By hand: lowest 0.2 + 0.02·cos(7/20 turn) − 0.06 = 0.128, highest 0.22; without the nick 0.18 to 0.22.
    expect(words[1]?.text).toBe('Total 0.09 with it, 0.04 without; the curve alone 0.04.');
  });

  it('waits with its judgement until the readings reach round the circle', () => {
    const few = seriesOfCheck(backlash, taken.slice(0, 8), 0.001)!;
    expect(few.analysis).toBeUndefined();
    expect(tellSeries(few, 20, plot.format)).toMatchObject([{ title: '8 of 20 read' }]);
    expect(seriesOfCheck({ ...backlash, every: undefined } as Check, taken, 0.001)).toBeUndefined();
  });

  it('tells an oval from an eccentric one, and both from neither', () => {
    const shape = (first: number, second: number) => {
      const readings = Array.from({ length: 20 }, (_, index) => ({
        place: `tooth ${index + 1}`,
        value:
          0.2 + first * Math.cos((index / 20) * 2 * Math.PI) + second * Math.cos((index / 10) * 2 * Math.PI),
      }));
      return tellSeries(seriesOfCheck(backlash, readings, 0.001)!, 20, plot.format).at(-1)?.title;
    };
    expect(shape(0.03, 0.002)).toContain('eccentric');
    expect(shape(0.002, 0.03)).toContain('oval');
    expect(shape(0.02, 0.02)).toBe('Eccentric and oval together');
  });
});

describe('the verdict’s ruler', () => {
  const ruler = (value: number, over: Partial<Check> = {}) => {
    const check = { ...backlash, every: undefined, ...over } as Check;
    const readings = [1, 2].map(() => ({
      place: '',
      raw: String(value),
      value,
      unit: 'mm' as const,
      gaugeId: 'g',
    }));
    return html(<VerdictRuler judgement={judgeCheck(check, readings, [gauge])} decimals={3} />);
  };
  it.each([
    [0.2, 'within'],
    [0.25, 'too-close'],
    [0.3, 'beyond'],
  ])('%d is drawn as %s, with its words for those who do not see it', (value, verdict) => {
    const markup = ruler(value);
    expect(markup).toContain(`data-verdict="${verdict}"`);
    expect(markup).toMatch(/aria-label="[^"]*limit 0\.15 to 0\.25 mm"/);
  });
  it('shows no band where no limit is known', () => {
    expect(ruler(0.2, { limits: [] })).toContain('No limit known');
    expect(count(ruler(0.2, { limits: [] }), /chakra-colors-band/g)).toBe(0);
  });
});

describe('the run', () => {
  const station = (open: number | null, done = 0, left = 0) => ({
    id: 'grade' as const,
    name: 'Grade',
    open,
    done,
    left,
  });
  const run = (open: number | null, done = 0, left = 0) =>
    html(
      <Run counts={[station(open, done, left)]} current="grade" heldAt={undefined} onGo={() => undefined} />,
    );
  const words = (...of: Parameters<typeof run>) => run(...of).replace(/<[^>]+>/g, '');
  const ticks = (...of: Parameters<typeof run>) =>
    [...run(...of).matchAll(/data-ticks="(\d+)"/g)].map(([, count]) => Number(count));
  it('says how much is open, and is honest about what comes later', () => {
    expect(words(3)).toContain('3 open');
    expect(words(0, 5)).toContain('done');
    expect(words(null)).toContain('later');
  });
  it('never calls done what was left out', () => {
    expect(words(0, 5, 2)).toContain('2 left out');
    expect(words(0, 5, 2)).not.toContain('done');
    expect(words(1, 5, 2)).toContain('1 open');
  });
  it('has a tick for each thing, and above sixty for what is open only', () => {
    expect(ticks(3, 5)).toEqual([3, 5]);
    expect(ticks(60)).toEqual([60]);
    expect(ticks(55, 9)).toEqual([55]);
    expect(ticks(118)).toEqual([118]);
  });
});

describe('small words', () => {
  const queued = (kind: 'reading' | 'photograph', status: 'waiting' | 'needs-you' = 'waiting') => ({
    id: '',
    kind,
    jobId: '',
    peg: 1,
    authorId: '',
    authorName: '',
    queuedAt: 0,
    content: {},
    status,
  });
  it('tell what waits on this device', () => {
    expect(waitingWords([])).toBe('Everything is stored');
    expect(waitingWords([queued('photograph')])).toBe('1 photograph waiting');
    expect(waitingWords([queued('photograph'), queued('reading')])).toBe('2 captures waiting');
    expect(waitingWords([queued('reading'), queued('reading', 'needs-you')])).toBe('2 readings, 1 needs you');
  });

  it('write dates as the shop does', () => {
    const today = '2026-11-26';
    expect(longDate('2026-11-24')).toBe('24 Nov 2026');
    expect(shortDate('2026-11-24', today)).toBe('Tue 24 Nov');
    expect(shortDate('2027-01-08', today)).toBe('8 Jan 2027');
    // Oslo is an hour ahead of Greenwich in winter, Denver seven behind it; a day is the same day in both.
    const late = '2026-11-24T23:30:00.000Z';
    const told = (zone: string) => {
      setShopZone(zone);
      return [longInstant(late), longDate(late), longDate('2026-11-24')];
    };
    expect(told('Europe/Oslo')).toEqual(['25 Nov 2026, 00:30', '25 Nov 2026', '24 Nov 2026']);
    expect(told('America/Denver')).toEqual(['24 Nov 2026, 16:30', '24 Nov 2026', '24 Nov 2026']);
    told('UTC');
    expect([
      overdueWords('2026-11-24', '2026-11-24'),
      overdueWords('2026-11-23', '2026-11-24'),
      overdueWords('2026-11-20', '2026-11-24'),
    ]).toEqual([undefined, '1 day over', '4 days over']);
  });

  it('strike a peg’s figures the same way each time', () => {
    expect(html(<PegPlate peg={412} />)).toBe(html(<PegPlate peg={412} />));
    expect(count(html(<PegPlate peg={41234} />), /<text/g)).toBe(5);
  });

  it('show what lost against another person’s, until somebody judges again', () => {
    const conflict = {
      ...{ captureId: 'c', kind: 'cause', author: 'Jonas', receivedAt: '2026-11-24T09:00:00.000Z' },
      ...{ digest: 'd', content: { words: 'A dry bearing.', beatenBy: 1 } },
    };
    const job = { snapshot: { conflicts: [conflict] } } as unknown as BenchJob;
    const lost = (version: number) =>
      html(
        <LostVersions {...{ job, kind: 'cause', holds: { version } }} tell={({ words }) => `“${words}”`} />,
      );
    expect(lost(1)).toContain('“A dry bearing.”');
    expect(lost(1)).toContain('Jonas');
    expect(lost(2)).toBe('');
  });

  it('list every unit with its hold and its delay', () => {
    const entry: RackEntry = {
      peg: 9,
      jobId: 'j',
      title: 'Axle',
      machine: 'bus',
      customer: 'Post',
      unitFamily: 'other',
      ...{ unitTypeId: 't', unitTypeRevision: 1 },
      weightKg: null,
      waitsFor: 'a press',
      hold: '',
      dueOn: '2026-11-20',
      station: 'grade',
      stationOpen: 3,
      asked: 0,
      trouble: '',
    };
    const list = html(
      <RackList entries={[entry, { ...entry, peg: 10, hold: 'owner to choose' }]} today="2026-11-24" />,
    );
    expect(list).toContain('a press');
    expect(list).toContain('On hold: owner to choose');
    expect(count(list, /4 days over/g)).toBe(2);
  });
});

describe('files before they are queued', () => {
  const file = (...bytes: (string | number[])[]) =>
    new Blob(bytes.map((part) => (typeof part === 'string' ? part : new Uint8Array(part))));
  it.each([
    ['nothing', file(), 'the file is empty'],
    ['a text', file('hello, this is a text'), 'no JPEG, PNG, WebP or HEIC'],
    ['a camera’s raw file', file('II*\0\x10\0\0\0CR'), 'a camera’s raw file'],
    ['sixty megabytes', file([0xff, 0xd8, 0xff], 'x'.repeat(60_000_000)), '60 MB is more than the 50 MB'],
  ])('%s is refused in words', async (_, blob, words) => {
    expect(await refusePicture(blob)).toContain(words);
  });
  it.each([
    ['JPEG', file([0xff, 0xd8, 0xff, 0xe0], 'rest of it')],
    ['PNG', file([0x89], 'PNG\r\n rest')],
    ['WebP', file('RIFF', [1, 2, 3, 4], 'WEBP')],
    ['a phone’s HEIC', file([0, 0, 0, 24], 'ftypheic')],
  ])('%s is taken', async (_, blob) => {
    expect(await refusePicture(blob)).toBeUndefined();
  });
});
