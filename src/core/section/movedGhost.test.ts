import { describe, expect, it } from 'vitest';
import { shippedUnitTypes } from '@/catalog/unitTypes';
import { describedStates } from './describedStates';
import { drawSection } from './drawSection';
import { movedGhosts } from './movedGhost';

const type = shippedUnitTypes().find(({ id }) => id === 'torvane-hx41')!;
const section = drawSection(type, { width: 600, height: 400, states: describedStates(type), labels: false });
const ghost = (move: { position: string; from: string; away: number }) =>
  movedGhosts(section, type, [move])[0];

/* Figures by hand: 0.1 mm, 25 times, by the drawing's pixels for a millimetre. */
describe('a part that is moved', () => {
  const size = 0.1 * 25 * section.scale;
  // The ring lies to the right of the pinion's axis, its teeth to the left; the pinion lies below the ring's.
  it('goes along its own axis: the ring sideways, away from the pinion or toward it', () => {
    expect(ghost({ position: 'ring-gear', from: 'pinion-head', away: 0.1 })!.by[0]).toBeCloseTo(size);
    expect(ghost({ position: 'ring-gear', from: 'pinion-head', away: -0.1 })!.by[0]).toBeCloseTo(-size);
    expect(ghost({ position: 'ring-gear', from: 'pinion-head', away: 0.1 })!.by[1]).toBeCloseTo(0);
  });
  it('the pinion along its own, toward the ring’s middle line', () => {
    const moved = ghost({ position: 'pinion-head', from: 'ring-gear', away: -0.1 })!;
    expect(moved.by[1]).toBeCloseTo(-size);
    expect(moved.areas.length).toBeGreaterThan(0);
  });
  it('shows nothing where nothing is moved, or of what isn’t drawn', () => {
    expect(ghost({ position: 'ring-gear', from: 'pinion-head', away: 0 })).toBeUndefined();
    expect(ghost({ position: 'ring-gear', from: 'nobody', away: 0.1 })).toBeUndefined();
  });
});
