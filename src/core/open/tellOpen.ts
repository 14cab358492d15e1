import { PART_DECISIONS } from '@/model/job';
import type { OpenCode, OpenOf, OpenQuestion } from '@/model/openQuestion';
import { REFERENCE_C } from '../metrology/temperature';

const WORDS: { readonly [Code in OpenCode]: (question: OpenOf<Code>) => string } = {
  'serial-unknown': () => 'No serial number yet',
  'oil-unknown': () => 'Nobody has said which oil was in it',
  'not-described': () => 'Not described: nobody has said yet what is in it',
  'identity-conflict': ({ conflicts }) => `What was counted disagrees with ${conflicts.join(' and ')}`,
  'nothing-looked-at': () => 'Nothing of it has been looked at',
  'not-drained': () => 'Not drained: nobody has looked at the oil',
  'debris-unmatched': ({ piece, linked }) =>
    linked
      ? `${piece}: ${linked.sure} from ${linked.place}, not proved`
      : `${piece}: nothing accounts for it yet`,
  'sample-out': ({ sample }) => `Sample ${sample}: the laboratory’s figures are not here yet`,
  'pattern-not-seen': ({ pair }) => `${pair}: the contact pattern was not looked at yet`,
  'baseline-open': ({ check }) => `${check}: to be read before it comes apart`,
  'baseline-missed': ({ check, part }) => `${check} of ${part}: not read before it came apart`,
  'not-opened': () => 'Not opened: nothing of its inside has been looked at',
  'step-open': ({ step }) => `${step}: not done yet`,
  'pieces-missing': ({ counted, expected }) =>
    expected === 1 ? 'Missing' : `${counted} of ${expected} counted: ${expected - counted} missing`,
  'pieces-surplus': ({ counted, expected }) =>
    `${counted} counted where ${expected} belong: ${counted - expected} too many`,
  'pieces-wrong': () => 'Not what belongs there',
  'not-looked-at': () => 'Not looked at',
  'only-measured': () => 'Measured, but not looked at',
  'not-graded': () => 'Looked at, but not graded',
  'graded-twice': ({ grade, by }) => `Graded ${grade} by ${by} too, without knowing of the other`,
  'decided-twice': ({ decision, by }) =>
    `Decided “${PART_DECISIONS.find(({ id }) => id === decision)?.name ?? decision}” by ${by} too, without knowing of the other`,
  'noted-twice': ({ noun, by }) => `Another ${noun} by ${by}, without knowing of the first`,
  'evidence-newer': () => 'New evidence since it was graded',
  'evidence-gone': () => 'What was found on it was taken back; its grade rests on nothing',
  'hand-test-unsaid': ({ test }) => `${test}: tried by hand, and it can’t be said`,
  'pieces-unseen': ({ looked, expected }) => `${looked} of ${expected} pieces looked at`,
  'colleague-asked': () => 'A second pair of eyes was asked for, and nothing is settled yet',
  'thin-by-eye': ({ words }) => words,
  'figure-unjudged': ({ measured }) => `${measured}: measured, but no limit known`,
  'not-measured': ({ check }) => `${check}: not measured`,
  'no-limit': ({ check }) => `${check}: no limit known`,
  'too-close': ({ check }) => `${check}: too close to call`,
  'too-close-unaccepted': ({ check }) => `${check}: too close to call, and nobody has accepted it`,
  'off-temperature': ({ check }) => `${check}: not read at ${REFERENCE_C} °C`,
  'photograph-unfiled': ({ fileName }) => `${fileName}: of which part?`,
  'record-unreadable': ({ kind }) => `A record (${kind}) that this version of the program can’t read`,
  'no-cause': () => 'No cause yet',
  'part-undecided': () => 'Not decided',
  'unit-undecided': () => 'Nobody has decided what becomes of the unit',
  'not-refitted': ({ step }) => `${step}: not back in yet`,
  'bolts-open': ({ step, out }) =>
    `${step}: ${out > 0 ? `${out} ${out === 1 ? 'bolt' : 'bolts'} turned at its value` : 'its bolts are not all at their value'}`,
  'pieces-not-in': ({ counted, expected }) =>
    counted < expected
      ? `${counted} of ${expected} back in: ${expected - counted} left on the bench`
      : `${counted} in where ${expected} belong`,
  'new-part-wrong': ({ words }) => `New part: ${words}`,
  'new-part-held': ({ words }) => `New part: ${words}`,
  'rework-open': ({ work, isBack }) =>
    isBack ? `${work}: not within its figures yet` : `${work}: not measured since`,
  'not-measured-after': ({ check }) => `${check}: not read since it is together again`,
  'not-proved': ({ proof }) => `${proof}: not done yet`,
  'deviation-unsigned': ({ words }) => `${words}: nobody has signed for it`,
  'set-up-open': ({ set, why }) => `${set}: ${why}`,
  'no-report': () => 'No report issued',
};

/** One open question in words, for the bench and for the customer alike. The only place that has them. */
export const tellOpen = (question: OpenQuestion): string =>
  (WORDS[question.code] as (question: OpenQuestion) => string)(question);
