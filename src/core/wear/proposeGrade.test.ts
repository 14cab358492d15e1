import { describe, expect, it } from 'vitest';
import { catalogsAsShipped } from '@/catalog/shipped';
import { modesOf } from '@/core/catalogs/words';
import { FAMILIES, type Family, NOTHING_TO_SEE } from '@/model/damage';
import { type PartEvidence, proposeGrade } from './proposeGrade';

type Finding = PartEvidence['findings'][number];
const see = (family: Family, finding: Partial<Finding>, verdicts: PartEvidence['verdicts'] = []) =>
  proposeGrade(
    {
      family,
      findings: [{ mode: '', place: 'drive flank', severity: 'moderate', ...finding } as Finding],
      verdicts,
      modes: modesOf(catalogsAsShipped(), family),
    },
    catalogsAsShipped()['grade-rules'],
  );

describe('the shipped grade rules', () => {
  // The expected grades are the examples of the shop's written grading practice, rule by rule.
  it.each<[Family, Partial<Finding>, number]>([
    ['gear-teeth', { mode: 'macropitting-isolated', share: 0.03, count: 2 }, 3],
    ['gear-teeth', { mode: 'macropitting-isolated', share: 0.05, count: 2 }, 4],
    ['gear-teeth', { mode: 'macropitting-isolated', share: 0.03, count: 3 }, 4],
    ['gear-teeth', { mode: 'macropitting-isolated' }, 4],
    ['gear-teeth', { mode: 'macropitting-progressive' }, 4],
    ['gear-teeth', { mode: 'root-crack', place: 'root', severity: 'light' }, 5],
    ['gear-teeth', { mode: 'scuffing', place: 'tip', severity: 'light' }, 3],
    ['gear-teeth', { mode: 'scuffing', place: 'drive flank', severity: 'severe' }, 4],
    ['gear-teeth', { mode: 'end-rounding', share: 0.1 }, 2],
    ['gear-teeth', { mode: 'end-rounding', share: 0.15 }, 3],
    ['gear-teeth', { mode: 'end-rounding', share: 0.25 }, 4],
    ['dog-teeth', { mode: 'peaks-rounded', share: 0.3 }, 2],
    ['dog-teeth', { mode: 'peaks-rounded', share: 0.45 }, 3],
    ['dog-teeth', { mode: 'peaks-rounded', share: 0.6 }, 4],
    ['rolling-bearing', { mode: 'particle-dents', severity: 'light' }, 2],
    ['rolling-bearing', { mode: 'particle-dents', severity: 'severe' }, 4],
    ['rolling-bearing', { mode: 'subsurface-fatigue', severity: 'light' }, 4],
    ['rolling-bearing', { mode: 'heat-colour', severity: 'light' }, 4],
    ['gear-teeth', { mode: 'heat-colour-straw' }, 3],
    ['gear-teeth', { mode: 'heat-colour-blue' }, 4],
    ['bush-washer-pin', { mode: 'step-worn' }, 3],
    ['bush-washer-pin', { mode: 'tang-sheared' }, 5],
    ['bush-washer-pin', { mode: 'crack-hole' }, 5],
    ['gear-teeth', { mode: 'foreign-body-mark', severity: 'light' }, 1],
    // A photograph's share raises a grade and never lowers what the eye alone would say (4 without any share).
    ['gear-teeth', { mode: 'macropitting-isolated', share: 0.03, count: 2, shareFrom: 'picture' }, 4],
    ['gear-teeth', { mode: 'end-rounding', share: 0.25, shareFrom: 'picture' }, 4],
  ])('%s %j → %d', (family, finding, grade) => {
    expect(see(family, finding).grade).toBe(grade);
  });

  it('proposes nothing for a part that was only measured and lies within', () => {
    const proposal = proposeGrade(
      { family: 'gear-teeth', findings: [], verdicts: [{ check: 'a', verdict: 'within' }], modes: [] },
      catalogsAsShipped()['grade-rules'],
    );
    expect(proposal.grade).toBeNull();
    expect(proposal.note).toContain('not looked at');
  });

  it('lets a measurement beyond its limit outweigh a clean look', () => {
    const proposal = see('gear-teeth', { mode: NOTHING_TO_SEE }, [{ check: 'thickness', verdict: 'beyond' }]);
    expect(proposal).toMatchObject({ grade: 4 });
    expect(proposal.reasons.map((reason) => reason.rule)).toEqual(['beyond-limit', 'looked-sound']);
  });

  it('has an answer for every damage word of every family, and none of them is 0 or nothing', () => {
    for (const family of FAMILIES) {
      for (const mode of modesOf(catalogsAsShipped(), family).filter(({ id }) => id !== NOTHING_TO_SEE)) {
        for (const severity of ['light', 'moderate', 'severe'] as const) {
          const { grade } = see(family, { mode: mode.id, place: mode.places[0] ?? '', severity });
          expect(grade, `${family} ${mode.id} ${severity}`).toBeGreaterThan(0);
          if (mode.progressive) expect(grade, `${family} ${mode.id}`).toBeGreaterThanOrEqual(3);
        }
      }
    }
  });
});
