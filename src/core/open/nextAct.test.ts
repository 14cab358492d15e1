import { describe, expect, it } from 'vitest';
import type { StationId } from '@/model/job';
import type { StationCount } from '../decisions/stationCounts';
import type { PartState } from '../wear/partStanding';
import { nextAct } from './nextAct';

const count = (id: StationId, open: number | null): StationCount => ({
  id,
  name: id,
  open,
  done: 0,
  left: 0,
});
const part = (id: string, open: number) =>
  ({ position: { id, name: `the ${id}` }, openQuestions: Array(open).fill({}) }) as unknown as PartState;
const at = (station: StationId, hand?: string, over: object = {}) =>
  nextAct({
    ...{ station, part: hand, parts: [part('a', 0), part('b', 2), part('c', 1)] },
    counts: [
      count('drain', 1),
      count('strip', 0),
      count('grade', 2),
      count('rebuild', null),
      count('decide', 3),
    ],
    ...over,
  });

describe('the one next act', () => {
  it('at Grade is the next part with something open, round the unit', () => {
    expect(at('grade')).toMatchObject({ to: 'part', positionId: 'b', words: 'the b' });
    expect(at('grade', 'b')).toMatchObject({ positionId: 'c' });
    expect(at('grade', 'c')).toMatchObject({ positionId: 'b' });
  });
  it('from the only open part at Grade leads on to the next station', () => {
    expect(at('grade', 'b', { parts: [part('b', 1)] })).toMatchObject({ to: 'station', station: 'decide' });
  });
  it('at Baseline is the next check to be read, not the one in hand', () => {
    const toRead = [
      { positionId: 'a', checkId: 'torque', words: 'Torque' },
      { positionId: 'b', checkId: 'backlash', words: 'Backlash' },
    ];
    expect(at('baseline', undefined, { toRead })).toMatchObject({ to: 'check', checkId: 'torque' });
    expect(at('baseline', 'a', { toRead, check: 'torque' })).toMatchObject({ checkId: 'backlash' });
    const counts = [count('drain', 1), count('baseline', 0), count('grade', 2)];
    expect(at('baseline', undefined, { toRead: [], counts })).toMatchObject({
      to: 'station',
      station: 'grade',
    });
  });
  it('is nothing where something is open here, and another station where nothing is', () => {
    expect(at('drain')).toBeUndefined();
    expect(at('strip')).toMatchObject({ station: 'grade', words: 'grade, 2 open' });
    expect(at('rebuild')).toMatchObject({ station: 'decide' });
  });
  it('goes back to what was left open before, and to the rack when nothing is', () => {
    const counts = [count('drain', 1), count('hand-over', 0)];
    expect(at('hand-over', undefined, { counts })).toMatchObject({ station: 'drain' });
    expect(at('hand-over', undefined, { counts: [count('hand-over', 0)] })).toMatchObject({ to: 'rack' });
  });
});
