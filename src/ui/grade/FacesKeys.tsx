'use client';

import { Box, Flex } from '@chakra-ui/react';
import { useState } from 'react';
import type { PartState } from '@/core/wear/partStanding';
import { facesGraded, whyNotTurned } from '@/core/wear/severalPieces';
import { GRADE_WORD, GRADES, type Grade } from '@/model/damage';
import type { RecordContent } from '@/model/recordKinds';
import { NO_TURNING } from '@/model/records/faces-graded';
import type { OfJob } from '../job/useBench';
import { Field, Select } from '../kit/Field';
import { GradeMark, gradeWords } from '../kit/GradeMark';
import { Press } from '../kit/Press';
import { AskedOfIt } from './AskedOfIt';

interface FacesKeysProps extends OfJob {
  readonly part: PartState;
  readonly onPut: (content: RecordContent, words: string) => void;
  readonly onBack: () => void;
}

type Bar = (typeof NO_TURNING)[number]['id'];

/** The worn face and the other one, each by itself, and what forbids that the part is turned over. */
export function FacesKeys({ part: { position }, job, onPut, onBack }: FacesKeysProps) {
  const before = facesGraded(job.snapshot.records, position.id);
  const [worn, setWorn] = useState<Grade | undefined>(before?.worn);
  const [other, setOther] = useState<Grade | undefined>(before?.other);
  const [bar, setBar] = useState<Bar | ''>(before?.noTurning ?? '');
  const faces =
    worn === undefined || other === undefined
      ? undefined
      : { worn, other, ...(bar ? { noTurning: bar } : {}) };
  return (
    <AskedOfIt title={`${position.name}: both faces`} what="faces-keys" onBack={onBack}>
      <Face title="The worn face" grade={worn} onChoose={setWorn} />
      <Face title="The other face" grade={other} onChoose={setOther} />
      <Field label="What forbids turning it over">
        {(wiring) => (
          <Select {...wiring} value={bar} onChange={(event) => setBar(event.target.value as Bar | '')}>
            <option value="">nothing</option>
            {NO_TURNING.map(({ id, words }) => (
              <option key={id} value={id}>
                {words}
              </option>
            ))}
          </Select>
        )}
      </Field>
      <Flex gap="8px" align="center">
        <Box flex="1">
          {faces ? whyNotTurned(position, faces) || 'It may be turned over: the maker’s manual decides.' : ''}
        </Box>
        <Press
          kind="main"
          size="bench"
          disabled={!faces}
          onClick={() =>
            faces &&
            onPut(
              { what: 'faces-graded', positionId: position.id, ...faces },
              `${position.name}: one face ${GRADE_WORD[faces.worn]}, the other ${GRADE_WORD[faces.other]}`,
            )
          }
        >
          Put it down
        </Press>
      </Flex>
    </AskedOfIt>
  );
}

interface FaceProps {
  readonly title: string;
  readonly grade: Grade | undefined;
  readonly onChoose: (grade: Grade) => void;
}

function Face({ title, grade, onChoose }: FaceProps) {
  return (
    <Flex role="group" aria-label={title} align="center" gap="6px" marginBottom="6px" wrap="wrap">
      <Box width="120px">{title}</Box>
      {GRADES.map((each) => (
        <Press
          key={each}
          size="bench"
          width="56px"
          paddingInline="0"
          chosen={each === grade}
          aria-pressed={each === grade}
          aria-label={`${title} ${gradeWords(each)}`}
          onClick={() => onChoose(each)}
        >
          <GradeMark grade={each} size={22} onBlue={each === grade} /> {each}
        </Press>
      ))}
    </Flex>
  );
}
