import { chakra } from '@chakra-ui/react';
import { GRADE_WORD, type GradeOrNone, NOT_LOOKED_AT } from '@/model/damage';
import { gradePath, WHOLE_TOOTH } from '@/model/gradeShape';
import { paint } from './paint';

export const gradeWords = (grade: GradeOrNone): string =>
  grade === null ? NOT_LOOKED_AT : `${grade} ${GRADE_WORD[grade]}`;

interface GradeMarkProps {
  readonly grade: GradeOrNone;
  readonly size?: number;
  readonly onBlue?: boolean;
}

/** The grade's shape alone; figure and word always stand beside it. */
export function GradeMark({ grade, size = 24, onBlue = false }: GradeMarkProps) {
  const bad = grade !== null && grade >= 4;
  const colour = onBlue ? (bad ? 'oxideOnBlue' : 'onBlue') : bad ? 'oxide' : 'metal';
  return (
    <svg
      width={size}
      height={size}
      viewBox="0 0 24 24"
      aria-hidden="true"
      style={{ flexShrink: 0, color: paint(colour) }}
      data-grade={grade ?? 'none'}
    >
      {grade === null ? (
        <path
          d={WHOLE_TOOTH}
          fill="none"
          stroke="currentColor"
          strokeWidth={1.5}
          strokeDasharray="4 3"
          vectorEffect="non-scaling-stroke"
        />
      ) : (
        <>
          {size >= 40 && (
            <path d={WHOLE_TOOTH} fill="none" stroke="currentColor" strokeWidth={0.5} opacity={0.8} />
          )}
          <path d={gradePath(grade)} fill="currentColor" />
        </>
      )}
    </svg>
  );
}

/** Shape, figure and word together; `words` where more is to be said than the grade's own. */
export function GradeLine({ grade, onBlue = false, words }: GradeMarkProps & { readonly words?: string }) {
  const bad = grade !== null && grade >= 4;
  return (
    <chakra.span
      display="inline-flex"
      alignItems="center"
      gap="8px"
      color={bad ? (onBlue ? 'oxideOnBlue' : 'oxide') : undefined}
    >
      <GradeMark grade={grade} onBlue={onBlue} />
      <span>{words ?? gradeWords(grade)}</span>
    </chakra.span>
  );
}
