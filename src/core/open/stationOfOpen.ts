import type { StationId } from '@/model/job';
import type { OpenCode, OpenQuestion } from '@/model/openQuestion';

/** Where each question is answered. What was missed for good is told in the report, and open nowhere. */
const STATION: Readonly<Record<OpenCode, StationId | null>> = {
  'serial-unknown': 'book-in',
  'oil-unknown': 'book-in',
  'not-described': 'book-in',
  'identity-conflict': 'book-in',
  'nothing-looked-at': 'grade',
  'not-drained': 'drain',
  'debris-unmatched': 'drain',
  'sample-out': 'drain',
  'baseline-open': 'baseline',
  'pattern-not-seen': 'baseline',
  'baseline-missed': null,
  'not-opened': 'strip',
  'step-open': 'strip',
  'pieces-missing': 'strip',
  'pieces-surplus': 'strip',
  'pieces-wrong': 'strip',
  'not-looked-at': 'grade',
  'only-measured': 'grade',
  'thin-by-eye': 'grade',
  'figure-unjudged': 'grade',
  'not-graded': 'grade',
  'graded-twice': 'grade',
  'decided-twice': 'decide',
  'noted-twice': 'decide',
  'evidence-newer': 'grade',
  'evidence-gone': 'grade',
  'hand-test-unsaid': 'grade',
  'pieces-unseen': 'grade',
  'colleague-asked': 'grade',
  'not-measured': 'grade',
  'no-limit': 'grade',
  'too-close': 'grade',
  'too-close-unaccepted': 'grade',
  'off-temperature': 'grade',
  'photograph-unfiled': 'grade',
  'record-unreadable': 'grade',
  'no-cause': 'cause',
  'part-undecided': 'decide',
  'unit-undecided': 'decide',
  'not-refitted': 'rebuild',
  'bolts-open': 'rebuild',
  'pieces-not-in': 'rebuild',
  'new-part-wrong': 'decide',
  'new-part-held': 'rebuild',
  'rework-open': 'rebuild',
  'not-measured-after': 'rebuild',
  'not-proved': 'rebuild',
  'deviation-unsigned': 'rebuild',
  'set-up-open': 'rebuild',
  'no-report': 'hand-over',
};

const SAID_BY_OTHERS: readonly (readonly [StationId, OpenCode])[] = [
  ['strip', 'not-opened'],
  ['grade', 'nothing-looked-at'],
];

/** What one question counts as: a part with three open checks is one thing to go to. */
function thingOf(question: OpenQuestion): string {
  if (question.code === 'baseline-open' || question.code === 'not-measured-after')
    return `${question.positionId} ${question.checkId}`;
  if (question.positionId !== null) return question.positionId;
  if ('captureId' in question) return question.captureId;
  if (question.code === 'noted-twice') return `${question.noun} ${question.by}`;
  if (question.code === 'not-proved') return question.proofId;
  if (question.code === 'deviation-unsigned') return question.key;
  if (question.code === 'set-up-open') return question.pair;
  return 'stepId' in question ? question.stepId : question.code;
}

/** How many things each station still has to settle. */
export function openByStation(questions: readonly OpenQuestion[]): ReadonlyMap<StationId, number> {
  const things = new Map<StationId, Set<string>>();
  for (const question of questions) {
    const station = question.code === 'noted-twice' ? question.at : STATION[question.code];
    if (station === null) continue;
    const known = things.get(station) ?? new Set<string>();
    things.set(station, known.add(thingOf(question)));
  }
  // That it wasn’t opened is already said by its open steps, where it has any; that nothing was looked at, by its parts.
  for (const [station, code] of SAID_BY_OTHERS) {
    const there = things.get(station);
    if (there && there.size > 1) there.delete(code);
  }
  return new Map([...things].map(([station, known]) => [station, known.size]));
}
