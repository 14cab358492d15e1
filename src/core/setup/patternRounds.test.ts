import { describe, expect, it } from 'vitest';
import type { RecordContent } from '@/model/recordKinds';
import type { BenchRecord } from '@/model/snapshot';
import { patternAdvice } from './patternAdvice';
import { ownSensitivities, patternRounds } from './patternRounds';

let count = 0;
const record = (content: RecordContent): BenchRecord => {
  count += 1;
  return {
    ...{ id: `record-${count}`, author: 'A', authorId: 'a', deviceTime: '', receivedAt: '' },
    ...{ struck: null, content },
  };
};
const read = (
  flank: 'drive' | 'coast',
  length: number,
  height: number,
  confidence = 0.9,
  positionId = 'ring',
) =>
  record({
    ...{ what: 'picture-measured', photographId: 'p', positionId, method: 1, confidence },
    corners: [
      [0, 0],
      [1, 0],
      [1, 1],
      [0, 1],
    ],
    found: {
      ...{ kind: 'pattern', flank, coverage: 0.2, centroid: { length, height } },
      extent: { length: [length - 0.2, length + 0.2], height: [height - 0.2, height + 0.2] },
    },
  });
const moved = (depthMm: number, backlashMm: number) =>
  record({ what: 'pattern-moved', positionId: 'ring', depthMm, backlashMm });

describe('rounds of patterns', () => {
  it('average the teeth of a flank, tell how far they differ, and leave out what is not to be relied on', () => {
    const [round] = patternRounds(
      [
        read('drive', 0.6, 0.5),
        read('drive', 0.5, 0.5),
        read('drive', 0.1, 0.1, 0.2),
        read('coast', 0.4, 0.4),
        read('drive', 0, 0, 1, 'other'),
      ],
      'ring',
    );
    // By hand: the mean of 0.6 and 0.5; each lies 0.05 from it.
    expect(round!.drive).toMatchObject({ teeth: 2, centroid: { length: 0.55, height: 0.5 } });
    expect(round!.drive!.spread).toBeCloseTo(0.05, 9);
    expect(round!.coast).toMatchObject({ teeth: 1, spread: 0 });
    expect(round!.leftOut).toBe(1);
  });

  it('a move of the set-up begins the next one; as found stays beside it', () => {
    const rounds = patternRounds([read('drive', 0.6, 0.5), moved(0.1, 0), read('drive', 0.5, 0.4)], 'ring');
    expect(rounds.map(({ move, drive }) => [move?.depthMm, drive?.centroid.length])).toEqual([
      [undefined, 0.6],
      [0.1, 0.5],
    ]);
  });
});

describe('a unit’s own sensitivities', () => {
  it('are unknown before anything was moved and read again', () => {
    const rounds = patternRounds([read('drive', 0.6, 0.5), read('coast', 0.5, 0.5), moved(0.1, 0)], 'ring');
    expect(ownSensitivities(rounds)).toBeUndefined();
  });

  it('explain what a move did, and leave what it tells nothing of', () => {
    const rounds = patternRounds(
      [
        read('drive', 0.7, 0.6),
        read('coast', 0.3, 0.6),
        moved(0.1, 0),
        read('drive', 0.6, 0.5),
        read('coast', 0.38, 0.5),
      ],
      'ring',
    );
    const own = ownSensitivities(rounds)!;
    // By hand: shifts of −0.1, −0.1 on drive and 0.08, −0.1 on coast for 0.1 mm.
    expect(own.depth.drive.length).toBeCloseTo(-1, 9);
    expect(own.depth.drive.height).toBeCloseTo(-1, 9);
    expect(own.depth.coast.length).toBeCloseTo(0.8, 9);
    // What was never moved stays as it is usual.
    const usual = { length: 1.3, height: 0.4 };
    expect(own.backlash).toEqual({ drive: usual, coast: usual });
    expect(
      patternAdvice({
        ...{ drive: { length: 0.6, height: 0.5 }, coast: { length: 0.38, height: 0.5 } },
        ...{ ideal: { length: 0.45, height: 0.5 }, tolerance: 0.08, sensitivities: own },
      }).text,
    ).toContain('this unit’s own');
  });

  it('after two different moves of a linear unit are that unit’s', () => {
    // A made-up unit: drive length −2 per mm of depth and 1 per mm of backlash, all else as by default.
    const at = (depth: number, backlash: number) => [
      read('drive', 0.6 - 2 * depth + 1 * backlash, 0.5 - 1.4 * depth + 0.4 * backlash),
      read('coast', 0.4 + 1.6 * depth + 1.3 * backlash, 0.5 - 1.4 * depth + 0.4 * backlash),
    ];
    const rounds = patternRounds(
      [...at(0, 0), moved(0.05, 0), ...at(0.05, 0), moved(0, 0.05), ...at(0.05, 0.05)],
      'ring',
    );
    const own = ownSensitivities(rounds)!;
    expect(own.depth.drive.length).toBeCloseTo(-2, 6);
    expect(own.backlash.drive.length).toBeCloseTo(1, 6);
    expect(own.depth.coast.length).toBeCloseTo(1.6, 6);
  });

  it('learn nothing from a move that is smaller than the reading’s own scatter', () => {
    const rounds = patternRounds(
      [
        read('drive', 0.6, 0.5),
        read('coast', 0.4, 0.5),
        moved(0.01, 0),
        read('drive', 0.4, 0.5),
        read('coast', 0.4, 0.5),
      ],
      'ring',
    );
    expect(ownSensitivities(rounds)).toBeUndefined();
  });
});
