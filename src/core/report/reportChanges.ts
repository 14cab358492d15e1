import type { Quote } from '@/model/quote';
import type { ReportDocument, ReportPart } from '@/model/report';
import { sameContent } from '../canonicalJson';
import { tellMoney } from '../planning/money';

type Unit = ReportDocument['unit'];
type Sentences = (before: ReportDocument, after: ReportDocument) => string[];

/**
 * What a later issue says differently, in sentences for the customer. Every difference of the document yields one: what no sentence
 * of its own tells is at least named. Empty when nothing differs.
 */
export function reportChanges(before: ReportDocument, after: ReportDocument): string[] {
  return SUBJECTS.flatMap(({ of, tell, otherwise }) => {
    if (sameContent(of(before), of(after))) return [];
    const told = tell?.(before, after) ?? [];
    return told.length > 0 ? told : [otherwise];
  });
}

interface Subject {
  readonly of: (report: ReportDocument) => unknown;
  readonly tell?: Sentences;
  /** For a difference that `tell` has no sentence for. */
  readonly otherwise: string;
}

const SUBJECTS: readonly Subject[] = [
  { of: ({ shop }) => shop, otherwise: 'Our own name or address changed.' },
  { of: ({ unit }) => unit, tell: unitChanges, otherwise: 'What is said of the unit changed.' },
  { of: ({ complaint }) => complaint, otherwise: 'The complaint was worded anew.' },
  { of: ({ symptoms }) => symptoms, tell: symptomChanges, otherwise: 'The symptoms were put down anew.' },
  { of: ({ oilClaimed }) => oilClaimed, tell: oilChanges, otherwise: 'The oil that was claimed changed.' },
  {
    of: ({ damaged, worn, sound }) => [damaged, worn, sound],
    tell: partChanges,
    otherwise: 'What was found on the parts is told anew.',
  },
  { of: ({ cause }) => cause, tell: causeChanges, otherwise: 'The cause was worded anew.' },
  { of: ({ proposal }) => proposal, tell: proposalChanges, otherwise: 'The proposal was worded anew.' },
  { of: ({ quote }) => quote, tell: quoteChanges, otherwise: 'What we offer was worded anew.' },
  {
    of: ({ partDecisions }) => partDecisions,
    tell: decisionChanges,
    otherwise: 'The decisions are listed anew.',
  },
  { of: ({ open }) => open, tell: openChanges, otherwise: 'What is not settled is told anew.' },
  { of: ({ evidence }) => evidence, tell: evidenceChanges, otherwise: 'What else we saw is told anew.' },
  { of: ({ issuedDespite }) => issuedDespite, otherwise: 'Why it is issued with open questions changed.' },
  { of: ({ watch }) => watch, otherwise: 'What to watch was changed.' },
  { of: ({ cautions }) => cautions, otherwise: 'The cautions were worded anew.' },
  { of: ({ schemaVersion }) => schemaVersion, otherwise: 'The report is laid out anew.' },
];

/** What is offered otherwise than before; an answer to the earlier offer is none to this one. */
function quoteChanges({ quote: before }: ReportDocument, { quote: after }: ReportDocument): string[] {
  if (!before) return ['There is an offer now: please choose.'];
  if (!after) return ['The earlier offer is withdrawn.'];
  const money = (quote: Quote, minor: number) => tellMoney(minor, quote);
  const slips = after.slips.flatMap((slip) => {
    const earlier = before.slips.find(({ id }) => id === slip.id);
    if (!earlier) return [`Offered now: ${slip.name}, ${money(after, slip.total)} with tax.`];
    return earlier.total === slip.total
      ? []
      : [`${slip.name}: ${money(after, slip.total)} with tax instead of ${money(before, earlier.total)}.`];
  });
  const lines = (after.lines ?? []).flatMap((line) => {
    const earlier = before.lines?.find(({ id }) => id === line.id);
    if (!earlier) return [`To take or to leave now: ${line.name}, ${money(after, line.total)} with tax.`];
    return earlier.total === line.total
      ? []
      : [`${line.name}: ${money(after, line.total)} with tax instead of ${money(before, earlier.total)}.`];
  });
  const gone = [...before.slips, ...(before.lines ?? [])]
    .filter(({ id }) => ![...after.slips, ...(after.lines ?? [])].some((each) => each.id === id))
    .map(({ name }) => `No longer offered: ${name}.`);
  return [...slips, ...lines, ...gone];
}

const UNIT_WORDS: Readonly<Record<keyof Unit, string>> = {
  peg: 'The peg',
  title: 'The name of the unit',
  machine: 'The machine',
  customer: 'The customer',
  serial: 'The serial number',
  distanceKm: 'The distance',
  bookedAt: 'The day of booking in',
  dueOn: 'The date',
  unitType: 'The description that it is judged by',
};

function unitChanges({ unit: before }: ReportDocument, { unit: after }: ReportDocument): string[] {
  return (Object.keys(UNIT_WORDS) as (keyof Unit)[])
    .filter((key) => before[key] !== after[key])
    .map((key) => {
      const verb = key === 'dueOn' ? 'moved' : 'changed';
      return `${UNIT_WORDS[key]} ${verb} from ${shown(before[key])} to ${shown(after[key])}.`;
    });
}

const shown = (value: string | number | null): string =>
  value === null || value === '' ? 'not given' : String(value);

function symptomChanges({ symptoms: before }: ReportDocument, { symptoms: after }: ReportDocument): string[] {
  return [
    ...after.filter((each) => !before.includes(each)).map((each) => `Complained of now: ${each}.`),
    ...before.filter((each) => !after.includes(each)).map((each) => `No longer complained of: ${each}.`),
  ];
}

function oilChanges({ oilClaimed: before }: ReportDocument, { oilClaimed: after }: ReportDocument): string[] {
  return [`The oil that was claimed changed from ${shown(before)} to ${shown(after)}.`];
}

const graded = (report: ReportDocument): Map<string, ReportPart> =>
  new Map([...report.damaged, ...report.worn, ...report.sound].map((part) => [part.positionId, part]));

function partChanges(before: ReportDocument, after: ReportDocument): string[] {
  const [earlier, later] = [graded(before), graded(after)];
  return [
    ...[...later].flatMap(([id, part]) => onePartChanges(earlier.get(id), part)),
    ...[...earlier].filter(([id]) => !later.has(id)).map(([, part]) => `${part.name} is no longer settled.`),
  ];
}

function onePartChanges(was: ReportPart | undefined, part: ReportPart): string[] {
  if (!was) return [`${part.name} is now graded ${part.grade}, ${part.gradeWord}.`];
  const [photographs, before] = [part.photographs.length, was.photographs.length];
  const changes: string[] = [];
  if (was.grade !== part.grade)
    changes.push(
      `${part.name} changed from grade ${was.grade}, ${was.gradeWord}, to ${part.grade}, ${part.gradeWord}.`,
    );
  else if (!sameContent([was.seen, readOf(was)], [part.seen, readOf(part)]))
    changes.push(`${part.name} was looked at or measured again.`);
  if (photographs !== before)
    changes.push(
      `${part.name} has ${photographs === 1 ? 'one photograph' : `${photographs} photographs`}, it had ${before === 0 ? 'none' : before}.`,
    );
  else if (!sameContent(was.photographs, part.photographs))
    changes.push(
      sameContent(was.photographs.map(unmarked), part.photographs.map(unmarked))
        ? `${part.name}: what is drawn on its photographs changed.`
        : `${part.name} has other photographs.`,
    );
  if (was.name !== part.name) changes.push(`${was.name} is now called ${part.name}.`);
  return changes;
}

/** Earlier reports also listed what nobody had read. */
const readOf = ({ measured }: ReportPart) => measured.filter(({ verdict }) => verdict !== 'not-measured');

const unmarked = ({ id, digest }: ReportPart['photographs'][number]) => [id, digest];

function causeChanges({ cause: before }: ReportDocument, { cause: after }: ReportDocument): string[] {
  if (!before) return ['The cause is now given.'];
  if (!after) return ['The cause was withdrawn.'];
  return before.sureness === after.sureness
    ? []
    : [`How sure we are of the cause changed: ${after.sureness}.`];
}

function proposalChanges(
  { proposal: before }: ReportDocument,
  { proposal: after }: ReportDocument,
): string[] {
  if (!after) return ['The proposal was withdrawn.'];
  if (before?.decision === after.decision && before.reason === after.reason)
    return [`What we propose is now said by ${after.by}.`];
  return [`What we propose: ${after.decision}${before ? `, before: ${before.decision}` : ''}.`];
}

function decisionChanges(before: ReportDocument, after: ReportDocument): string[] {
  const byPart = (report: ReportDocument) =>
    new Map(
      report.partDecisions.flatMap(({ decision, parts }) => parts.map((part) => [part, decision] as const)),
    );
  const [earlier, later] = [byPart(before), byPart(after)];
  return [
    ...[...later]
      .filter(([part, decision]) => earlier.get(part) !== decision)
      .map(
        ([part, decision]) =>
          `${part}: ${decision.toLowerCase()}${earlier.has(part) ? `, before: ${earlier.get(part)?.toLowerCase()}` : ''}.`,
      ),
    ...[...earlier]
      .filter(([part]) => !later.has(part))
      .map(([part, decision]) => `${part}: no longer decided, before: ${decision.toLowerCase()}.`),
  ];
}

function openChanges({ open: before }: ReportDocument, { open: after }: ReportDocument): string[] {
  const count = (open: ReportDocument['open']) => open.reduce((sum, part) => sum + part.questions.length, 0);
  if (count(before) !== count(after)) return [`Open questions: ${count(after)}, before: ${count(before)}.`];
  const earlier = new Map(before.map(({ positionId, questions }) => [positionId, questions]));
  return after
    .filter(({ positionId, questions }) => !sameContent(earlier.get(positionId), questions))
    .map(({ name, questions }) => `Not settled of ${name} now: ${questions.join('; ')}.`);
}

function evidenceChanges(before: ReportDocument, after: ReportDocument): string[] {
  const earlier = new Map((before.evidence ?? []).map(({ title, lines }) => [title, lines]));
  const later = new Map((after.evidence ?? []).map(({ title, lines }) => [title, lines]));
  return [...new Set([...later.keys(), ...earlier.keys()])]
    .filter((title) => !sameContent(earlier.get(title) ?? [], later.get(title) ?? []))
    .map((title) => `Told anew: ${title.toLowerCase()}.`);
}
