import { describe, expect, it } from 'vitest';
import { cautionsForFamily, cautionsForReport } from '@/core/catalogs/cautions';
import { familyName, findMode, modesOf } from '@/core/catalogs/words';
import { FAMILIES, NOTHING_TO_SEE } from '@/model/damage';
import cautions from './cautions.json';
import { catalogsAsShipped } from './shipped';
import { shippedUnitTypes } from './unitTypes';

const catalogs = catalogsAsShipped();
const cautionIds = cautions.cautions.map(({ id }) => id);

describe('the catalog', () => {
  it('has words for every family, each once, and always a way to say that nothing is to be seen', () => {
    for (const family of FAMILIES) {
      const ids = modesOf(catalogs, family).map(({ id }) => id);
      expect(new Set(ids).size, family).toBe(ids.length);
      expect(ids, family).toContain(NOTHING_TO_SEE);
      expect(familyName(catalogs, family)).not.toBe(family);
      expect(modesOf(catalogs, family).every(({ places }) => places.length > 0)).toBe(true);
    }
    expect(findMode(catalogs, 'gear-teeth', 'glazed')).toBeUndefined();
  });

  it('lets grade rules speak only of words that are there', () => {
    const known = new Set(FAMILIES.flatMap((family) => modesOf(catalogs, family).map(({ id }) => id)));
    const named = [...JSON.stringify(catalogs['grade-rules']).matchAll(/"mode":\[([^\]]*)\]/g)].flatMap(
      ([, list]) => JSON.parse(`[${list}]`) as string[],
    );
    expect(named.filter((mode) => !known.has(mode))).toEqual([]);
    expect(new Set(catalogs['grade-rules'].rules.map(({ id }) => id)).size).toBe(
      catalogs['grade-rules'].rules.length,
    );
  });

  it('shows a grave caution where springs fly, bearings spin and fingers mesh, and defers to the maker on the report', () => {
    expect(cautionsForFamily(catalogs, 'hub-sleeve-fork').map(({ id }) => id)).toContain('springs-fly');
    expect(cautionsForFamily(catalogs, 'rolling-bearing').map(({ id }) => id)).toContain('no-compressed-air');
    expect(cautionsForFamily(catalogs, 'gear-teeth').map(({ id }) => id)).toContain('fingers-in-mesh');
    expect(
      cautionsForReport(catalogs)
        .map(({ words }) => words)
        .join(' '),
    ).toContain('manual');
  });

  it.each(shippedUnitTypes().map((type) => [type.title, type] as const))(
    '%s names only cautions that exist, and a source for each limit',
    (_, type) => {
      expect(type.steps.flatMap((step) => step.cautions).filter((id) => !cautionIds.includes(id))).toEqual(
        [],
      );
      for (const check of type.checks) {
        for (const limit of check.limits) {
          expect(limit.source.words.length, check.title).toBeGreaterThan(5);
          if (limit.source.kind === 'shop') expect(limit.enteredBy, check.title).toBeTruthy();
          if (limit.aim !== undefined)
            expect(
              limit.aim >= (limit.min ?? limit.aim) && limit.aim <= (limit.max ?? limit.aim),
              check.title,
            ).toBe(true);
        }
      }
    },
  );

  it.each(shippedUnitTypes().map((type) => [type.title, type] as const))(
    '%s gives every check a span that its limits lie in',
    (_, type) => {
      for (const { title, typical, limits } of type.checks) {
        for (const figure of limits
          .flatMap(({ min, max }) => [min, max])
          .filter((each) => each !== undefined)) {
          expect(
            typical && figure >= typical.from * 0.5 && figure <= typical.to * 2,
            `${title}: ${figure}`,
          ).toBe(true);
        }
      }
    },
  );
});
