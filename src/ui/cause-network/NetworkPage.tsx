'use client';

import { Box, Flex, Grid, Heading } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { CauseNetwork, CauseNode } from '@/model/causeNetwork';
import type { Actor } from '@/model/people';
import { PageHead } from '../frame/PageHead';
import { Field, TextInput } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { send } from '../kit/send';
import { Table } from '../kit/Table';
import { NodeRow } from './NodeRow';

interface Trial {
  readonly jobs: number;
  readonly changed: readonly { readonly peg: number; readonly today: string; readonly onTrial: string }[];
}

interface NetworkPageProps {
  readonly state: { readonly document: CauseNetwork; readonly newerShipped: number | null };
  readonly actor: Actor;
}

/** So many nodes stand on the page; a search finds the others. */
const SHOWN = 40;

/** What breaks what, in words that can be corrected: how strongly, how often; tried on the shop's conclusions before it is kept. */
export function NetworkPage({ state: { document, newerShipped }, actor }: NetworkPageProps) {
  const router = useRouter();
  const [nodes, setNodes] = useState<readonly CauseNode[]>(document.nodes);
  const [wanted, setWanted] = useState('');
  const [trial, setTrial] = useState<Trial>();
  const [note, setNote] = useState('');
  const [refusal, setRefusal] = useState('');
  const names = new Map(nodes.map(({ id, name }) => [id, name]));
  const word = wanted.trim().toLowerCase();
  const found = nodes.filter(({ id, name }) => `${id} ${name}`.toLowerCase().includes(word));
  const change = (next: CauseNode) => {
    setNodes(nodes.map((node) => (node.id === next.id ? next : node)));
    setTrial(undefined);
  };
  const tryIt = async () => {
    const answer = await send<Trial>('POST', '/api/v1/cause-network/trial', { nodes });
    setRefusal(answer.ok ? '' : answer.refusal.message);
    setTrial(answer.ok ? answer.value : undefined);
  };
  const keep = async () => {
    const answer = await send('PUT', '/api/v1/cause-network', {
      ...{ basedOnRevision: document.revision, nodes, note },
    });
    if (answer.ok) router.refresh();
    else setRefusal(answer.refusal.message);
  };
  return (
    <Box>
      <PageHead title="Causes" back={{ href: '/', words: 'The rack' }} actor={actor} />
      <Grid
        as="main"
        templateColumns={{ base: 'minmax(0, 1fr)', lg: 'minmax(0, 3fr) minmax(0, 2fr)' }}
        gap="32px"
        padding="16px"
        maxWidth="1280px"
      >
        <Box>
          <Heading as="h2">Revision {document.revision}</Heading>
          <Box color="second">
            {nodes.length} nodes, from practice. Strengths are words; the figures behind them are the same
            everywhere.
            {newerShipped !== null &&
              ` Stereotome has come with revision ${newerShipped} since; the shop’s own holds.`}
          </Box>
          <TextInput
            aria-label="Search causes and findings"
            placeholder="search"
            marginBlock="8px"
            value={wanted}
            onChange={(event) => setWanted(event.target.value)}
          />
          {found.slice(0, SHOWN).map((node) => (
            <NodeRow
              key={node.id}
              node={node}
              before={document.nodes.find(({ id }) => id === node.id)}
              nameOf={(id) => names.get(id) ?? id}
              onChange={change}
            />
          ))}
          {found.length > SHOWN && (
            <Box color="second">And {found.length - SHOWN} more: search for them.</Box>
          )}
        </Box>
        <Box>
          <Box position={{ lg: 'sticky' }} top="16px">
            <Heading as="h2">The shop’s conclusions under it</Heading>
            {trial && (
              <Box data-testid="network-trial">
                {trial.changed.length === 0
                  ? `None of ${trial.jobs} concluded jobs would be ranked otherwise.`
                  : `${trial.changed.length} of ${trial.jobs} concluded jobs would be ranked otherwise.`}
                {trial.changed.length > 0 && (
                  <Table
                    heads={['Peg', 'First today', 'First then']}
                    label="Jobs that would be ranked otherwise"
                  >
                    {trial.changed.map(({ peg, today, onTrial }) => (
                      <tr key={peg}>
                        <td>{peg}</td>
                        <td>{names.get(today) ?? today}</td>
                        <td>{names.get(onTrial) ?? onTrial}</td>
                      </tr>
                    ))}
                  </Table>
                )}
              </Box>
            )}
            {refusal && <ErrorNotice>{refusal}</ErrorNotice>}
            <Flex gap="8px" marginBlock="12px">
              <Press kind="main" disabled={nodes === document.nodes} onClick={() => void tryIt()}>
                Try the changes
              </Press>
              {nodes !== document.nodes && (
                <Press kind="quiet" onClick={() => setNodes(document.nodes)}>
                  Take them back
                </Press>
              )}
            </Flex>
            {trial && (
              <>
                <Field label="Why the shop sees it so">
                  {(wiring) => (
                    <TextInput
                      {...wiring}
                      value={note}
                      maxLength={300}
                      onChange={(event) => setNote(event.target.value)}
                    />
                  )}
                </Field>
                <Press kind="main" disabled={note.trim() === ''} onClick={() => void keep()}>
                  Keep as the shop’s own
                </Press>
              </>
            )}
          </Box>
        </Box>
      </Grid>
    </Box>
  );
}
