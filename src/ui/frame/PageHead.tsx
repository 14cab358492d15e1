'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import Link from 'next/link';
import type { Actor } from '@/model/people';
import { PersonMenu } from './PersonMenu';

/** The blue head of an office page: what it is, the way back, who is signed in. */
export function PageHead({
  title,
  back,
  actor,
}: {
  readonly title: string;
  readonly back?: { readonly href: string; readonly words: string };
  readonly actor: Actor;
}) {
  return (
    <Flex as="header" bg="bar" color="onBlue" padding="12px 16px" align="center" justify="space-between">
      <Box>
        <Heading as="h1">{title}</Heading>
        {back && <Link href={back.href}>{back.words}</Link>}
      </Box>
      <PersonMenu actor={actor} />
    </Flex>
  );
}
