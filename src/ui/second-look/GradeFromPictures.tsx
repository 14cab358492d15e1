'use client';

import { Box, chakra, Flex, Heading } from '@chakra-ui/react';
import { useEffect, useRef } from 'react';
import { GRADES, type Grade } from '@/model/damage';
import type { BlindPart } from '@/model/secondLook';
import { typesInto } from '../frame/typesInto';
import { GradeMark, gradeWords } from '../kit/GradeMark';
import { Press } from '../kit/Press';

interface GradeFromPicturesProps {
  readonly blind: BlindPart;
  readonly disabled: boolean;
  readonly onGrade: (grade: Grade) => void;
}

/** A part's photographs and nothing else; a figure from 0 to 5 grades it. */
export function GradeFromPictures({ blind, disabled, onGrade }: GradeFromPicturesProps) {
  const grade = useRef<(grade: Grade) => void>(undefined);
  grade.current = disabled ? undefined : onGrade;
  useEffect(() => {
    const hear = (event: KeyboardEvent) => {
      if (event.repeat || event.ctrlKey || event.metaKey || event.altKey || typesInto(event.target)) return;
      const pressed = GRADES.find((each) => String(each) === event.key);
      if (pressed !== undefined) grade.current?.(pressed);
    };
    window.addEventListener('keydown', hear);
    return () => window.removeEventListener('keydown', hear);
  }, []);
  return (
    <Box as="section" aria-label={`Photographs of ${blind.part}`}>
      <Heading as="h2">{blind.part}</Heading>
      <Flex gap="12px" wrap="wrap" marginBlock="8px">
        {blind.photographs.map(({ id, width, height }, index) => (
          <chakra.img
            key={id}
            src={`/api/v1/jobs/${blind.jobId}/photographs/${id}?size=1280`}
            alt={`Photograph ${index + 1} of ${blind.photographs.length}`}
            width={width}
            height={height}
            maxWidth="100%"
            maxHeight={blind.photographs.length > 1 ? '320px' : '440px'}
            objectFit="contain"
            style={{ width: 'auto' }}
            border="1.5px solid"
            borderColor="ink"
          />
        ))}
      </Flex>
      <Flex gap="8px" role="group" aria-label="Your grade" wrap="wrap">
        {GRADES.map((each) => (
          <Press
            key={each}
            size="bench"
            flex="1 1 100px"
            paddingInline="6px"
            disabled={disabled}
            aria-label={`Grade ${gradeWords(each)}`}
            onClick={() => onGrade(each)}
          >
            <GradeMark grade={each} size={24} /> {gradeWords(each)}
          </Press>
        ))}
      </Flex>
    </Box>
  );
}
