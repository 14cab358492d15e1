'use client';

import { Box, Flex } from '@chakra-ui/react';
import { useState } from 'react';
import { expectedPieces } from '@/core/strip/inventory';
import type { PartState } from '@/core/wear/partStanding';
import { piecesGraded, tellPieces } from '@/core/wear/severalPieces';
import { GRADES, type Grade } from '@/model/damage';
import type { RecordContent } from '@/model/recordKinds';
import type { OfJob } from '../job/useBench';
import { GradeMark, gradeWords } from '../kit/GradeMark';
import { Press } from '../kit/Press';
import { AskedOfIt } from './AskedOfIt';

interface PiecesKeysProps extends OfJob {
  readonly part: PartState;
  readonly onPut: (content: RecordContent, words: string) => void;
  readonly onBack: () => void;
}

/** Several pieces lie in one place: how many of them are of which grade. What isn't counted here wasn't looked at. */
export function PiecesKeys({ part: { position }, job, onPut, onBack }: PiecesKeysProps) {
  const expected = expectedPieces(position);
  const before = piecesGraded(job.snapshot.records, position.id) ?? [];
  const [counts, setCounts] = useState<ReadonlyMap<Grade, number>>(
    new Map(before.map(({ grade, count }) => [grade, count])),
  );
  const looked = [...counts.values()].reduce((sum, count) => sum + count, 0);
  const left = expected - looked;
  const add = (grade: Grade, by: number) =>
    setCounts(new Map([...counts, [grade, Math.max(0, (counts.get(grade) ?? 0) + by)]]));
  const pieces = GRADES.map((grade) => ({ grade, count: counts.get(grade) ?? 0 }))
    .filter(({ count }) => count > 0)
    .reverse();
  return (
    <AskedOfIt
      title={`${position.name}, ${expected} pieces: how many are what?`}
      what="pieces-keys"
      onBack={onBack}
    >
      <Flex gap="6px" wrap="wrap">
        {GRADES.map((grade) => {
          const count = counts.get(grade) ?? 0;
          return (
            <Flex key={grade} direction="column" gap="4px" flex="1 1 80px" align="stretch">
              <Press
                size="bench"
                disabled={left <= 0}
                aria-label={`One more ${gradeWords(grade)}`}
                onClick={() => add(grade, 1)}
              >
                <GradeMark grade={grade} size={22} /> {grade} <strong>× {count}</strong>
              </Press>
              <Press
                disabled={count === 0}
                aria-label={`One less ${gradeWords(grade)}`}
                onClick={() => add(grade, -1)}
              >
                −
              </Press>
            </Flex>
          );
        })}
      </Flex>
      <Flex gap="8px" align="center" marginTop="8px" wrap="wrap">
        {left > 0 && (
          <Box flex="1" borderBottom="1px dashed" borderColor="ink">
            {left} not looked at
          </Box>
        )}
        <Press
          kind="main"
          size="bench"
          disabled={looked === 0}
          onClick={() =>
            onPut(
              { what: 'pieces-graded', positionId: position.id, pieces },
              `${position.name}: ${tellPieces(pieces, expected)}`,
            )
          }
        >
          Put it down
        </Press>
      </Flex>
    </AskedOfIt>
  );
}
