import { createHash } from 'node:crypto';
import { countablePairs, positionsOfPair } from '@/core/gearing/countablePairs';
import type { Supplier } from '@/core/planning/suppliers';
import { expectedPieces } from '@/core/strip/inventory';
import type { Family } from '@/model/damage';
import type { Identity, OfferLine } from '@/model/offers';
import type { Position, UnitType } from '@/model/unitType';
import type { PriceService, PricesQuestion, SupplierAnswer } from './priceService';

/*
 * A stand-in for suppliers: invented, each with his ways. One sends quickly, one cheaply and sometimes with another tooth count, the
 * maker only in kits, one has half of it and used, one writes nonsense among his lines, one never answers. The same question always
 * gets the same answers.
 */

interface Seller extends Supplier {
  readonly price: number;
  readonly days: number;
  readonly tier: 1 | 2 | 3;
  /** Of the parts he has so large a share. */
  readonly has: number;
  readonly stock?: number;
  /** He answers after so many times the usual wait. */
  readonly waits: number;
  readonly quirk?: 'one-tooth-more' | 'kits-only' | 'nonsense' | 'silent';
}

const SELLERS: readonly Seller[] = [
  {
    name: 'Ostring Gear Supply',
    place: 'Ostring',
    freight: 18_000,
    price: 1,
    days: 1,
    tier: 2,
    has: 1,
    waits: 1,
  },
  {
    ...{
      name: 'Brask & Daughters',
      place: 'Norrow',
      freight: 9_000,
      price: 0.72,
      days: 4,
      tier: 2,
      has: 0.9,
      waits: 2,
    },
    quirk: 'one-tooth-more',
  },
  {
    ...{
      name: 'Maker’s counter',
      place: 'the maker',
      freight: 25_000,
      price: 1.4,
      days: 9,
      tier: 3,
      has: 1,
      waits: 3,
    },
    quirk: 'kits-only',
  },
  {
    ...{
      name: 'Myrholt Surplus',
      place: 'Myrholt',
      freight: 12_000,
      price: 0.4,
      days: 3,
      tier: 1,
      has: 0.5,
      waits: 2,
    },
    stock: 1,
  },
  {
    ...{
      name: 'Pell Imports',
      place: 'Pell',
      freight: 15_000,
      price: 0.55,
      days: 12,
      tier: 1,
      has: 0.8,
      waits: 4,
    },
    quirk: 'nonsense',
  },
  {
    ...{ name: 'Aldvik Trading', place: 'Aldvik', freight: 0, price: 1, days: 5, tier: 1, has: 1, waits: 12 },
    quirk: 'silent',
  },
];

/** A person should see them wait; tests that drive the interface shorten it. */
const USUAL_WAIT_MS = Number(process.env.STEREOTOME_PRICES_ANSWER_MS ?? 2_500);

/** In hundredths of a crown, for one piece of the usual size. */
const BASE: Record<Family, number> = {
  ...{ 'gear-teeth': 240_000, 'dog-teeth': 90_000, 'synchro-ring': 38_000, 'hub-sleeve-fork': 120_000 },
  ...{
    'rolling-bearing': 46_000,
    'chain-sprocket': 150_000,
    'bush-washer-pin': 8_500,
    'shaft-spline': 210_000,
  },
  ...{ housing: 520_000, friction: 64_000, 'fastener-seal': 6_500, 'differential-unit': 98_000 },
};

export const standInSuppliers: PriceService = {
  suppliersFor: ({ maker }) =>
    SELLERS.map(({ name, place, freight }) => ({
      name,
      place: name === 'Maker’s counter' && maker ? maker : place,
      freight,
    })),
  answer: (question, supplier, now): SupplierAnswer => {
    const seller = SELLERS.find(({ name }) => name === supplier);
    if (!seller) return { state: 'silent' };
    if (now.getTime() - question.sentAt.getTime() < seller.waits * USUAL_WAIT_MS) return { state: 'waiting' };
    return seller.quirk === 'silent'
      ? { state: 'silent' }
      : { state: 'answered', lines: linesOf(seller, question) };
  },
};

/** 0 to 1, always the same for the same words. */
const chance = (...words: readonly string[]): number =>
  createHash('sha256').update(words.join('|')).digest().readUInt32LE(0) / 2 ** 32;

function linesOf(seller: Seller, { unitType, currency }: PricesQuestion): unknown[] {
  const inSets = new Set(unitType.sets.flatMap(({ positions }) => positions));
  const inKits = new Set(unitType.parts.flatMap(({ supplies }) => supplies.map(({ position }) => position)));
  const isOnlyInKit = (id: string) => seller.quirk === 'kits-only' && inKits.has(id);
  const alone = unitType.positions
    .filter(({ id, family }) => !inSets.has(id) && !isOnlyInKit(id) && family !== 'housing')
    .flatMap((position) => packsOf(position).map((qty) => [{ position, qty }]));
  const sets = unitType.sets.map(({ positions }) => pieces(unitType, positions));
  const kits = unitType.parts.map(({ supplies }) =>
    supplies.flatMap(({ position: id, quantity }) => {
      const position = unitType.positions.find((each) => each.id === id);
      return position ? [{ position, qty: quantity }] : [];
    }),
  );
  const lines = [...alone, ...sets, ...kits]
    .filter((bundle) => bundle.length > 0)
    .filter((bundle) => chance(seller.name, unitType.id, 'has', keyOf(bundle)) < seller.has)
    .map((bundle) => lineOf(bundle, seller, unitType, currency));
  if (seller.quirk !== 'nonsense' || lines.length === 0) return lines;
  return [{ ...lines[0], price: -1 }, { code: '', name: '???' }, ...lines.slice(1)];
}

interface Piece {
  readonly position: Position;
  readonly qty: number;
}

const keyOf = (bundle: readonly Piece[]): string =>
  bundle.map(({ position, qty }) => `${position.id} ${qty}`).join(',');
const pieces = ({ positions }: UnitType, ids: readonly string[]): Piece[] =>
  positions
    .filter(({ id }) => ids.includes(id))
    .map((position) => ({ position, qty: expectedPieces(position) }));
const packsOf = (position: Position): number[] => {
  const all = expectedPieces(position);
  return all === 1 ? [1] : [1, all];
};

function lineOf(bundle: readonly Piece[], seller: Seller, unitType: UnitType, currency: string): OfferLine {
  const key = keyOf(bundle);
  const value = bundle.reduce(
    (sum, { position, qty }) =>
      sum + BASE[position.family] * 0.9 ** (bundle.length - 1) * (qty === 1 ? 1 : 0.35 * qty ** 0.8),
    0,
  );
  const price = Math.max(
    100,
    Math.round((value * seller.price * (0.85 + 0.3 * chance(seller.name, key))) / 100) * 100,
  );
  const [first] = bundle;
  const kit = unitType.parts.find(
    ({ supplies }) =>
      supplies.length === bundle.length &&
      supplies.every(({ position }) => bundle.some((each) => each.position.id === position)),
  );
  return {
    code:
      kit?.code ??
      `${seller.name.slice(0, 2).toUpperCase()}-${Math.floor(1000 + 9000 * chance(seller.name, unitType.id, key))}`,
    name:
      kit?.name ??
      (bundle.length === 1
        ? first!.position.name
        : bundle.map(({ position }) => position.name).join(', ')
      ).slice(0, 80),
    supplies: bundle.map(({ position, qty }) => ({ part: position.id, qty })),
    ...{ price, currency, tier: seller.tier },
    days: seller.days + Math.floor(2 * chance(seller.name, 'days', key)),
    ...(seller.stock === undefined ? {} : { stock: seller.stock }),
    identity: identityOf(bundle, seller, unitType),
  };
}

function identityOf(bundle: readonly Piece[], { quirk }: Seller, unitType: UnitType): Identity {
  const ids = bundle.map(({ position }) => position.id);
  const pair = countablePairs(unitType).find((each) =>
    positionsOfPair(unitType, each).every((id) => ids.includes(id)),
  );
  if (pair)
    return {
      'pinion-teeth': pair.pinion + (quirk === 'one-tooth-more' ? 1 : 0),
      'ring-teeth': pair.ring,
    };
  const [only] = bundle;
  return bundle.length === 1 ? sizesOf(only!.position) : {};
}

/** As the type draws it, in mm. */
function sizesOf({ draw, from, to }: Position): Identity {
  const width = from === undefined || to === undefined ? {} : { width: Math.abs(to - from) };
  if (draw?.shape === 'bearing') return { bore: 2 * draw.bore, outer: 2 * draw.outer, ...width };
  return draw?.shape === 'seal' ? { bore: 2 * draw.inner, outer: 2 * draw.outer, ...width } : {};
}
