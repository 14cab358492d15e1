'use client';

import { Box, Flex, Grid, Heading } from '@chakra-ui/react';
import Link from 'next/link';
import type { Actor } from '@/model/people';
import type { Right } from '@/model/rights';
import { PageHead } from '../frame/PageHead';
import { EmptyState } from '../kit/Notice';
import { PressLink } from '../kit/Press';
import { UnitShape } from '../kit/UnitShape';
import { BringIn } from './BringIn';

export interface TypeHead {
  readonly id: string;
  readonly title: string;
  readonly family: string;
  readonly revision: number;
}

interface UnitTypesProps {
  readonly unitTypes: readonly TypeHead[];
  readonly actor: Actor;
  readonly rights: readonly Right[];
}

/** The unit types that the shop has described, as a wall of small sections; each opens the page of what can be done with it. */
export function UnitTypes({ unitTypes, actor, rights }: UnitTypesProps) {
  return (
    <Box>
      <PageHead
        title="Unit types"
        {...(rights.includes('job.read') ? { back: { href: '/', words: 'Back to the rack' } } : {})}
        actor={actor}
      />
      <Box as="main" padding="16px" maxWidth="1920px">
        {unitTypes.length === 0 && <EmptyState>The types that somebody has described come here.</EmptyState>}
        <Grid
          as="ul"
          aria-label="Unit types"
          listStyleType="none"
          padding="0"
          templateColumns="repeat(auto-fill, minmax(270px, 1fr))"
          gap="0"
        >
          {unitTypes.map((type) => (
            <OnTheWall key={type.id} type={type} />
          ))}
        </Grid>
        {unitTypes.length > 0 && (
          <PressLink href="/type-sheet" marginTop="16px">
            All of them on one sheet
          </PressLink>
        )}
        {rights.includes('unit-type.keep') && (
          <Box maxWidth="760px">
            <BringIn />
          </Box>
        )}
      </Box>
    </Box>
  );
}

function OnTheWall({ type }: { readonly type: TypeHead }) {
  return (
    <Box as="li" border="1px solid" borderColor="rule" margin="0 -1px -1px 0">
      <Link
        href={`/unit-types/${type.id}`}
        style={{ display: 'block', color: 'inherit', textDecoration: 'none', padding: '14px 16px' }}
      >
        <Flex height="96px" align="flex-end">
          <UnitShape unitTypeId={type.id} revision={type.revision} />
        </Flex>
        <Heading as="h2" fontSize="16px" lineHeight="22px" marginTop="10px">
          {type.title}
        </Heading>
        <Box fontSize="13px" lineHeight="18px" color="second" fontStretch="87.5%">
          {type.family.replace(/-/g, ' ')} · revision {type.revision} · {type.id}
        </Box>
      </Link>
    </Box>
  );
}
