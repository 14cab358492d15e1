// First of all, since React asks for its hook when it is loaded.
import { rendered } from './rendered';
import 'fake-indexeddb/auto';
import { act, cleanup, fireEvent, type RenderResult, render } from '@testing-library/react';
import { afterEach, beforeAll, describe, expect, it, vi } from 'vitest';
import { catalogsAsShipped } from '@/catalog/shipped';
import { shippedUnitTypes } from '@/catalog/unitTypes';
import { rightsOf } from '@/model/rights';
import type { JobSnapshot } from '@/model/snapshot';
import { Bench } from '@/ui/bench/Bench';
import { fetchAll } from '@/ui/kit/later';
import { Providers } from '@/ui/kit/Providers';
import { shippedRevisions } from '../unit/fixtures/catalogs';

/* A bench in a document, compiled as the build compiles it, without network: what a reading draws anew, and what nothing draws. */

const { SEARCH } = vi.hoisted(() => ({
  SEARCH: new URLSearchParams('part=ring-gear&face=measure&check=backlash'),
}));
vi.mock('next/navigation', () => ({
  usePathname: () => '/jobs/512',
  useSearchParams: () => SEARCH,
  useServerInsertedHTML: () => undefined,
  useRouter: () => ({}),
}));

const AT = '2026-11-24T09:00:00.000Z';
const unitType = shippedUnitTypes().find(({ id }) => id === 'torvane-hx41')!;
const backlashRead = Array.from({ length: 3 }, (_, index) => ({
  ...{ id: `00000000-0000-7000-8000-00000000000${index}`, author: 'Mirel', authorId: 'm', deviceTime: AT },
  ...{
    receivedAt: AT,
    struck: null,
    positionId: 'ring-gear',
    checkId: 'backlash',
    place: `tooth ${index + 1}`,
  },
  ...{ raw: '0.2', unit: 'mm', value: 0.2, gaugeId: 'dial', temperatureC: null },
}));
const snapshot = {
  job: {
    ...{ id: 'j', version: 1, peg: 512, customer: 'c', customerContact: '', machine: 'm', distanceKm: null },
    ...{
      unitTitle: 'Axle',
      unitTypeId: unitType.id,
      unitTypeRevision: unitType.revision,
      serial: 's',
      tag: '',
    },
    ...{ complaint: '', symptoms: [], received: { signs: [], note: '' }, oilClaimed: 'o', history: '' },
    ...{ dueOn: '2026-12-01', waitsFor: '', tooClosePolicy: '', bookedAt: AT, bookedBy: 'Mirel' },
    ...{ catalogs: shippedRevisions(), handedOver: null },
  },
  ...{ unitType, newestRevision: unitType.revision, catalogs: catalogsAsShipped(), timeZone: 'UTC' },
  ...{ newestCatalogs: shippedRevisions(), tooClosePolicy: 'hold', acceptances: [], identities: [] },
  ...{
    readings: backlashRead,
    findings: [],
    photographs: [],
    recordings: [],
    records: [],
    grades: [],
    decisions: [],
  },
  ...{ cause: null, unitDecision: null, conflicts: [], reports: [] },
  gauges: [
    {
      ...{ id: 'dial', name: 'Dial', kind: 'dial indicator', unit: 'mm', resolution: 0.01 },
      ...{ maxPermissibleError: 0.01, repeatability: 0.004, calibratedUntil: '2027-01-01' },
    },
  ],
} as unknown as JobSnapshot;
const actor = { id: 'm', name: 'Mirel', role: 'lead', readsIn: 'metric' } as const;

/** A document has no layout, and this one no network. */
class NoLayout {
  observe = () => undefined;
  unobserve = () => undefined;
  disconnect = () => undefined;
}
const listening = { addEventListener: () => undefined, removeEventListener: () => undefined };
// Everything that comes later is here before anything is counted.
beforeAll(() => fetchAll(), 240_000);
beforeAll(() => {
  vi.stubGlobal('fetch', async () => {
    throw new TypeError('no network');
  });
  vi.stubGlobal('ResizeObserver', NoLayout);
  vi.stubGlobal('matchMedia', () => ({
    matches: false,
    ...listening,
    addListener: () => undefined,
    removeListener: () => undefined,
  }));
});

const pause = (ms: number) => act(() => new Promise((resolve) => setTimeout(resolve, ms)));

async function openBench(): Promise<RenderResult> {
  const page = render(
    <Providers readsIn="metric" timeZone="UTC">
      <Bench
        first={{ snapshot, cursor: 'aa.1', shop: 1 }}
        actor={actor}
        rights={rightsOf('lead')}
        today="2026-11-24"
      />
    </Providers>,
  );
  await pause(900);
  rendered();
  return page;
}

/** Everything that is no mere box, line or key. */
const drawn = (): string[] =>
  [...rendered().keys()].filter((name) => /^[A-Z]/.test(name) && !KIT.has(name)).sort();
const KIT = new Set([
  'Box',
  'Flex',
  'Grid',
  'Insertion',
  'Heading',
  'Press',
  'PressLink',
  'TextInput',
  'Select',
  'Field',
]);

afterEach(() => {
  cleanup();
  vi.useRealTimers();
});

describe('what the bench draws anew', () => {
  it('after a reading: the ticket that shows it, its piece of the section, what waits, and the word of undo; nothing else', async () => {
    const page = await openBench();
    const field = page.getByLabelText('Reading, Backlash') as HTMLInputElement;
    await act(async () => fireEvent.change(field, { target: { value: '0.2' } }));
    expect(drawn()).toEqual(expect.arrayContaining(['ReadingPad']));
    await act(async () => fireEvent.submit(field.form!));
    await pause(600);
    expect(page.container.querySelectorAll('[data-capture]')).toHaveLength(4);
    const seen = drawn();
    expect(seen).toEqual(
      expect.arrayContaining(['ReadingPad', 'Readings', 'RingPlot', 'WaitingUploads', 'UndoBar']),
    );
    // What shows no reading: the strip, the run (no station counts another), the tray, the people, the pictures, the other parts.
    expect(
      seen.filter((name) =>
        /Strip|^Run|Ticks|Tray|Picture|Camera|Person|Menu|Conflict|GradeLegend|Gear/.test(name),
      ),
    ).toEqual([]);
  });

  it('in an idle minute: nothing', async () => {
    vi.useFakeTimers({
      shouldAdvanceTime: false,
      toFake: ['setInterval', 'clearInterval', 'setTimeout', 'clearTimeout', 'Date'],
    });
    const page = render(
      <Providers readsIn="metric" timeZone="UTC">
        <Bench
          first={{ snapshot, cursor: 'aa.1', shop: 1 }}
          actor={actor}
          rights={rightsOf('lead')}
          today="2026-11-24"
        />
      </Providers>,
    );
    await act(() => vi.advanceTimersByTimeAsync(15_000));
    rendered();
    await act(() => vi.advanceTimersByTimeAsync(60_000));
    expect([...rendered()]).toEqual([]);
    expect(page.getByLabelText('Reading, Backlash')).toBeTruthy();
  });
});
