import { describe, expect, it } from 'vitest';
import { shippedUnitTypes } from '@/catalog/unitTypes';
import { NOTHING_SAID, type Symptom } from '@/model/symptoms';
import { suspectsOfSymptoms } from './symptomSuspects';

const type = (id: string) => shippedUnitTypes().find((each) => each.id === id)!;
const box = type('skell-five');
const axle = type('torvane-hx41');
const symptom = (over: Partial<Symptom> & Pick<Symptom, 'id'>): Symptom => ({ ...NOTHING_SAID, ...over });
const at = (unit: typeof box, ...symptoms: Symptom[]) =>
  suspectsOfSymptoms(unit, symptoms).map(({ positionId }) => positionId);

/* Expected places follow from the bench's own reasoning, written down here by hand from the drawings. */

describe('where symptoms point', () => {
  it('a howl in one gear only: what carries load in that gear alone', () => {
    const found = at(box, symptom({ id: 'noise', gears: ['3'] }));
    expect(found).toEqual(expect.arrayContaining(['gear-3', 'cluster-28']));
    expect(found).not.toContain('input-gear');
    expect(found).not.toContain('gear-2');
  });

  it('in all gears but direct: the countershaft and its constant mesh', () => {
    const found = at(box, symptom({ id: 'noise', gears: ['R', '1', '2', '3', '5'] }));
    expect(found).toEqual(
      expect.arrayContaining(['counter-shaft', 'counter-bearing-front', 'counter-bearing-tail', 'cluster']),
    );
    expect(found).not.toContain('gear-3');
    expect(found).not.toContain('main-bearing');
  });

  it('in neutral with the clutch up: the input and what it turns through constant mesh', () => {
    const found = at(box, symptom({ id: 'noise', gears: ['N'] }));
    expect(found).toEqual(
      expect.arrayContaining(['input-gear', 'input-bearing', 'cluster', 'counter-bearing-tail']),
    );
    expect(found).not.toContain('tail-bearing');
  });

  it('pops out of third: its sleeve, dogs and ring, and none of another gear', () => {
    const found = at(box, symptom({ id: 'pops-out', gears: ['3'] }));
    expect(found).toEqual(expect.arrayContaining(['sleeve-34', 'dogs-3', 'ring-3', 'hub-34']));
    expect(found).not.toContain('dogs-4');
    expect(found).not.toContain('ring-4');
    expect(found).not.toContain('sleeve-12');
  });

  it('pops out of third: its fork, the washer beside the gear and the shaft’s float too', () => {
    const found = at(box, symptom({ id: 'pops-out', gears: ['3'] }));
    // By the drawing: washer 3–2 lies behind the 3rd gear, the input float stack on the same axis.
    expect(found).toEqual(expect.arrayContaining(['fork-34', 'washer-32', 'shim-input']));
    for (const other of ['fork-12', 'fork-5r', 'washer-1', 'shim-counter', 'idler-washers'])
      expect(found).not.toContain(other);
  });

  it('once per wheel turn: the ring gear’s side, not the pinion', () => {
    const found = at(axle, symptom({ id: 'noise', beat: 'wheel' }));
    expect(found).toContain('ring-gear');
    expect(found).toContain('diff-case');
    expect(found).not.toContain('housing');
    expect(found).not.toContain('pinion');
    expect(at(axle, symptom({ id: 'noise', beat: 'input' }))).toContain('pinion');
  });

  it('in a turn only: the differential’s own gears', () => {
    const found = suspectsOfSymptoms(axle, [symptom({ id: 'noise', loads: ['turning'] })]);
    expect(found.map(({ positionId }) => positionId)).not.toContain('pinion');
    const families = found.map(
      ({ positionId }) => axle.positions.find(({ id }) => id === positionId)?.family,
    );
    expect(families.length).toBeGreaterThan(0);
    expect(new Set(families)).toEqual(new Set(['differential-unit']));
  });

  it('puts first what most of it points at, and tells each reason', () => {
    const found = suspectsOfSymptoms(box, [
      symptom({ id: 'noise', gears: ['3'], loads: ['coast'] }),
      symptom({ id: 'pops-out', gears: ['3', '4'] }),
    ]);
    const twice = found.filter(({ reasons }) => reasons.length === 2).map(({ positionId }) => positionId);
    expect(twice).toEqual(['hub-34', 'keys-34', 'sleeve-34', 'fork-34']);
    expect(found.slice(0, 4).map(({ positionId }) => positionId)).toEqual(twice);
    expect(found.find(({ positionId }) => positionId === 'gear-3')?.reasons[0]).toContain(
      'look at its coast flanks',
    );
  });

  it('points nowhere when nothing narrows it, and nowhere in a unit that nobody has described', () => {
    expect(at(box, symptom({ id: 'noise' }), symptom({ id: 'leak' }))).toEqual([]);
    expect(
      at(
        { ...box, gears: [], meshes: [], couplings: [], states: [] },
        symptom({ id: 'noise', gears: ['3'] }),
      ),
    ).toEqual([]);
  });
});
