'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { useState } from 'react';
import { LIMIT_COLUMNS, type RowOutcome, withLimits } from '@/core/limits/limitRows';
import { describeLimit } from '@/core/report/describeMeasurement';
import type { Check } from '@/model/checks';
import { Field, TextArea } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { send } from '../kit/send';

interface PasteTableProps {
  readonly unitTypeId: string;
  readonly checks: readonly Check[];
  readonly onTake: (checks: readonly Check[]) => void;
}

/** Rows out of a spreadsheet: first looked at line by line, then the good ones into the draft. */
export function PasteTable({ unitTypeId, checks, onTake }: PasteTableProps) {
  const [text, setText] = useState('');
  const [outcomes, setOutcomes] = useState<readonly RowOutcome[]>();
  const [trouble, setTrouble] = useState('');
  const look = async () => {
    const answer = await send<{ outcomes: RowOutcome[] }>('POST', `/api/v1/limits/${unitTypeId}/table`, {
      checks,
      text,
    });
    setTrouble(answer.ok ? '' : answer.refusal.message);
    setOutcomes(answer.ok ? answer.value.outcomes : undefined);
  };
  const good = outcomes?.filter((outcome) => outcome.ok && outcome.what !== 'same') ?? [];
  return (
    <Box>
      <Heading as="h2" fontSize="18px" marginBottom="8px">
        Paste a table
      </Heading>
      <Field
        label="Rows"
        hint={`Columns: ${LIMIT_COLUMNS.join(', ')}. With or without their names in the first line.`}
      >
        {(wiring) => (
          <TextArea
            {...wiring}
            rows={8}
            value={text}
            fontSize="13px"
            onChange={(event) => {
              setText(event.target.value);
              setOutcomes(undefined);
            }}
          />
        )}
      </Field>
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
      <Press onClick={() => void look()} disabled={text.trim() === ''}>
        Look at it line by line
      </Press>
      {outcomes && (
        <Box marginTop="12px" data-testid="preview">
          {outcomes.map((outcome) => (
            <OutcomeLine key={outcome.line} outcome={outcome} checks={checks} />
          ))}
          <Flex gap="8px" marginTop="8px">
            <Press
              kind="main"
              disabled={good.length === 0}
              onClick={() => {
                onTake(withLimits(checks, outcomes));
                setOutcomes(undefined);
                setText('');
              }}
            >
              {good.length === 1 ? 'Take 1 line into the draft' : `Take ${good.length} lines into the draft`}
            </Press>
          </Flex>
        </Box>
      )}
    </Box>
  );
}

function OutcomeLine({
  outcome,
  checks,
}: {
  readonly outcome: RowOutcome;
  readonly checks: readonly Check[];
}) {
  if (!outcome.ok)
    return (
      <Box color="oxide" borderBottom="1px solid" borderColor="rule" paddingBlock="4px">
        Line {outcome.line} can’t be taken: {outcome.message}
      </Box>
    );
  const { line, what, limit, checkId } = outcome;
  const title = checks.find(({ id }) => id === checkId)?.title;
  return (
    <Box borderBottom="1px solid" borderColor="rule" paddingBlock="4px">
      Line {line}: {title}, {limit.kind}, {describeLimit(limit)}{' '}
      <strong>{{ new: 'new', changed: 'changed', same: 'as it stands already' }[what]}</strong>
    </Box>
  );
}
