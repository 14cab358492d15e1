import { GRADE_WORD, type Grade } from '@/model/damage';
import type { OpenQuestion } from '@/model/openQuestion';
import type { RecordOf } from '@/model/recordKinds';
import { NO_TURNING } from '@/model/records/faces-graded';
import type { BenchRecord } from '@/model/snapshot';
import type { Position } from '@/model/unitType';
import { expectedPieces } from '../strip/inventory';
import { recordsOf } from '../strip/recordsOf';
import type { GradeProposal } from './proposeGrade';

export type PiecesGraded = RecordOf<'pieces-graded'>['pieces'];
export type FacesGraded = Pick<RecordOf<'faces-graded'>, 'worn' | 'other' | 'noTurning'>;

/** How many pieces of a place are of which grade, the worst first; undefined where nobody graded them one by one. */
export function piecesGraded(records: readonly BenchRecord[], positionId: string): PiecesGraded | undefined {
  const last = recordsOf(records, 'pieces-graded').filter(({ content }) => content.positionId === positionId);
  const pieces = last.at(-1)?.content.pieces;
  return pieces && [...pieces].sort((a, b) => b.grade - a.grade);
}

export const facesGraded = (records: readonly BenchRecord[], positionId: string): FacesGraded | undefined =>
  recordsOf(records, 'faces-graded')
    .filter(({ content }) => content.positionId === positionId)
    .at(-1)?.content;

/** “2 of 6 done, 4 run in”. */
export function tellPieces(pieces: PiecesGraded, expected: number): string {
  const looked = pieces.reduce((sum, { count }) => sum + count, 0);
  const words = pieces.map(
    ({ grade, count }, index) => `${count}${index === 0 ? ` of ${expected}` : ''} ${GRADE_WORD[grade]}`,
  );
  const unseen = expected - looked;
  return [...words, ...(unseen > 0 ? [`${unseen} not looked at`] : [])].join(', ');
}

const tellFaces = ({ worn, other }: FacesGraded): string =>
  `One face ${GRADE_WORD[worn]}, the other ${GRADE_WORD[other]}`;

/** What was graded piece by piece or face by face, as reasons beside those of the rules: the worst of them holds for the part. */
export function reasonsOfPieces(
  position: Position,
  records: readonly BenchRecord[],
): GradeProposal['reasons'] {
  const pieces = piecesGraded(records, position.id);
  const faces = facesGraded(records, position.id);
  const worst = pieces?.[0]?.grade;
  return [
    ...(pieces && worst !== undefined
      ? [{ rule: 'piece-by-piece', grade: worst, words: tellPieces(pieces, expectedPieces(position)) }]
      : []),
    ...(faces
      ? [{ rule: 'face-by-face', grade: Math.max(faces.worn, faces.other) as Grade, words: tellFaces(faces) }]
      : []),
  ];
}

export function piecesUnseen(position: Position, records: readonly BenchRecord[]): OpenQuestion[] {
  const pieces = piecesGraded(records, position.id);
  if (!pieces) return [];
  const looked = pieces.reduce((sum, { count }) => sum + count, 0);
  const expected = expectedPieces(position);
  return looked < expected ? [{ code: 'pieces-unseen', positionId: position.id, looked, expected }] : [];
}

/** Why a part can't be turned over; empty where it can. Both faces have to be known: the one that was worn, and a sound one. */
export function whyNotTurned({ name }: Pick<Position, 'name'>, faces: FacesGraded | undefined): string {
  if (!faces)
    return `${name}: its faces were not graded apart, so nobody knows whether the other one is sound.`;
  const bar = NO_TURNING.find(({ id }) => id === faces.noTurning);
  if (bar) return `${name} isn’t turned over: ${bar.words}.`;
  if (faces.other > 1) return `${name}: its other face is ${GRADE_WORD[faces.other]} too.`;
  if (faces.worn > 3)
    return `${name}: its worn face is ${GRADE_WORD[faces.worn]}; turning it over mends nothing.`;
  return '';
}
