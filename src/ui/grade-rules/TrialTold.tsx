'use client';

import { Box } from '@chakra-ui/react';
import type { RulesTrial } from '@/core/wear/rulesTrial';
import { GradeLine } from '../kit/GradeMark';
import { Table } from '../kit/Table';

/** So many parts are listed; the rest is counted. */
const LISTED = 40;

interface TrialToldProps {
  readonly trial: RulesTrial;
  /** The rules were changed since. */
  readonly stale: boolean;
}

/** What the rules would have proposed of the shop's newest parts, where that differs from today's. */
export function TrialTold({ trial: { parts, changed }, stale }: TrialToldProps) {
  return (
    <Box data-testid="rules-trial">
      <Box fontWeight={650}>
        {stale
          ? 'Changed since: not tried yet.'
          : changed.length === 0
            ? `None of ${parts} parts would be proposed otherwise.`
            : `${changed.length} of ${parts} parts would be proposed otherwise.`}
      </Box>
      {!stale && changed.length > 0 && (
        <Table
          heads={['Peg', 'Part', 'Now', 'Then', 'Graded']}
          label="Parts that would be proposed otherwise"
        >
          {changed.slice(0, LISTED).map(({ peg, part, today, onTrial, graded }) => (
            <tr key={`${peg} ${part}`}>
              <td>{peg}</td>
              <td>{part}</td>
              <td>
                <GradeLine grade={today} />
              </td>
              <td>
                <GradeLine grade={onTrial} />
              </td>
              <td>
                <GradeLine grade={graded} />
              </td>
            </tr>
          ))}
        </Table>
      )}
      {!stale && changed.length > LISTED && <Box>And {changed.length - LISTED} more.</Box>}
    </Box>
  );
}
