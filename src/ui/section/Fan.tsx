'use client';

import { Box } from '@chakra-ui/react';
import { useEffect, useRef } from 'react';
import type { GradeOrNone } from '@/model/damage';
import { GradeLine } from '../kit/GradeMark';
import { Press } from '../kit/Press';

interface FanProps {
  readonly ids: readonly string[];
  /** Per cent across, pixels down. */
  readonly x: number;
  readonly y: number;
  readonly nameOf: (id: string) => string;
  /** Left out for a type, which nobody has graded. */
  readonly gradeOf: ((id: string) => GradeOrNone) | undefined;
  readonly onOpen: (id: string) => void;
  readonly onClose: () => void;
}

/** Several pieces under one finger, fanned out in rows big enough for it. */
export function Fan({ ids, x, y, nameOf, gradeOf, onOpen, onClose }: FanProps) {
  const first = useRef<HTMLButtonElement>(null);
  useEffect(() => first.current?.focus({ preventScroll: true }), []);
  return (
    <Box
      position="absolute"
      left={`min(${x}%, calc(100% - 320px))`}
      top={`${Math.max(0, y - 40)}px`}
      zIndex={20}
      bg="paper"
      border="2px solid"
      borderColor="ink"
      width="310px"
      maxHeight="400px"
      overflowY="auto"
      onKeyDown={(event) => event.key === 'Escape' && onClose()}
      aria-label="Which part?"
      role="group"
    >
      {ids.slice(0, 7).map((id, index) => (
        <Press
          key={id}
          ref={index === 0 ? first : undefined}
          size="bench"
          width="100%"
          justifyContent="space-between"
          border="none"
          borderBottom="1px solid"
          borderColor="rule"
          fontSize="15px"
          onClick={() => {
            onClose();
            onOpen(id);
          }}
        >
          {nameOf(id)}
          {gradeOf && (
            <Box as="span" fontWeight={400} fontSize="13px">
              <GradeLine grade={gradeOf(id)} />
            </Box>
          )}
        </Press>
      ))}
    </Box>
  );
}
