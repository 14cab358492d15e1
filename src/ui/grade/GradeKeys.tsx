'use client';

import { Box, Flex } from '@chakra-ui/react';
import { useState } from 'react';
import type { PartState } from '@/core/wear/partStanding';
import { GRADES, type Grade } from '@/model/damage';
import { KeyCap } from '../frame/KeysHelp';
import { Field, TextInput } from '../kit/Field';
import { GradeMark, gradeWords } from '../kit/GradeMark';
import { Press } from '../kit/Press';
import { namesOf } from './useGrading';

interface GradeKeysProps {
  readonly parts: readonly PartState[];
  /** Who only captures says what is seen, and grades nothing. */
  readonly mayGrade: boolean;
  readonly onGrade: (grade: Grade) => void;
  readonly onNothing: () => void;
  readonly onFinding: () => void;
  readonly onHand: () => void;
  readonly onMeasure: () => void;
  readonly onPicture: () => void;
}

/** What can be said of the part in hand, always in the same place; the rules' proposal is marked. */
export function GradeKeys({
  parts,
  mayGrade,
  onGrade,
  onNothing,
  onFinding,
  onHand,
  onMeasure,
  onPicture,
}: GradeKeysProps) {
  const proposed =
    parts.length > 0 && parts.every(({ proposal }) => proposal.grade === parts[0]!.proposal.grade)
      ? parts[0]!.proposal.grade
      : null;
  return (
    <Flex gap="6px" role="group" wrap="wrap" aria-label="What is said of it">
      {mayGrade && (
        <Flex gap="6px" flex={{ base: '1 1 100%', xl: '0 0 auto' }}>
          {GRADES.map((grade) => (
            <Press
              key={grade}
              size="bench"
              width="48px"
              flex={{ base: '1 1 0', xl: '0 0 48px' }}
              paddingInline="0"
              flexDirection="column"
              gap="0"
              aria-label={`Grade ${gradeWords(grade)}${grade === proposed ? ', as the rules propose' : ''}`}
              borderWidth={grade === proposed ? '4px' : '1.5px'}
              borderColor={grade >= 4 ? 'oxide' : 'ink'}
              color={grade >= 4 ? 'oxide' : 'ink'}
              onClick={() => onGrade(grade)}
            >
              <GradeMark grade={grade} size={22} />
              {grade}
            </Press>
          ))}
        </Flex>
      )}
      <Flex gap="6px" flex="1 1 300px">
        {mayGrade && <WordKey sign="N" words="nothing to see" main onPress={onNothing} />}
        <WordKey sign="F" words="finding" onPress={onFinding} />
        <WordKey sign="H" words="by hand" onPress={onHand} />
        <WordKey sign="M" words="measure" onPress={onMeasure} />
        <WordKey sign="P" words="picture" onPress={onPicture} />
      </Flex>
    </Flex>
  );
}

interface WordKeyProps {
  readonly sign: string;
  readonly words: string;
  readonly main?: boolean;
  readonly onPress: () => void;
}

function WordKey({ sign, words, main = false, onPress }: WordKeyProps) {
  return (
    <Press
      size="bench"
      kind={main ? 'main' : 'plain'}
      fontSize="13px"
      flexDirection="column"
      gap="0"
      flex="1 1 0"
      paddingInline="2px"
      minWidth="56px"
      lineHeight="16px"
      onClick={onPress}
    >
      <KeyCap aria-hidden="true">{sign}</KeyCap>
      {words}
    </Press>
  );
}

interface WhyKeysProps {
  readonly parts: readonly PartState[];
  readonly grade: Grade;
  readonly onPut: (reason: string) => void;
  readonly onBack: () => void;
}

/** The rules propose something else: whoever grades it so says why. */
export function WhyKeys({ parts, grade, onPut, onBack }: WhyKeysProps) {
  const [reason, setReason] = useState('');
  const proposals = [...new Set(parts.map(({ proposal }) => gradeWords(proposal.grade)))].join(', ');
  return (
    <Box
      as="form"
      data-testid="why-grade"
      onSubmit={(event) => {
        event.preventDefault();
        if (reason.trim() !== '') onPut(reason.trim());
      }}
      onKeyDown={(event) => {
        if (event.key !== 'Escape') return;
        event.preventDefault();
        event.stopPropagation();
        onBack();
      }}
    >
      <Field label={`${namesOf(parts)}: the rules propose ${proposals}. Why ${gradeWords(grade)}?`}>
        {(wiring) => (
          <TextInput
            {...wiring}
            autoFocus
            value={reason}
            maxLength={200}
            onChange={(event) => setReason(event.target.value)}
          />
        )}
      </Field>
      <Flex gap="8px">
        <Press type="submit" kind="main" size="bench" disabled={reason.trim() === ''}>
          Grade {gradeWords(grade)}
        </Press>
        <Press kind="quiet" onClick={onBack}>
          Back
        </Press>
      </Flex>
    </Box>
  );
}
