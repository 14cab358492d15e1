import type { JobSnapshot } from '@/model/snapshot';
import type { Symptom } from '@/model/symptoms';
import { describeSymptom } from '../../report/describeSymptom';
import { type Derived, either, type Source, told } from './derived';

/** Fewer kilometres than this are few, more than that are many. */
const LITTLE_KM = 60_000;
const MUCH_KM = 250_000;
/** What somebody wrote is not what somebody was asked: it only speaks for a circumstance. */
const WRITTEN = 3;

/** From what was said and seen at the counter. */
export function ofBookIn({ job, unitType }: JobSnapshot): Derived[] {
  const gears = unitType.states.length;
  return [
    ...job.symptoms.flatMap((symptom) => ofSymptom(symptom, gears)),
    ...ofReceived(job.received.signs),
    ...ofDistance(job.distanceKm),
    ...ofWords(`${job.complaint} ${job.history}`),
  ];
}

const at = (words: string): Source => ({ words, station: 'book-in' });

function ofSymptom(symptom: Symptom, gears: number): Derived[] {
  const { id, loads, sounds, beat } = symptom;
  const source = at(describeSymptom(symptom));
  const onDrive = loads.includes('drive');
  const onCoast = loads.includes('coast');
  switch (id) {
    case 'noise':
    case 'vibration':
      return [
        ...(sounds.includes('whine') && onDrive ? [told('whine-drive', 'seen', source)] : []),
        ...(sounds.includes('whine') && onCoast ? [told('whine-coast', 'seen', source)] : []),
        ...(sounds.includes('whine') && onDrive !== onCoast
          ? [told(onDrive ? 'whine-coast' : 'whine-drive', 'absent', source)]
          : []),
        ...(sounds.includes('growl') || sounds.includes('rumble') ? [told('growl', 'seen', source)] : []),
        ...(sounds.includes('knock') || sounds.includes('click') ? [told('knock', 'seen', source)] : []),
        ...(beat === 'wheel' ? [told('noise-wheel-turn', 'seen', source)] : []),
        ...(loads.includes('turning') && sounds.length > 0 ? [told('chatter-turns', 'seen', source, 4)] : []),
      ];
    case 'pops-out':
      return [
        ...(onDrive ? [told('pops-drive', 'seen', source)] : []),
        ...(onCoast ? [told('pops-overrun', 'seen', source)] : []),
      ];
    case 'hard-shift': {
      const all = symptom.gears.length > 0 && symptom.gears.length >= gears - 2;
      return symptom.gears.length === 0
        ? [told('hard-all-gears', 'seen', source, 2)]
        : [either('hard-all-gears', all, source), ...(all ? [] : [told('crunch-fast', 'seen', source)])];
    }
    case 'no-drive':
      return [told('no-drive', 'seen', source)];
    case 'slip':
      return [told('slips', 'seen', source)];
    case 'leak':
      return [told('leak-outside', 'seen', source)];
    case 'heat':
      return [told('runs-hot', 'seen', source)];
    default:
      return [];
  }
}

function ofReceived(signs: readonly string[]): Derived[] {
  return signs.flatMap((sign): Derived[] => {
    const source = at(`As received: ${sign}`);
    switch (sign) {
      case 'wet with oil outside':
        return [told('leak-outside', 'seen', source)];
      case 'dry outside':
        return [told('leak-outside', 'absent', source)];
      case 'washed before it came':
        return [told('leak-outside', 'lost', source)];
      case 'breather blocked':
        return [told('breather-blocked', 'seen', source)];
      case 'case cracked or broken':
        return [told('fresh-hole', 'seen', source, 5)];
      case 'signs of an earlier repair':
        return [told('repaired-lately', 'seen', source, WRITTEN)];
      default:
        return [];
    }
  });
}

function ofDistance(km: number | null): Derived[] {
  if (km === null) return [];
  const source = at(`${km.toLocaleString('en').replace(/,/g, ' ')} km on the counter`);
  return [either('low-distance', km < LITTLE_KM, source), either('high-distance', km > MUCH_KM, source)];
}

const WRITTEN_SIGNS: readonly (readonly [RegExp, string])[] = [
  [/\b(rebuil[dt]|repaired|overhaul(ed)?|new bearings|opened before)\b/i, 'repaired-lately'],
  [/\b(tow(s|ed|ing)? (a|the|its)|trailer|overload(ed)?|heavy loads?|hauls?)\b/i, 'heavy-duty'],
  [/\b(stood|laid up|parked) (for|all|over)\b/i, 'stood-long'],
  [/\b(ford|flood(ed)?|river|waded|deep water)\b/i, 'waded'],
  [/\b(snatch(ed)?|recovered|pulled out|winched|stuck in)\b/i, 'recovered'],
  [/\b(since|after) (the |its )?(repair|rebuild|new|work)\b/i, 'noise-first-km'],
  [/\b(suddenly|all at once|with a bang|one bang)\b/i, 'noise-sudden'],
  [/\b(for (months|weeks|years)|growing|louder and louder|getting worse)\b/i, 'earlier-noise'],
  [/\b(jumps?|pops?|falls?) out .*(overrun|off the throttle|downhill)\b/i, 'pops-overrun'],
];

/** Words of the complaint and of the history that speak for a circumstance; they stand there to be confirmed. */
const ofWords = (written: string): Derived[] =>
  WRITTEN_SIGNS.flatMap(([pattern, node]) => {
    const found = pattern.exec(written);
    return found ? [told(node, 'seen', at(`Written at the counter: “${found[0]}”`), WRITTEN)] : [];
  });
