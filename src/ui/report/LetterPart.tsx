import { Box, Heading } from '@chakra-ui/react';
import type { ReactNode } from 'react';

/** One head of the letter. */
export function LetterPart({
  title,
  children,
  label,
}: {
  readonly title: string;
  readonly children: ReactNode;
  readonly label?: string;
}) {
  return (
    <Box as="section" marginTop="20px" {...(label ? { 'aria-label': label } : {})}>
      <Heading
        as="h2"
        fontSize="20px"
        lineHeight="24px"
        borderTop="1px solid"
        borderColor="rule"
        paddingTop="8px"
        marginBottom="6px"
      >
        {title}
      </Heading>
      {children}
    </Box>
  );
}

/** A number as it stands in the drawing. */
export const Disc = ({ number }: { readonly number: number }) => (
  <Box
    as="span"
    flexShrink={0}
    display="inline-flex"
    alignItems="center"
    justifyContent="center"
    width="26px"
    height="26px"
    borderRadius="50%"
    bg="ink"
    color="paper"
    fontWeight={650}
  >
    {number}
  </Box>
);
