import { describe, expect, it } from 'vitest';
import { shippedUnitTypes } from '@/catalog/unitTypes';
import { describedStates } from '../describedStates';
import { drawSection } from '../drawSection';

/** Points along every leader, a pixel apart, that lie in a label which isn't the leader's own. */
function crossed(type: ReturnType<typeof shippedUnitTypes>[number], width: number, height: number): string[] {
  const { labels } = drawSection(type, { width, height, states: describedStates(type), labels: true });
  return labels.flatMap(({ positionId, leader }) =>
    labels
      .filter((other) => other.positionId !== positionId)
      .filter(({ x, y, width: wide, height: high }) =>
        leader.slice(1).some(([x1, y1], index) => {
          const [x0, y0] = leader[index]!;
          const steps = Math.ceil(Math.hypot(x1 - x0, y1 - y0));
          return Array.from({ length: steps + 1 }, (_, step) => step / Math.max(1, steps)).some((t) => {
            const [px, py] = [x0 + (x1 - x0) * t, y0 + (y1 - y0) * t];
            return px > x && px < x + wide && py > y && py < y + high;
          });
        }),
      )
      .map((other) => `${positionId} over ${other.positionId}`),
  );
}

describe('leaders', () => {
  it('never cross a label, whatever the type and the room', () => {
    for (const type of shippedUnitTypes())
      for (const [width, height] of [
        [700, 420],
        [760, 560],
        [820, 500],
        [992, 560],
        [1248, 560],
        [1888, 900],
      ] as const)
        expect(crossed(type, width, height), `${type.id} at ${width} × ${height}`).toEqual([]);
  });

  it('leave the parts that matter most their labels', () => {
    for (const type of shippedUnitTypes()) {
      const { labels } = drawSection(type, {
        ...{ width: 1248, height: 560, labels: true },
        states: describedStates(type),
      });
      expect(labels.length, type.id).toBeGreaterThanOrEqual(6);
    }
  });
});
