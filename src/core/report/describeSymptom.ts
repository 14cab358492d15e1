import { BEATS, LOADS, type Symptom, symptomKind } from '@/model/symptoms';

const nameOf = <Id extends string>(list: readonly { id: Id; name: string }[], id: Id): string =>
  list.find((each) => each.id === id)?.name ?? id;

/** A symptom in one line: what, and when it shows. */
export function describeSymptom(symptom: Symptom): string {
  const said = [
    symptom.sounds.join(' and '),
    symptom.gears.length > 0 ? `in ${symptom.gears.join(', ')}` : '',
    symptom.loads.map((load) => nameOf(LOADS, load)).join(' and '),
    symptom.beat ? nameOf(BEATS, symptom.beat) : '',
    speedWords(symptom),
    symptom.when,
  ].filter((words) => words !== '');
  const { name } = symptomKind(symptom.id);
  return said.length === 0 ? name : `${name}: ${said.join('; ')}`;
}

function speedWords({ fromKmh, toKmh }: Symptom): string {
  if (fromKmh !== undefined && toKmh !== undefined)
    return fromKmh === toKmh ? `at ${fromKmh} km/h` : `from ${fromKmh} to ${toKmh} km/h`;
  if (fromKmh !== undefined) return `from ${fromKmh} km/h up`;
  return toKmh === undefined ? '' : `up to ${toKmh} km/h`;
}
