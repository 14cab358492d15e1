import fc from 'fast-check';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { ROLES } from '@/model/people';
import { mayDo, RIGHTS, type Right } from '@/model/rights';
import { Refusal } from '@/server/refusal';
import type { UseCase } from '@/server/useCase';
import { bookTestUnit, captureHead, openTestShop, type TestShop } from './fixtures/shop';

/*
 * Every use case is asked with what nobody should send: garbage, and sound requests with one field spoilt. It answers or refuses in
 * words; it never breaks, and afterwards the shop can still be read.
 */

const modules = import.meta.glob<Record<string, unknown>>('/src/server/*/*.ts', { eager: true });
const useCases = Object.entries(modules).flatMap(([file, module]) =>
  Object.entries(module)
    .filter(([, value]) => typeof value === 'function' && 'right' in value)
    .map(([name, value]) => ({ file, name, call: value as UseCase<unknown> })),
);

let shop: TestShop;
let jobId: string;
beforeAll(() => {
  shop = openTestShop();
  jobId = bookTestUnit(shop);
});
afterAll(() => shop.close());

/** What is asked for under these names, so that a spoilt request gets past the door. */
const sound = (): Record<string, unknown> => ({
  ...captureHead(jobId, shop.people.lead),
  ...{
    jobId,
    peg: 501,
    positionId: 'ring-gear',
    checkId: 'backlash',
    place: 'tooth 1',
    raw: '0.2',
    unit: 'mm',
  },
  ...{
    gaugeId: 'dial',
    version: 0,
    reason: 'so',
    note: 'so',
    number: 1,
    unitTypeId: 'torvane-hx41',
    revision: 2,
  },
  ...{ mode: 'polishing', severity: 'light', grade: 1, proposed: 1, rulesRevision: 2, decision: 'reuse' },
  ...{ words: 'so', plainWords: 'so', sureness: 'likely', readings: ['x'], pairId: 'pin-ring', text: '{}' },
  ...{
    counts: { pinionTeeth: 11, ringTeeth: 41 },
    entry: { positionId: 'ring-gear', version: 0, grade: 1, reason: '' },
  },
  ...{ content: { what: 'count', positionId: 'ring-gear', counted: 1, note: '' }, definition: 'journal' },
  ...{ personId: shop.people.parts.id, pin: '0000', photographId: captureHead(jobId, shop.people.lead).id },
});
const nasty = fc.oneof(
  fc.anything({ maxDepth: 2 }),
  fc.constantFrom<unknown>(
    ...[
      null,
      '',
      '\0',
      '2026-02-31',
      '\u202Egpj',
      Number.NaN,
      -1,
      1e308,
      [],
      {},
      '__proto__',
      'own-1',
      '../x',
    ],
  ),
  fc.array(fc.constant('x'), { minLength: 3000, maxLength: 3000 }),
  fc.string({ minLength: 5000, maxLength: 5000 }),
);
const request = fc.oneof(
  { weight: 1, arbitrary: fc.anything() },
  {
    weight: 5,
    arbitrary: fc
      .record({
        fields: fc.array(fc.nat({ max: 40 }), { minLength: 1, maxLength: 3 }),
        values: fc.array(nasty, { minLength: 3, maxLength: 3 }),
      })
      .map(({ fields, values }) => {
        const whole = sound();
        const names = Object.keys(whole);
        fields.forEach((field, index) => {
          whole[names[field % names.length]!] = values[index];
        });
        return whole;
      }),
  },
);

describe('whatever is asked', () => {
  it.each(useCases.map(({ name, call }) => [name, call] as const))(
    '%s answers, or refuses in words',
    async (name, call) => {
      const role = ROLES.find((each) => mayDo(each, call.right as Right)) ?? 'lead';
      const actor = shop.people[mayDo('lead', call.right as Right) ? 'lead' : role];
      await fc.assert(
        fc.asyncProperty(request, async (input) => {
          try {
            await call(actor, shop.context, input);
          } catch (error) {
            if (!(error instanceof Refusal)) throw error;
            expect(error.message.length, name).toBeGreaterThan(5);
            expect(error.message, name).not.toMatch(/undefined|\[object|Invalid |Expected /);
          }
        }),
        { numRuns: Number(process.env.STEREOTOME_FUZZ ?? 25), seed: 16 },
      );
    },
    60_000,
  );
  it('leaves a shop that can be read', () => {
    expect(Object.keys(RIGHTS).length).toBeGreaterThan(20);
    expect(shop.context.db.pragma('integrity_check', { simple: true })).toBe('ok');
  });
});
