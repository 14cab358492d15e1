'use client';

import { Box, chakra, Grid, Heading } from '@chakra-ui/react';
import Link from 'next/link';
import { useState } from 'react';
import type { Actor } from '@/model/people';
import type { Right } from '@/model/rights';
import { TOO_CLOSE_POLICIES, type TooClosePolicy } from '@/model/tooClose';
import { PageHead } from '../frame/PageHead';
import { EmptyState, ErrorNotice } from '../kit/Notice';
import { send } from '../kit/send';
import { Table } from '../kit/Table';

interface LimitSheetsProps {
  readonly unitTypes: readonly { readonly id: string; readonly title: string; readonly revision: number }[];
  readonly tooClosePolicy: TooClosePolicy;
  readonly actor: Actor;
  readonly rights: readonly Right[];
}

/** The shop's limit sheets, one for each unit type, and its rule for readings that are too close to call. */
export function LimitSheets({ unitTypes, tooClosePolicy, actor, rights }: LimitSheetsProps) {
  return (
    <Box>
      <PageHead
        title="Limits"
        {...(rights.includes('job.read') ? { back: { href: '/', words: 'Back to the rack' } } : {})}
        actor={actor}
      />
      <Grid
        as="main"
        templateColumns={{ base: '1fr', lg: '3fr 2fr' }}
        gap="32px"
        padding="16px"
        maxWidth="1280px"
      >
        <Box>
          <Heading as="h2" fontSize="18px" marginBottom="4px">
            Limit sheets
          </Heading>
          {unitTypes.length === 0 && (
            <EmptyState>The sheets of the described unit types come here, one for each type.</EmptyState>
          )}
          <Table heads={['Unit type', 'Revision']}>
            {unitTypes.map(({ id, title, revision }) => (
              <tr key={id}>
                <td>
                  <chakra.span
                    display="inline-block"
                    paddingBlock="8px"
                    textDecoration="underline"
                    textUnderlineOffset="3px"
                  >
                    <Link href={`/limits/${id}`}>{title}</Link>
                  </chakra.span>
                </td>
                <td>{revision}</td>
              </tr>
            ))}
          </Table>
        </Box>
        <PolicyChoice first={tooClosePolicy} maySet={rights.includes('shop.set')} />
      </Grid>
    </Box>
  );
}

function PolicyChoice({ first, maySet }: { readonly first: TooClosePolicy; readonly maySet: boolean }) {
  const [policy, setPolicy] = useState(first);
  const [trouble, setTrouble] = useState('');
  const choose = async (next: TooClosePolicy) => {
    const answer = await send('PUT', '/api/v1/limits/policy', { policy: next });
    setTrouble(answer.ok ? '' : answer.refusal.message);
    if (answer.ok) setPolicy(next);
  };
  return (
    <chakra.fieldset border="none" disabled={!maySet}>
      <chakra.legend fontSize="18px" fontWeight={650} marginBottom="4px">
        A reading too close to call
      </chakra.legend>
      <Box fontSize="13px" color="second" marginBottom="8px">
        The verdict itself never changes. This says what the shop does with it; a job may have its own rule.
      </Box>
      {TOO_CLOSE_POLICIES.map(({ id, name }) => (
        <chakra.label key={id} display="flex" alignItems="center" gap="12px" minHeight="44px">
          <input
            type="radio"
            name="policy"
            checked={policy === id}
            onChange={() => void choose(id)}
            style={{ width: 22, height: 22 }}
          />
          {name}
        </chakra.label>
      ))}
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
    </chakra.fieldset>
  );
}
