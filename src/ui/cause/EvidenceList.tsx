'use client';

import { Box, Flex } from '@chakra-ui/react';
import { useState } from 'react';
import type { Gathered } from '@/core/causes/evidence/gathered';
import type { Names } from '@/core/causes/names';
import { TextInput } from '../kit/Field';
import { Press } from '../kit/Press';
import { Table } from '../kit/Table';

interface EvidenceListProps {
  readonly all: readonly Gathered[];
  readonly names: Names;
  readonly mayAnswer: boolean;
  readonly chosen: string | undefined;
  readonly onOpen: (gathered: Gathered) => void;
  readonly onAssume: (node: string, seen: boolean | undefined) => void;
  readonly onSay: (node: string, says: 'set-aside' | 'as-derived', reason: string) => void;
}

const STATE: Record<Gathered['state'], string> = {
  seen: 'seen',
  absent: 'looked for, not there',
  lost: 'can’t be told',
  contradicted: 'contradicts itself',
  'set-aside': 'set aside',
  'told-by-parts': 'its parts speak for it',
};

/** Everything that the causes are weighed by, with where it comes from; each can be opened there, tried without, or set aside with a reason. */
export function EvidenceList({ all, names, mayAnswer, chosen, onOpen, onAssume, onSay }: EvidenceListProps) {
  const order = [...all].sort((a, b) => Number(b.node === chosen) - Number(a.node === chosen));
  return (
    <Box data-testid="evidence" maxHeight="420px" overflowY="auto">
      <Table heads={['Finding', 'State', 'From', '']} label="Evidence">
        {order.map((each) => (
          <tr key={each.node} data-evidence={each.node} aria-current={each.node === chosen || undefined}>
            <td>{names.of(each.node)}</td>
            <td style={{ whiteSpace: 'nowrap' }}>
              {STATE[each.state]}
              {each.ratio !== undefined && (
                <Box fontSize="13px" color="second">
                  {each.ratio >= 1
                    ? `speaks for it, ${each.ratio.toFixed(1)} : 1`
                    : `speaks against it, 1 : ${(1 / each.ratio).toFixed(1)}`}
                </Box>
              )}
            </td>
            <td style={{ fontSize: 13, lineHeight: '18px' }}>
              {each.said && `${each.said.by}${each.said.words ? `: ${each.said.words}` : ''}. `}
              {[...new Set(each.from.map(({ source }) => source.words))].slice(0, 3).join('; ')}
            </td>
            <td>
              <Acts {...{ each, mayAnswer, onOpen, onAssume, onSay }} />
            </td>
          </tr>
        ))}
      </Table>
    </Box>
  );
}

function Acts({
  each,
  mayAnswer,
  onOpen,
  onAssume,
  onSay,
}: Omit<EvidenceListProps, 'all' | 'names' | 'chosen'> & { readonly each: Gathered }) {
  const [asking, setAsking] = useState(false);
  const [reason, setReason] = useState('');
  if (asking)
    return (
      <Flex
        as="form"
        gap="6px"
        onSubmit={(event) => {
          event.preventDefault();
          if (reason.trim() === '') return;
          onSay(each.node, 'set-aside', reason.trim());
          setAsking(false);
        }}
      >
        <TextInput
          autoFocus
          aria-label="Why is it set aside?"
          placeholder="why?"
          value={reason}
          maxLength={200}
          onChange={(event) => setReason(event.target.value)}
        />
        <Press type="submit" disabled={reason.trim() === ''}>
          Set aside
        </Press>
      </Flex>
    );
  return (
    <Flex wrap="wrap">
      {each.from.length > 0 && (
        <Press kind="quiet" minHeight="32px" onClick={() => onOpen(each)}>
          open
        </Press>
      )}
      {(each.state === 'seen' || each.state === 'absent') && (
        <Press kind="quiet" minHeight="32px" onClick={() => onAssume(each.node, undefined)}>
          what if not?
        </Press>
      )}
      {mayAnswer &&
        (each.state === 'set-aside' || each.said ? (
          <Press kind="quiet" minHeight="32px" onClick={() => onSay(each.node, 'as-derived', '')}>
            as it was
          </Press>
        ) : (
          <Press kind="quiet" minHeight="32px" onClick={() => setAsking(true)}>
            set aside
          </Press>
        ))}
    </Flex>
  );
}
