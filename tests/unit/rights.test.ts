import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { ROLES } from '@/model/people';
import { mayDo, RIGHTS, type Right } from '@/model/rights';
import { decideUnit } from '@/server/decide/decide';
import { Refusal } from '@/server/refusal';
import { makeCustomerLink } from '@/server/report/customerLink';
import { issueReport } from '@/server/report/issueReport';
import { type LetterCase, ownerByToken } from '@/server/report/letterCase';
import type { UseCase } from '@/server/useCase';
import { bookTestUnit, captureHead, openTestShop, type TestShop } from './fixtures/shop';

type AnyUseCase = UseCase<unknown>;

const modules = import.meta.glob<Record<string, unknown>>('/src/server/*/*.ts', { eager: true });
const exported = Object.entries(modules).flatMap(([file, module]) =>
  Object.entries(module).map(([name, value]) => ({ file, name, value })),
);
const isUseCase = (value: unknown): value is AnyUseCase => typeof value === 'function' && 'right' in value;
const useCases = exported.filter((entry): entry is typeof entry & { value: AnyUseCase } =>
  isUseCase(entry.value),
);

const isLetterCase = (value: unknown): value is LetterCase<unknown> =>
  typeof value === 'function' && 'ownerRight' in value;
const letterCases = exported.flatMap(({ name, value }) =>
  isLetterCase(value) ? [[name, value] as const] : [],
);

/** Functions of the stations that are no use cases: each is called by one that has checked, or needs no person. */
const HELPERS = new Set([
  // A cursor is a word that a device keeps; it opens nothing.
  'cursorOf',
  'seqOf',
  // What of orders a record's own right has opened already, and what a solver is given.
  ...[
    'offersOf',
    'readLines',
    'putInOutbox',
    'putMail',
    'outboxOf',
    'orderAsCsv',
    'takeOrder',
    'refuseArrival',
    'refuseEarlyScrap',
    ...['refuseComparison', 'refuseReturn', 'refuseTaking', 'refuseNewDay', 'readyFacts'],
    'mayAddCheck',
    'refuseNewCheck',
    'freeCheckId',
    'storeCheck',
    ...['refuseStillWorkedOn', 'refuseWholeRound'],
    'cancelOrder',
    'solveInThread',
  ],
  // Inside the transaction of a judgement whose author was checked.
  'keepJudgement',
  'keepLost',
  'happened',
  // before anybody is signed in, or for the signed-in person himself
  ...['signIn', 'signOut', 'findActor', 'colleaguesWithPin', 'door', 'tryDoor', 'callerOf', 'markDevice'],
  ...['addFirstAdministrator', 'hashSecret', 'secretMatches', 'newToken', 'hashToken'],
  // who the holder of a customer's link is, and how his own use cases are made; those are walked below
  ...['ownerByToken', 'letterDoor', 'defineLetterCase'],
  // steps of use cases
  ...[
    'openJob',
    'blindPart',
    'labReport',
    // the whole shop, for whoever keeps its computer: on the command line, or by a setting of his
    ...['backUp', 'restore', 'lookThrough', 'dailyCopy', 'keepDailyCopies', 'newestCopy', 'shopDangers'],
    ...['copyDatabase', 'filesNamedIn', 'inspectRecording', 'filesBeside', 'digestOfFile', 'isPlace'],
    'originalOf',
    'refuseAlteredOriginal',
    'decodePicture',
    'readPicture',
    'ensureCertificates',
    'welcomeServer',
    'refuseLostParts',
    'readDescription',
    'ownTypeOf',
    'storeOwnType',
    'positionOf',
    'checkOf',
    'gatherSnapshot',
    'partStates',
    'cameraNotes',
    'isHeic',
    'heicAsJpeg',
    'headOf',
    'pixelsOnly',
    'photographOfJob',
    'inspectPicture',
    'derivedPhotograph',
  ],
  // steps of taking a bundle in or out, whose right was checked
  ...['gatherBundle', 'bundleTables', 'openZip', 'readEntry', 'readBundle', 'rowsAside', 'planAlong'],
  'settleFiles',
  // the simulated gauge knows nothing of the shop
  ...['trueValue', 'StandInGauge'],
  ...['printReport', 'typeNamed', 'typeOfIssue', 'drawGradeGlyph', 'refuseOtherAuthor', 'storeOnce'],
  ...['fillCatalogs', 'catalogsInForce', 'newestDocument', 'keepConflict', 'keepVersioned'],
]);

let shop: TestShop;
let jobId: string;
/** Of a letter to the customer of that job. */
let token: string;
beforeAll(() => {
  shop = openTestShop();
  jobId = bookTestUnit(shop);
  const { lead } = shop.people;
  decideUnit(lead, shop.context, {
    ...captureHead(jobId, lead),
    ...{ version: 0, decision: 'repair', reason: 'New bearing.', watch: '' },
  });
  issueReport(lead, shop.context, { jobId, reason: 'to be walked' });
  token = makeCustomerLink(lead, shop.context, { jobId, number: 1 }).token;
});
afterAll(() => shop.close());

describe('every door of the server', () => {
  it('is either a use case with a right, or a known helper', () => {
    const unknown = exported.filter(
      ({ name, value }) =>
        typeof value === 'function' && !isUseCase(value) && !isLetterCase(value) && !HELPERS.has(name),
    );
    expect(unknown.map(({ file, name }) => `${file} ${name}`)).toEqual([]);
    expect(useCases.length).toBeGreaterThanOrEqual(20);
  });

  it.each(useCases.map(({ name, value }) => [name, value] as const))(
    '%s refuses every role without its right, whatever comes with it',
    async (_, door) => {
      for (const role of ROLES.filter((each) => !mayDo(each, door.right))) {
        const call = async () => door(shop.people[role], shop.context, { jobId: 'x', anything: true });
        await expect(call(), role).rejects.toMatchObject({ code: 'no-right', status: 403 });
      }
    },
  );

  it.each(useCases.map(({ name, value }) => [name, value] as const))(
    '%s answers nonsense from an allowed role with words, not with a fault',
    async (name, door) => {
      if (['readPeople', 'readBookInForm', 'readRack', 'readGauges'].includes(name)) return;
      const role = RIGHTS[door.right as Right][0];
      const call = async () =>
        door(shop.people[role], shop.context, {
          jobId: { a: 1 },
          edit: 7,
          capture: null,
          id: '../../etc',
        });
      await expect(call()).rejects.toBeInstanceOf(Refusal);
    },
  );

  it.each(useCases.map(({ name, value }) => [name, value] as const))(
    '%s refuses the holder of a letter',
    async (_, door) => {
      const owner = { kind: 'owner', tokenHash: 'x', jobId: 'x', number: 1, until: '2099-01-01' };
      await expect((async () => door(owner as never, shop.context, { jobId: 'x' }))()).rejects.toMatchObject({
        code: 'no-right',
      });
    },
  );

  it.each(letterCases)(
    'of a letter, %s refuses everybody of the shop, a link that isn’t one, and that of another letter',
    async (_, door) => {
      for (const role of ROLES)
        await expect(
          (async () => door(shop.people[role] as never, shop.context, undefined))(),
        ).rejects.toMatchObject({ code: 'no-right' });
      const made = { kind: 'owner', tokenHash: 'made-up', jobId, number: 1, until: '2099-01-01' } as const;
      await expect((async () => door(made, shop.context, undefined))()).rejects.toMatchObject({
        code: 'not-found',
      });
      const own = ownerByToken(shop.context, token);
      await expect(
        (async () => door({ ...own, number: 2 }, shop.context, undefined))(),
      ).rejects.toMatchObject({ code: 'no-right' });
      await expect(
        (async () => door({ ...own, jobId: 'x' }, shop.context, undefined))(),
      ).rejects.toMatchObject({ code: 'no-right' });
    },
  );

  it('gives an administrator nobody’s jobs, and a parts person no pen', () => {
    expect(mayDo('admin', 'job.read')).toBe(false);
    expect(mayDo('parts', 'capture.take')).toBe(false);
    expect(mayDo('apprentice', 'grade.set')).toBe(false);
    expect(mayDo('inspector', 'report.issue')).toBe(false);
  });
});
