'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { Catalogs } from '@/model/catalogs';
import { EARLIER_REPAIR, NOTHING_TO_SEE } from '@/model/damage';
import type { Actor } from '@/model/people';
import { PageHead } from '../frame/PageHead';
import { TextInput } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { Press, PressLink } from '../kit/Press';
import { send } from '../kit/send';
import { Table } from '../kit/Table';

interface WordsPageProps {
  readonly document: Catalogs['damage-words'];
  readonly actor: Actor;
}

/** The standard's damage words with the shop's own beside them: found by both, never one in place of the other. */
export function WordsPage({ document, actor }: WordsPageProps) {
  const router = useRouter();
  const [own, setOwn] = useState<ReadonlyMap<string, string>>(new Map());
  const [refusal, setRefusal] = useState('');
  const keep = async () => {
    const list = [...own].map(([key, word]) => {
      const [family, mode] = key.split(' ');
      return { family, mode, word: word.trim() };
    });
    const answer = await send('PUT', '/api/v1/damage-words', {
      basedOnRevision: document.revision,
      own: list,
    });
    if (answer.ok) router.refresh();
    else setRefusal(answer.refusal.message);
  };
  return (
    <Box>
      <PageHead title="The shop’s own words" back={{ href: '/', words: 'The rack' }} actor={actor} />
      <Box as="main" padding="16px" maxWidth="1080px">
        <Flex
          justify="space-between"
          align="center"
          gap="12px"
          wrap="wrap"
          position="sticky"
          top="0"
          bg="paper"
          zIndex={1}
          paddingBlock="8px"
        >
          <Box color="second">
            Revision {document.revision}. The standard’s term stays in every report; whoever searches finds it
            by the shop’s word too.
          </Box>
          <Flex gap="8px">
            <PressLink href="/grade-rules">Rules of grading</PressLink>
            <Press kind="main" disabled={own.size === 0} onClick={() => void keep()}>
              Keep the words
            </Press>
          </Flex>
        </Flex>
        {refusal && <ErrorNotice>{refusal}</ErrorNotice>}
        {document.families.map(({ family, name, modes }) => (
          <Box key={family} marginTop="16px">
            <Heading as="h2">{name}</Heading>
            <Table heads={['Term', 'Workshop’s word', 'The shop’s own']} label={name}>
              {modes
                .filter(({ id }) => id !== NOTHING_TO_SEE && id !== EARLIER_REPAIR)
                .map((mode) => {
                  const key = `${family} ${mode.id}`;
                  return (
                    <tr key={mode.id}>
                      <td>{mode.term}</td>
                      <td>{mode.workshop}</td>
                      <td>
                        <TextInput
                          aria-label={`The shop’s own word for ${mode.term}`}
                          value={own.get(key) ?? mode.own ?? ''}
                          maxLength={60}
                          onChange={(event) => setOwn(new Map([...own, [key, event.target.value]]))}
                        />
                      </td>
                    </tr>
                  );
                })}
            </Table>
          </Box>
        ))}
      </Box>
    </Box>
  );
}
