import { PRACTICE, type PracticeMove } from '@/core/practice/practiceRun';
import type { HowHeld } from '@/core/practice/practiceTruth';
import type { NextAct } from '@/core/practice/practise';
import { formatNumber } from '@/core/quantity/format';

/** What the tool would do next, as an order to a hand. */
export function nextWords(next: NextAct, held: HowHeld): string {
  if (next === undefined) return 'It stays so.';
  if ('move' in next) return moveWords(next.move, held);
  const { act } = next;
  switch (act.what) {
    case 'caps':
      return 'Torque the caps: snug ones let the ring lie elsewhere.';
    case 'turn':
      return `Turn it ${PRACTICE.turns} times: rollers settle, and a cup that stayed behind comes up.`;
    case 'paint':
      return 'Look at the paint again.';
    case 'tooth':
      return `Read tooth ${act.tooth + 1} again.`;
    case 'nut':
      return `Tighten the nut by ${formatNumber(act.degrees, 1)}°.`;
    case 'sleeve':
      return 'Past the band: a new sleeve.';
  }
}

const moveWords = ({ left, right, depth }: PracticeMove, held: HowHeld): string =>
  [
    left === 0 ? '' : `left ${sideWords(left, held)}`,
    right === 0 ? '' : `right ${sideWords(right, held)}`,
    depth === 0
      ? ''
      : `pinion ${formatNumber(Math.abs(depth), 2)} mm ${depth > 0 ? 'toward the ring' : 'away from the ring'}`,
  ]
    .filter(Boolean)
    .join(', ')
    .replace(/^./, (letter) => letter.toUpperCase())
    .concat('.');

function sideWords(mm: number, { by, perNotch }: HowHeld): string {
  if (by === 'shims') return `${formatNumber(Math.abs(mm), 2)} mm ${mm > 0 ? 'more' : 'less'}`;
  const notches = Math.round(Math.abs(mm) / perNotch);
  return `${notches} ${notches === 1 ? 'notch' : 'notches'} ${mm > 0 ? 'in' : 'out'}`;
}
