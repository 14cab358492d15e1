import { Box, Heading } from '@chakra-ui/react';
import { PressLink } from '../kit/Press';

interface FullPageWordsProps {
  readonly title: string;
  readonly words: string;
  readonly home?: { readonly href: string; readonly name: string };
}

export function FullPageWords({
  title,
  words,
  home = { href: '/', name: 'To the rack' },
}: FullPageWordsProps) {
  return (
    <Box as="main" maxWidth="560px" margin="12vh auto" padding="24px">
      <Heading as="h1">{title}</Heading>
      <Box marginBlock="12px">{words}</Box>
      <PressLink href={home.href} kind="main">
        {home.name}
      </PressLink>
    </Box>
  );
}
