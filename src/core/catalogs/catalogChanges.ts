import { CATALOG_NAMES, type Catalogs, JOB_CATALOGS, type JobCatalog } from '@/model/catalogs';
import { GRADE_WORD, type GradeOrNone } from '@/model/damage';
import type { JobSnapshot } from '@/model/snapshot';
import { describeFinding } from '../report/describeFinding';
import { type JudgedElement, judgeSample } from '../strip/labSample';
import { recordsOf } from '../strip/recordsOf';
import { findActive } from '../wear/active';
import { partState } from '../wear/partStanding';

/** What going over to other documents would change in this job as it stands, in sentences; each kind that changes nothing says so. */
export function catalogChanges(snapshot: JobSnapshot, next: Catalogs): string[] {
  return JOB_CATALOGS.filter((kind) => next[kind].revision !== snapshot.catalogs[kind].revision).flatMap(
    (kind) => {
      const changes = CHANGES[kind](snapshot, next);
      return changes.length > 0
        ? changes
        : [`Nothing in this job changes by the newer ${CATALOG_NAMES[kind]}.`];
    },
  );
}

const CHANGES: Readonly<Record<JobCatalog, (snapshot: JobSnapshot, next: Catalogs) => string[]>> = {
  'grade-rules': proposalsChanged,
  'damage-words': wordsChanged,
  'oil-thresholds': levelsChanged,
  cautions: cautionsChanged,
};

const gradeWords = (grade: GradeOrNone): string =>
  grade === null ? 'nothing' : `${grade}, ${GRADE_WORD[grade]}`;

function proposalsChanged(snapshot: JobSnapshot, next: Catalogs): string[] {
  const { unitType, catalogs } = snapshot;
  return unitType.positions.flatMap((position) => {
    const rules = { ...catalogs, 'grade-rules': next['grade-rules'] };
    const before = partState(position, snapshot, catalogs).proposal.grade;
    const after = partState(position, snapshot, rules).proposal.grade;
    return before === after
      ? []
      : [`${position.name}: the rules would propose ${gradeWords(after)}; now ${gradeWords(before)}.`];
  });
}

function wordsChanged({ unitType, findings, catalogs }: JobSnapshot, next: Catalogs): string[] {
  const sentences = findActive(findings).flatMap((finding) => {
    const position = unitType.positions.find(({ id }) => id === finding.positionId);
    if (!position) return [];
    const before = describeFinding(finding, position.family, catalogs);
    const after = describeFinding(finding, position.family, next);
    return before === after ? [] : [`${position.name}: “${before}” would read “${after}”.`];
  });
  return [...new Set(sentences)];
}

function levelsChanged({ records, catalogs }: JobSnapshot, next: Catalogs): string[] {
  const samples = recordsOf(records, 'lab').map(({ content }) => content);
  const levels = (thresholds: Catalogs['oil-thresholds']) =>
    samples.flatMap((sample, index) =>
      judgeSample(sample, thresholds, samples[index - 1]).map((judged) => ({ sample, judged })),
    );
  const before = new Map(
    levels(catalogs['oil-thresholds']).map(({ sample, judged }) => [`${sample.sample} ${judged.id}`, judged]),
  );
  return levels(next['oil-thresholds']).flatMap(({ sample, judged }) => {
    const was = before.get(`${sample.sample} ${judged.id}`);
    return was?.level === judged.level
      ? []
      : [`Sample ${sample.sample}: ${judged.name} would be ${LEVEL[judged.level]}.`];
  });
}

const LEVEL: Readonly<Record<JudgedElement['level'], string>> = {
  untold: 'judged by no limit',
  usual: 'usual',
  watch: 'more than usual',
  act: 'far too much',
};

function cautionsChanged({ catalogs }: JobSnapshot, next: Catalogs): string[] {
  const known = new Map(catalogs.cautions.cautions.map(({ id, words }) => [id, words]));
  return next.cautions.cautions
    .filter(({ id, words }) => known.get(id) !== words)
    .map(({ id, title, words }) => `${known.has(id) ? 'Worded anew' : 'New caution'}: ${title}. ${words}`);
}
