import type { CauseNetwork, CauseNode } from '@/model/causeNetwork';
import { EARLIER_REPAIR, NOTHING_TO_SEE } from '@/model/damage';
import type { Finding, JobSnapshot } from '@/model/snapshot';
import { findMode } from '../../catalogs/words';
import { recordsOf } from '../../strip/recordsOf';
import { findActive } from '../../wear/active';
import { placedId } from '../placeNetwork';
import { has, type Place, placesOfKind } from '../places';
import { type Derived, type Source, told } from './derived';

/** Said of so many parts within so short a time it was said without opening each of them. */
const BATCH = 3;
const BATCH_MS = 4000;
/** Of so large a share of a kind of parts something has to have been looked at before none of them shows it. */
const MOST_OF_THEM = 0.8;

/** From what was seen on the parts and read from photographs. The strip's own tool marks and what is older are no evidence. */
export function ofLook(job: JobSnapshot, network: CauseNetwork): Derived[] {
  const findings = findActive(job.findings).filter(
    ({ mode, story }) => mode !== EARLIER_REPAIR && story !== 'this-strip',
  );
  const looked = lookedAt(findings, job);
  const nodes = network.nodes.filter(({ seen, needs }) => seen && (!needs || has(job.unitType, needs)));
  return [
    ...nodes.flatMap((node) =>
      node.at ? atPlaces(node, findings, looked, job) : ofUnit(node, findings, looked, job),
    ),
    ...ofPictures(job),
    ...ofWeakness(job, findings),
  ];
}

type Looked = ReadonlySet<string>;

/** Parts of which somebody said by itself that nothing is to be seen. Many at once never open a bearing. */
function lookedAt(findings: readonly Finding[], { unitType }: JobSnapshot): Looked {
  const nothing = findings.filter(({ mode }) => mode === NOTHING_TO_SEE);
  const family = new Map(unitType.positions.map((position) => [position.id, position.family]));
  const inBatch = (one: Finding) =>
    nothing.filter(
      (other) =>
        other.authorId === one.authorId &&
        Math.abs(Date.parse(other.deviceTime) - Date.parse(one.deviceTime)) < BATCH_MS,
    ).length >= BATCH;
  return new Set(
    nothing
      .filter((one) => family.get(one.positionId) !== 'rolling-bearing' || !inBatch(one))
      .map(({ positionId }) => positionId),
  );
}

const fits = ({ seen = [] }: CauseNode, finding: Finding, family: string | undefined): boolean =>
  seen.some(
    (word) =>
      word.family === family &&
      word.modes.includes(finding.mode) &&
      (word.places === undefined || word.places.includes(finding.place)),
  );

function atPlaces(
  node: CauseNode,
  findings: readonly Finding[],
  looked: Looked,
  job: JobSnapshot,
): Derived[] {
  const { unitType } = job;
  const family = new Map(unitType.positions.map((position) => [position.id, position.family]));
  return placesOfKind(unitType, node.at!).flatMap((place): Derived[] => {
    const own = findings.filter(({ positionId }) => place.positions.includes(positionId));
    const hit = own.find((finding) => fits(node, finding, family.get(finding.positionId)));
    const id = placedId(node.id, place.id);
    if (hit) return [told(id, 'seen', sourceOf(hit, job))];
    return isClean(place, own, looked)
      ? [
          told(id, 'absent', {
            words: `${place.name}: nothing to see`,
            station: 'grade',
            positionId: place.positions[0]!,
          }),
        ]
      : [];
  });
}

/** All that belongs to a place was looked at, and nothing of anything was noted on it. */
const isClean = (place: Place, own: readonly Finding[], looked: Looked): boolean =>
  place.positions.some((id) => looked.has(id)) && own.every(({ mode }) => mode === NOTHING_TO_SEE);

function ofUnit(node: CauseNode, findings: readonly Finding[], looked: Looked, job: JobSnapshot): Derived[] {
  const { positions } = job.unitType;
  const family = new Map(positions.map((position) => [position.id, position.family]));
  const hit = findings.find((finding) => fits(node, finding, family.get(finding.positionId)));
  if (hit) return [told(node.id, 'seen', sourceOf(hit, job))];
  const kinds = new Set((node.seen ?? []).map((word) => word.family));
  const own = positions.filter((position) => kinds.has(position.family));
  const known = own.filter(
    ({ id }) => looked.has(id) || findings.some(({ positionId }) => positionId === id),
  );
  return own.length > 0 && known.length >= MOST_OF_THEM * own.length
    ? [
        told(node.id, 'absent', {
          words: `${known.length} of ${own.length} parts of the kind were looked at`,
          station: 'grade',
        }),
      ]
    : [];
}

function sourceOf(finding: Finding, { unitType, catalogs }: JobSnapshot): Source {
  const position = unitType.positions.find(({ id }) => id === finding.positionId);
  const mode = position && findMode(catalogs, position.family, finding.mode);
  return {
    words: `${position?.name ?? finding.positionId}: ${mode?.term ?? finding.mode}`,
    ...{ station: 'grade', positionId: finding.positionId },
  };
}

/** Shares and patterns that a photograph told: as sure as the reading was, and never certain. */
function ofPictures({ records, unitType }: JobSnapshot): Derived[] {
  const last = new Map(
    recordsOf(records, 'picture-measured').map(({ content }) => [
      `${content.photographId} ${content.found.kind}`,
      content,
    ]),
  );
  const name = (id: string) => unitType.positions.find((position) => position.id === id)?.name ?? id;
  return [...last.values()].flatMap(({ found, positionId, confidence }): Derived[] => {
    const source = (words: string): Source => ({
      words: `${name(positionId)}, photograph: ${words} (${Math.round(confidence * 100)} % sure)`,
      ...{ station: 'grade', positionId },
    });
    // A reading of which nothing is sure says nothing either way.
    const ratio = confidence < 0.5 ? 1 : 1 + 9 * (confidence - 0.5) * 2;
    if (ratio === 1) return [];
    if (found.kind === 'pits') {
      const places = placesOfKind(unitType, 'mesh').filter(({ positions }) => positions.includes(positionId));
      const pitted = found.areaFraction > 0.01;
      const words = source(`${Math.round(found.areaFraction * 1000) / 10} % pitted`);
      return places.map(({ id }) => told(placedId('pitting', id), 'seen', words, pitted ? ratio : 1 / ratio));
    }
    if (found.flank !== 'drive') return [];
    const { length } = found.centroid;
    const words = source(`pattern at ${Math.round(length * 100)} % of the length`);
    const [toe, heel] = [length < 0.33, length > 0.67];
    return [
      told('pattern-toe', 'seen', words, toe ? ratio : 1 / ratio),
      told('pattern-heel', 'seen', words, heel ? ratio : 1 / ratio),
      told('pattern-end', 'seen', words, toe || heel ? ratio : 1 / ratio),
    ];
  });
}

function ofWeakness({ unitType, grades }: JobSnapshot, findings: readonly Finding[]): Derived[] {
  const graded = new Map(grades.map(({ positionId, grade }) => [positionId, grade]));
  return unitType.weaknesses.flatMap(({ positions, words }): Derived[] => {
    const hurt = positions.find((id) => (graded.get(id) ?? 0) >= 4);
    if (hurt) return [told('known-weakness', 'seen', { words, station: 'grade', positionId: hurt })];
    const seen = positions.filter(
      (id) => graded.has(id) || findings.some(({ positionId }) => positionId === id),
    );
    return seen.length === positions.length && positions.length > 0
      ? [told('known-weakness', 'absent', { words, station: 'grade', positionId: positions[0]! })]
      : [];
  });
}
