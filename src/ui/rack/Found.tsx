'use client';

import { Box, Flex } from '@chakra-ui/react';
import Link from 'next/link';
import type { FoundJob } from '@/model/snapshot';
import { longDate } from '../kit/dates';
import { EmptyState, ErrorNotice } from '../kit/Notice';
import { PegPlate } from '../kit/PegPlate';
import { Press } from '../kit/Press';
import type { Searched } from './useSearch';

/** Every unit that ever hung here and carries the words, the last that came first. */
export function Found({ searched }: { readonly searched: Searched }) {
  const { found, more, trouble, asking, loadMore } = searched;
  if (trouble) return <ErrorNotice>{trouble}</ErrorNotice>;
  if (found.length === 0)
    return asking ? (
      <Box role="status" color="second" marginTop="12px">
        Looking …
      </Box>
    ) : (
      <EmptyState>
        Nothing here carries these words. Looked at are peg, serial, tag, machine, customer, type and the
        complaint; a word is found by how it begins.
      </EmptyState>
    );
  return (
    <Box as="section" aria-label="Found" marginTop="8px">
      <Box as="ul" listStyleType="none" padding="0">
        {found.map((job) => (
          <FoundLine key={job.jobId} job={job} />
        ))}
      </Box>
      {more && (
        <Press marginTop="12px" onClick={() => void loadMore()}>
          Show more
        </Press>
      )}
    </Box>
  );
}

function FoundLine({ job }: { readonly job: FoundJob }) {
  const { peg, title, machine, customer, serial, complaint, dueOn, handedOverAt } = job;
  return (
    <Box as="li" borderBottom="1px solid" borderColor="rule">
      <Link
        href={`/jobs/${peg}`}
        aria-label={`Peg ${peg}, ${title}, ${machine}`}
        style={{ color: 'inherit', textDecoration: 'none', display: 'block' }}
      >
        <Flex gap="14px" align="center" paddingBlock="8px" minHeight="60px">
          <PegPlate peg={peg} width={62} />
          <Box flex="1" minWidth="0" fontStretch="87.5%">
            <Box>
              <strong>{title}</strong>, {machine}
              <Box as="span" color="second">
                {' '}
                · {customer}
                {serial && ` · ${serial}`}
              </Box>
            </Box>
            <Box color="second" lineClamp={1} fontSize="13px">
              {complaint}
            </Box>
          </Box>
          <Box color="second" fontStretch="87.5%" whiteSpace="nowrap">
            {handedOverAt ? `handed over ${longDate(handedOverAt)}` : `due ${longDate(dueOn)}`}
          </Box>
        </Flex>
      </Link>
    </Box>
  );
}
