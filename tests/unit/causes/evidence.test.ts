import { v7 as uuidv7 } from 'uuid';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { gatherEvidence } from '@/core/causes/evidence/gathered';
import { placeNetwork } from '@/core/causes/placeNetwork';
import { partStates } from '@/core/wear/partStates';
import type { RecordContent } from '@/model/recordKinds';
import { keepNetwork, readNetwork, tryNetwork } from '@/server/causes/keepNetwork';
import { noteCause } from '@/server/causes/noteCause';
import { readCauses } from '@/server/causes/readCauses';
import { gatherSnapshot } from '@/server/job/readSnapshot';
import { keepRecord } from '@/server/strip/keepRecord';
import { noteFinding } from '@/server/strip/noteFinding';
import { takeReading } from '@/server/strip/takeReading';
import {
  bookTestUnit,
  captureHead,
  openTestShop,
  refusalOf as refused,
  type TestShop,
} from '../fixtures/shop';

let shop: TestShop;
let jobId: string;
beforeEach(() => {
  shop = openTestShop();
  jobId = bookTestUnit(shop);
});
afterEach(() => shop.close());

const head = (at = '2026-11-24T08:59:00.000Z') => ({
  ...captureHead(jobId, shop.people.inspector),
  deviceTime: at,
});
const keep = (content: RecordContent) =>
  keepRecord(shop.people.inspector, shop.context, { ...head(), content });
const see = (positionId: string, mode: string, place: string, at?: string) =>
  noteFinding(shop.people.inspector, shop.context, {
    ...head(at),
    positionId,
    mode,
    place,
    severity: 'moderate',
  });
const evidence = () => {
  const snapshot = gatherSnapshot(shop.context.db, jobId);
  const { network } = readCauses(shop.people.inspector, shop.context, { jobId });
  const placed = placeNetwork(network, snapshot.unitType);
  return gatherEvidence(snapshot, partStates(snapshot), network, placed);
};
const oil = (over: object): RecordContent => ({
  ...{ what: 'drained', litres: 2, colour: 'amber', smell: 'as oil', water: 'none', magnet: ['paste'] },
  ...{ glitter: 'none', note: '', ...over },
});

describe('what a job says of the causes', () => {
  it('from the oil: short, burnt, flakes; and what was looked for and isn’t there', () => {
    keep(oil({ litres: 0.4, smell: 'burnt', magnet: ['flakes'] }));
    expect(evidence().findings).toMatchObject({
      ...{ 'oil-short': true, 'oil-burnt': true, flakes: true, 'grey-paste': false },
      ...{ 'yellow-metal': false, 'oil-milky': false, 'oil-dark': false },
    });
    // The piece itself says where it comes from.
    const short = evidence().all.find(({ node }) => node === 'oil-short');
    expect(short?.from[0]?.source).toMatchObject({
      station: 'drain',
      words: expect.stringContaining('0.4 l came out'),
    });
  });

  it('from what was measured: beyond is seen, within is not there, and what isn’t judged says nothing', () => {
    const read = (place: string, raw: string) =>
      takeReading(shop.people.inspector, shop.context, {
        ...head(),
        ...{ positionId: 'ring-gear', checkId: 'backlash', place, raw, unit: 'mm', gaugeId: 'dial' },
      });
    expect(evidence().findings).not.toHaveProperty('backlash-wide');
    for (const place of ['tooth 1', 'tooth 11', 'tooth 21', 'tooth 31']) read(place, '0.31');
    expect(evidence().findings).toMatchObject({ 'backlash-wide': true, 'backlash-tight': false });
  });

  it('from what was seen: at its place, never what the strip itself did, and “nothing” only where somebody looked', () => {
    see('ring-gear', 'scuffing', 'drive flank');
    see('head-bearing', 'subsurface-fatigue', 'inner race');
    const scuffing = 'scuffing@pinion-head·ring-gear';
    expect(evidence().findings).toMatchObject({ [scuffing]: true, 'bearing-spall@head-bearing': true });
    expect(evidence().findings).not.toHaveProperty('bearing-spall@tail-bearing');
    see('tail-bearing', 'nothing-to-see', 'everywhere', '2026-11-24T09:30:00.000Z');
    expect(evidence().findings).toMatchObject({ 'bearing-spall@tail-bearing': false });
  });

  it('a statement about the unit only where its parts say nothing; refused, that it isn’t so', () => {
    expect(evidence().findings).not.toHaveProperty('heat-all-over');
    keep({ what: 'unit-finding', code: 'heat-everywhere', stands: true, words: 'Blue on all shafts' });
    expect(evidence().findings).toMatchObject({ 'heat-all-over': true });
    keep({ what: 'unit-finding', code: 'heat-everywhere', stands: false, reason: 'it was the torch' });
    expect(evidence().findings).toMatchObject({ 'heat-all-over': false });
    see('head-bearing', 'heat-colour', 'inner race');
    const told = evidence().all.find(({ node }) => node === 'heat-all-over');
    expect(told?.state).toBe('told-by-parts');
  });

  it('“nothing to see” of many at once opens no bearing', () => {
    for (const id of ['tail-bearing', 'carrier-bearing-left', 'carrier-bearing-right'])
      see(id, 'nothing-to-see', 'everywhere', '2026-11-24T10:00:00.000Z');
    expect(evidence().findings).not.toHaveProperty('bearing-spall@tail-bearing');
  });

  it('from tests by hand: smooth speaks against roughness and proves no bearing sound; “can’t say” says nothing', () => {
    const feel = (positionId: string, result: 'pass' | 'cannot-say') =>
      keep({ what: 'hand-test', positionId, testId: 'bearing-feel', result, note: '' });
    feel('head-bearing', 'pass');
    feel('tail-bearing', 'cannot-say');
    const { findings } = evidence();
    expect(findings).toMatchObject({ 'bearing-rough@head-bearing': false });
    expect(findings).not.toHaveProperty('bearing-spall@head-bearing');
    expect(findings).not.toHaveProperty('bearing-rough@tail-bearing');
  });

  it('what was only written is soft, and what is set aside is no evidence', () => {
    keep(oil({ colour: 'brown' }));
    const { soft } = evidence();
    expect(soft['oil-dark']).toBeGreaterThan(1);
    keep({
      what: 'cause-finding',
      node: 'oil-dark',
      says: 'set-aside',
      reason: 'new oil of this brand is brown',
    });
    expect(evidence().soft).not.toHaveProperty('oil-dark');
    expect(
      refused(() => keep({ what: 'cause-finding', node: 'oil-dark', says: 'set-aside', reason: '' })).code,
    ).toBe('bad-input');
  });
});

describe('a conclusion', () => {
  const note = (roots: string[], over: object = {}) =>
    noteCause(shop.people.inspector, shop.context, {
      ...head(),
      ...{ id: uuidv7(), version: 0, words: 'w', plainWords: 'p', sureness: 'likely' },
      conclusion: {
        ...{
          roots,
          networkRevision: 1,
          ranking: [{ id: roots[0], probability: 0.7 }],
          findings: {},
          soft: {},
        },
        ...over,
      },
    });

  it('is kept with the network, the evidence and the ranking as they were', () => {
    note(['bearing-fatigue@head-bearing'], { findings: { flakes: true } });
    expect(gatherSnapshot(shop.context.db, jobId).cause?.conclusion).toMatchObject({
      ...{ roots: ['bearing-fatigue@head-bearing'], networkRevision: 1, findings: { flakes: true } },
    });
  });

  it('names causes that the network has, in a revision that there is', () => {
    expect(refused(() => note(['gremlins'])).message).toContain('no root cause “gremlins”');
    expect(refused(() => note(['low-oil'], { networkRevision: 77 })).message).toContain('no revision 77');
  });

  it('without causes stands in words alone, as those of before do', () => {
    noteCause(shop.people.inspector, shop.context, {
      ...{ ...head(), version: 0, words: 'w', plainWords: 'p', sureness: 'possible' },
    });
    expect(gatherSnapshot(shop.context.db, jobId).cause).toMatchObject({ words: 'w', conclusion: null });
  });

  it('that was checked teaches the shop its own rates', () => {
    note(['low-oil']);
    const before = readCauses(shop.people.inspector, shop.context, { jobId });
    expect(before).toMatchObject({ calibration: { right: 0, of: 0 }, counted: [] });
    keep({
      what: 'cause-checked',
      ofVersion: 1,
      confirmed: true,
      check: 'ran a year on full oil',
      roots: [],
    });
    // A job keeps the counts of the day it was booked; those since are offered.
    expect(readCauses(shop.people.inspector, shop.context, { jobId })).toMatchObject({
      ...{ newer: 1, counted: [], rates: { 'low-oil': 0.12 } },
    });
    const asOf = '2030-01-01T00:00:00.000Z';
    const after = readCauses(shop.people.inspector, shop.context, { jobId, asOf });
    expect(after.newer).toBe(0);
    expect(refused(() => readCauses(shop.people.inspector, shop.context, { jobId, asOf: 'soon' })).code).toBe(
      'bad-input',
    );
    // (10·0.12 + 1)/(10 + 1)
    expect(after.rates['low-oil']).toBeCloseTo(2.2 / 11, 9);
    expect(after).toMatchObject({
      calibration: { right: 1, of: 1 },
      counted: [{ root: 'low-oil', cases: 1, of: 1 }],
    });
  });
});

describe('the network as the lead keeps it', () => {
  const read = () => readNetwork(shop.people.lead, shop.context, undefined).document;
  const put = (nodes: unknown, over: object = {}) =>
    keepNetwork(shop.people.lead, shop.context, {
      ...{ basedOnRevision: read().revision, nodes, note: 'we see it otherwise', ...over },
    });
  const changed = () =>
    read().nodes.map((node) => (node.id === 'low-oil' ? { ...node, base: 'rare' as const } : node));

  it('is the shop’s own revision after it was tried; faults, staleness and a change of nothing are refused', () => {
    expect(tryNetwork(shop.people.lead, shop.context, { nodes: changed() })).toEqual({
      jobs: 0,
      changed: [],
    });
    expect(put(changed())).toEqual({ revision: 1001 });
    expect(read()).toMatchObject({ revision: 1001, basedOn: 2 });
    expect(refused(() => put(read().nodes)).message).toContain('Nothing is different');
    expect(refused(() => put(changed(), { basedOnRevision: 1 })).code).toBe('stale');
    const wrong = read().nodes.map((node) =>
      node.id === 'oil-short' ? { ...node, from: [['moon', 'usually']] } : node,
    );
    expect(refused(() => put(wrong)).message).toContain('which isn’t there');
    const strength = read().nodes.map((node) =>
      node.id === 'oil-short' ? { ...node, from: [['low-oil', 1.2]] } : node,
    );
    expect(refused(() => put(strength)).code).toBe('bad-input');
    expect(refused(() => keepNetwork(shop.people.inspector, shop.context, {})).code).toBe('no-right');
  });

  it('loses no cause that a job was concluded with', () => {
    noteCause(shop.people.inspector, shop.context, {
      ...{ ...head(), version: 0, words: 'w', plainWords: 'p', sureness: 'likely' },
      conclusion: { roots: ['towed'], networkRevision: 1, ranking: [], findings: {}, soft: {} },
    });
    const without = read()
      .nodes.filter(({ id }) => id !== 'towed' && id !== 'was-towed' && id !== 'towed-pattern')
      .map((node) => ({ ...node, from: node.from.filter(([id]) => id !== 'towed') }));
    expect(refused(() => put(without)).message).toContain('concluded with “towed”');
  });
});
