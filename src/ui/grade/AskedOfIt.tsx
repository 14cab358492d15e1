'use client';

import { Flex, Heading } from '@chakra-ui/react';
import type { ReactNode } from 'react';
import { KeyCap } from '../frame/KeysHelp';
import { Press } from '../kit/Press';

interface AskedOfItProps {
  readonly title: string;
  readonly what: string;
  readonly onBack: () => void;
  readonly children: ReactNode;
}

/** Something is asked of the part in hand, at the foot of the sheet; Esc leaves it as it was. */
export function AskedOfIt({ title, what, onBack, children }: AskedOfItProps) {
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: only a key that is pressed inside is heard
    <div
      data-testid={what}
      onKeyDown={(event) => {
        if (event.key !== 'Escape') return;
        event.preventDefault();
        event.stopPropagation();
        onBack();
      }}
    >
      <Flex justify="space-between" align="center" gap="8px">
        <Heading as="h3" fontSize="16px">
          {title}
        </Heading>
        <Press kind="quiet" onClick={onBack}>
          Back <KeyCap aria-hidden="true">Esc</KeyCap>
        </Press>
      </Flex>
      {children}
    </div>
  );
}
