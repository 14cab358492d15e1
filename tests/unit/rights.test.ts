import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { ROLES } from '@/model/people';
import { mayDo, RIGHTS, type Right } from '@/model/rights';
import { Refusal } from '@/server/refusal';
import type { UseCase } from '@/server/useCase';
import { openTestShop, type TestShop } from './fixtures/shop';

type AnyUseCase = UseCase<unknown>;

const modules = import.meta.glob<Record<string, unknown>>('/src/server/*/*.ts', { eager: true });
const exported = Object.entries(modules).flatMap(([file, module]) =>
  Object.entries(module).map(([name, value]) => ({ file, name, value })),
);
const isUseCase = (value: unknown): value is AnyUseCase => typeof value === 'function' && 'right' in value;
const useCases = exported.filter((entry): entry is typeof entry & { value: AnyUseCase } =>
  isUseCase(entry.value),
);

/** Functions of the stations that are no use cases: each is called by one that has checked, or needs no person. */
const HELPERS = new Set([
  // A cursor is a word that a device keeps; it opens nothing.
  'cursorOf',
  'seqOf',
  // Inside the transaction of a judgement whose author was checked.
  'keepJudgement',
  'keepLost',
  'happened',
  // before anybody is signed in, or for the signed-in person himself
  ...['signIn', 'signOut', 'findActor', 'colleaguesWithPin', 'door', 'tryDoor', 'callerOf', 'markDevice'],
  ...['addFirstAdministrator', 'hashSecret', 'secretMatches', 'newToken', 'hashToken'],
  // for the holder of a customer's link: the token is the right
  ...['readReportByToken', 'readPhotographByToken', 'linkHasEnded'],
  // steps of use cases
  ...[
    'openJob',
    'labReport',
    // the whole shop, for whoever keeps its computer: on the command line, or by a setting of his
    ...['backUp', 'restore', 'lookThrough', 'dailyCopy', 'keepDailyCopies', 'newestCopy', 'shopDangers'],
    ...['copyDatabase', 'digestsIn', 'filesBeside', 'digestOfFile', 'isPlace'],
    'originalOf',
    'refuseAlteredOriginal',
    'decodePicture',
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
  // the simulated gauge knows nothing of the shop
  ...['trueValue', 'StandInGauge'],
  ...['printReport', 'drawGradeGlyph', 'refuseOtherAuthor', 'storeOnce'],
  ...['fillCatalogs', 'catalogsInForce', 'newestDocument', 'keepConflict', 'keepVersioned'],
]);

let shop: TestShop;
beforeAll(() => {
  shop = openTestShop();
});
afterAll(() => shop.close());

describe('every door of the server', () => {
  it('is either a use case with a right, or a known helper', () => {
    const unknown = exported.filter(
      ({ name, value }) => typeof value === 'function' && !isUseCase(value) && !HELPERS.has(name),
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

  it('gives an administrator nobody’s jobs, and a parts person no pen', () => {
    expect(mayDo('admin', 'job.read')).toBe(false);
    expect(mayDo('parts', 'capture.take')).toBe(false);
    expect(mayDo('apprentice', 'grade.set')).toBe(false);
    expect(mayDo('inspector', 'report.issue')).toBe(false);
  });
});
