'use client';

import { Popover } from '@chakra-ui/react';
import type { ReactElement, ReactNode } from 'react';

export interface PopProps {
  /** What opens it: one key. */
  readonly trigger: ReactElement<{
    onClick?: () => void;
    'aria-expanded'?: boolean;
    'aria-haspopup'?: 'dialog';
  }>;
  /** What it holds, for who doesn’t see it. */
  readonly label: string;
  readonly width: string;
  readonly children: ReactNode;
  readonly open?: boolean;
  readonly onOpen?: (open: boolean) => void;
}

type HangingSheetProps = Omit<PopProps, 'open' | 'onOpen'> & {
  readonly open: boolean;
  readonly onOpen: (open: boolean) => void;
};

/** The component library's popover in the shop's dress. */
export function HangingSheet({ trigger, label, width, children, open, onOpen }: HangingSheetProps) {
  return (
    <Popover.Root
      lazyMount
      unmountOnExit
      positioning={{ placement: 'bottom-end', gutter: 4 }}
      // Another sheet that closes gives the focus back to its own key: that closes no other.
      onFocusOutside={(event) => event.preventDefault()}
      open={open}
      onOpenChange={(change) => onOpen(change.open)}
    >
      <Popover.Trigger asChild>{trigger}</Popover.Trigger>
      <Popover.Positioner>
        <Popover.Content
          aria-label={label}
          bg="paper"
          color="ink"
          border="2px solid"
          borderColor="ink"
          padding="16px"
          width={`min(${width}, calc(100vw - 16px))`}
          maxHeight="calc(100dvh - 80px)"
          overflowY="auto"
          zIndex={30}
          _focusVisible={{ outline: 'none' }}
        >
          {children}
        </Popover.Content>
      </Popover.Positioner>
    </Popover.Root>
  );
}
