import { Box } from '@chakra-ui/react';
import type { ReactNode } from 'react';

/** Something that went wrong, in words: what happened, what was kept, what to do. */
export function ErrorNotice({ children }: { readonly children: ReactNode }) {
  return (
    <Box
      role="alert"
      borderLeft="4px solid"
      borderColor="oxide"
      color="oxide"
      paddingLeft="12px"
      paddingBlock="6px"
      marginBlock="8px"
    >
      {children}
    </Box>
  );
}

/** What comes here, where there is nothing yet. */
export function EmptyState({ children }: { readonly children: ReactNode }) {
  return (
    <Box
      color="second"
      borderLeft="1.5px dashed"
      borderColor="rule"
      paddingLeft="12px"
      paddingBlock="8px"
      marginBlock="8px"
    >
      {children}
    </Box>
  );
}

export function CautionSign({ title, words }: { readonly title: string; readonly words: string }) {
  return (
    <Box
      display="flex"
      gap="10px"
      alignItems="flex-start"
      marginBlock="8px"
      fontSize="13px"
      lineHeight="18px"
    >
      <Box
        as="span"
        color="oxide"
        flexShrink={0}
        aria-hidden="true"
        fontWeight={800}
        border="2px solid"
        borderColor="oxide"
        width="20px"
        height="20px"
        textAlign="center"
        lineHeight="16px"
      >
        !
      </Box>
      <Box>
        <strong>{title}.</strong> {words}
      </Box>
    </Box>
  );
}

/** Something that speaks against what stands here, and has to be looked at before it is passed over. */
export function Warning({ children }: { readonly children: ReactNode }) {
  return (
    <Box
      role="alert"
      borderLeft="4px solid"
      borderColor="brass"
      paddingLeft="12px"
      paddingBlock="6px"
      marginBlock="8px"
    >
      {children}
    </Box>
  );
}
