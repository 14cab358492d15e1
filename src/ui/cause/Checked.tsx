'use client';

import { Box, Flex } from '@chakra-ui/react';
import { useState } from 'react';
import type { Names } from '@/core/causes/names';
import { recordsOf } from '@/core/strip/recordsOf';
import type { Cause } from '@/model/snapshot';
import type { OfJob } from '../job/useBench';
import { useKeep } from '../job/useKeep';
import { Field, TextInput } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';

interface CheckedProps extends OfJob {
  readonly cause: Cause;
  readonly offered: readonly string[];
  readonly names: Names | undefined;
}

/** Whether the conclusion was right, once something that doesn't rest on it has told: a rebuild that held, a comeback, a laboratory. */
export function Checked({ job, cause, offered, names }: CheckedProps) {
  const keep = useKeep(job);
  const [asking, setAsking] = useState<boolean>();
  const [check, setCheck] = useState('');
  const [roots, setRoots] = useState<readonly string[]>([]);
  const [trouble, setTrouble] = useState('');
  const last = recordsOf(job.snapshot.records, 'cause-checked').at(-1);
  const put = async (confirmed: boolean) => {
    const content = {
      ...{ what: 'cause-checked', ofVersion: cause.version, confirmed, check: check.trim() },
      roots: confirmed ? [] : [...roots],
    } as const;
    const wrong = await keep(
      content,
      confirmed ? 'The conclusion is confirmed' : 'The conclusion is refuted',
    );
    setTrouble(wrong ?? '');
    if (wrong === undefined) setAsking(undefined);
  };
  return (
    <Box marginTop="12px" data-testid="cause-checked">
      {last && (
        <Box>
          {last.content.confirmed ? 'Confirmed' : 'Refuted'} by {last.author}: {last.content.check}
        </Box>
      )}
      {asking === undefined ? (
        <Flex gap="8px">
          <Press kind="quiet" paddingInline="0" onClick={() => setAsking(true)}>
            It was confirmed
          </Press>
          <Press kind="quiet" onClick={() => setAsking(false)}>
            It was refuted
          </Press>
        </Flex>
      ) : (
        <Box>
          <Field label="By which check that doesn’t rest on it?">
            {(wiring) => (
              <TextInput
                {...wiring}
                autoFocus
                value={check}
                maxLength={300}
                onChange={(event) => setCheck(event.target.value)}
              />
            )}
          </Field>
          {!asking && names && (
            <Flex
              gap="6px"
              wrap="wrap"
              marginBottom="8px"
              role="group"
              aria-label="The true causes, where known"
            >
              {offered.map((id) => (
                <Press
                  key={id}
                  chosen={roots.includes(id)}
                  aria-pressed={roots.includes(id)}
                  onClick={() =>
                    setRoots((before) =>
                      before.includes(id) ? before.filter((each) => each !== id) : [...before, id],
                    )
                  }
                >
                  {names.of(id)}
                </Press>
              ))}
            </Flex>
          )}
          {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
          <Flex gap="8px">
            <Press kind="main" disabled={check.trim() === ''} onClick={() => void put(asking)}>
              {asking ? 'Confirmed' : 'Refuted'}
            </Press>
            <Press kind="quiet" onClick={() => setAsking(undefined)}>
              Back
            </Press>
          </Flex>
        </Box>
      )}
    </Box>
  );
}
