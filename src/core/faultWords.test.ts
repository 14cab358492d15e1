import { describe, expect, it } from 'vitest';
import { inWords, placeInWords } from './faultWords';
import { faultsOfDraft } from './unit-type/faultsOfDraft';

describe('what is wrong, for people', () => {
  it.each([
    ['customerContact', 'Customer contact'],
    ['checks.0.positions', 'Checks, 1st, positions'],
    ['gears.11.teeth', 'Gears, 12th, teeth'],
    ['', 'What was sent'],
  ])('calls “%s” %s', (path, words) => {
    expect(placeInWords(path)).toBe(words);
  });
  it('calls what has a name by it', () => {
    const content = { checks: [{ title: 'Thickness', positions: [] }], states: [{ gear: 'R' }] };
    expect(placeInWords('checks.0.positions', content)).toBe('Checks, “Thickness”, positions');
    expect(placeInWords('states.0.engaged', content)).toBe('States, “R”, engaged');
  });
  it('says nothing that only names types of data', () => {
    expect(inWords({ type: 'min_length', message: 'Invalid length: Expected >=1 but received 0' })).toBe(
      'at least one is needed',
    );
    expect(inWords({ type: 'nobody-knows', message: 'Invalid thing' })).toBe('this is not as it should be');
    expect(inWords({ type: 'check', message: 'min lies above max' })).toBe('min lies above max');
    const said = faultsOfDraft({ title: 7, gears: 'none' }).faults.map(({ message }) => message);
    expect(said.length).toBeGreaterThan(3);
    expect(said.filter((words) => /Invalid|Expected|undefined/.test(words))).toEqual([]);
  });
});
