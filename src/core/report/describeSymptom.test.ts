import * as v from 'valibot';
import { describe, expect, it } from 'vitest';
import { LooseSymptomSchema, NOTHING_SAID, SymptomSchema } from '@/model/symptoms';
import { describeSymptom } from './describeSymptom';

describe('a symptom in one line', () => {
  it('says what was asked and leaves out what was not', () => {
    expect(
      describeSymptom({
        ...NOTHING_SAID,
        id: 'noise',
        sounds: ['whine', 'knock'],
        gears: ['1', '2'],
        loads: ['drive'],
        beat: 'wheel',
        fromKmh: 40,
        toKmh: 60,
        when: 'warm only',
      }),
    ).toBe('Noise: whine and knock; in 1, 2; on drive; once per wheel turn; from 40 to 60 km/h; warm only');
    expect(describeSymptom({ ...NOTHING_SAID, id: 'leak' })).toBe('Leaks');
    expect(describeSymptom({ ...NOTHING_SAID, id: 'vibration', fromKmh: 60, toKmh: 60 })).toBe(
      'Vibration: at 60 km/h',
    );
    expect(describeSymptom({ ...NOTHING_SAID, id: 'heat', fromKmh: 80 })).toBe('Runs hot: from 80 km/h up');
    expect(describeSymptom({ ...NOTHING_SAID, id: 'heat', toKmh: 0 })).toBe('Runs hot: up to 0 km/h');
  });

  it('reads what an earlier version stored, and refuses speeds the wrong way round', () => {
    expect(v.parse(LooseSymptomSchema, { id: 'noise', when: 'on drive' })).toEqual({
      ...NOTHING_SAID,
      id: 'noise',
      when: 'on drive',
    });
    const wrong = v.safeParse(SymptomSchema, { ...NOTHING_SAID, id: 'noise', fromKmh: 60, toKmh: 40 });
    expect(wrong.issues?.[0].message).toBe('the lower speed stands first');
    expect(v.safeParse(SymptomSchema, { ...NOTHING_SAID, id: 'noise', fromKmh: -1 }).success).toBe(false);
    expect(v.safeParse(LooseSymptomSchema, { id: 'creaks' }).success).toBe(false);
  });
});
