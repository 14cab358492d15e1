'use client';

import { Flex } from '@chakra-ui/react';
import { Minus, Plus } from 'lucide-react';
import type { SectionView } from '@/core/section/sectionOptions';
import { Press } from '../kit/Press';

/** Nearer, farther, all of it: what two fingers do, for one. */
export function ZoomKeys({
  view,
  onNearer,
  onWhole,
}: {
  readonly view: SectionView;
  readonly onNearer: (more: boolean) => void;
  readonly onWhole: () => void;
}) {
  return (
    <Flex
      role="group"
      aria-label="How near"
      position="absolute"
      right="4px"
      bottom="4px"
      bg="paper"
      gap="4px"
      width="92px"
      wrap="wrap"
      justify="flex-end"
    >
      {view.k > 1 && (
        <Press width="92px" paddingInline="4px" onClick={onWhole}>
          All of it
        </Press>
      )}
      <Press aria-label="Farther" paddingInline="10px" disabled={view.k <= 1} onClick={() => onNearer(false)}>
        <Minus size={18} aria-hidden />
      </Press>
      <Press aria-label="Nearer" paddingInline="10px" onClick={() => onNearer(true)}>
        <Plus size={18} aria-hidden />
      </Press>
    </Flex>
  );
}
