'use client';

import { Box, Flex, Grid, Heading } from '@chakra-ui/react';
import { useState } from 'react';
import { needleRooms } from '@/core/rebuild/needleRoom';
import { PROOF_HOW } from '@/core/rebuild/proofHow';
import { PROOF_GROUPS } from '@/core/rebuild/proofList';
import { missingFor, type Proof, proofsOf } from '@/core/rebuild/proofs';
import type { ProofResult } from '@/model/records/proved';
import { type OfJob, useBench } from '../job/useBench';
import { useKeep } from '../job/useKeep';
import { TextField } from '../kit/Field';
import { figureOf } from '../kit/figureOf';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';

const STATES: Readonly<Record<Proof['state'], string>> = {
  ...{ open: 'not done yet', pass: '', fail: 'failed', 'cant-say': 'can’t be said' },
  'not-fitted': 'doesn’t apply here',
};

/** What the rebuild is proved by beside its figures: flushed, tried, worked by hand, filled, run. */
export function ProofLines({ job }: OfJob) {
  const { rights } = useBench();
  const mayBuild = rights.includes('rebuild.do');
  const proofs = proofsOf(job.snapshot);
  const [chosen, setChosen] = useState<string>();
  const open = proofs.filter(({ state }) => state === 'open').length;
  return (
    <Box data-testid="proofs">
      <Heading as="h2" fontSize="20px">
        {open === 0 ? 'Every proof has its word' : `${open} of ${proofs.length} proofs are open`}
      </Heading>
      {PROOF_GROUPS.map(({ id, name }) => {
        const own = proofs.filter(({ line }) => line.group === id);
        return own.length === 0 ? null : (
          <Box as="section" key={id} aria-label={name} marginTop="12px">
            <Heading as="h3" fontSize="18px">
              {name}
            </Heading>
            {own.map((proof) => (
              <Line
                key={proof.line.id}
                job={job}
                proof={proof}
                isOpen={chosen === proof.line.id}
                mayBuild={mayBuild}
                onOpen={() => setChosen((before) => (before === proof.line.id ? undefined : proof.line.id))}
              />
            ))}
          </Box>
        );
      })}
    </Box>
  );
}

interface LineProps extends OfJob {
  readonly proof: Proof;
  readonly isOpen: boolean;
  readonly mayBuild: boolean;
  readonly onOpen: () => void;
}

function Line({ job, proof, isOpen, mayBuild, onOpen }: LineProps) {
  const { line, state, words, said } = proof;
  const isBad = state === 'fail' || state === 'cant-say';
  return (
    <Box borderBottom="1px solid" borderColor="rule" data-proof={line.id} data-state={state}>
      <Press
        kind="quiet"
        size="bench"
        width="100%"
        justifyContent="space-between"
        textDecoration="none"
        whiteSpace="normal"
        textAlign="left"
        paddingInline="0"
        aria-expanded={isOpen}
        onClick={onOpen}
      >
        <Box as="span" fontWeight={state === 'open' ? 650 : 400} color={isBad ? 'oxide' : undefined}>
          {line.title}
        </Box>
        <Box as="span" fontSize="13px" color={isBad ? 'oxide' : 'second'} textAlign="right">
          {wordOf(proof)}
        </Box>
      </Press>
      {said && (
        <Box fontSize="13px" color={isBad ? 'oxide' : 'second'} paddingBottom="6px">
          {[words, said.author].filter(Boolean).join('; ')}
        </Box>
      )}
      {isOpen && <SayIt job={job} proof={proof} mayBuild={mayBuild} onSaid={onOpen} />}
    </Box>
  );
}

/** A line that was said to pass, and whose figures say otherwise, is told so. */
function wordOf({ line, state, said }: Proof): string {
  if (state === 'pass') return line.pass;
  if (state === 'fail') return said?.content.result === 'fail' ? line.fail : 'its figures say otherwise';
  return STATES[state];
}

function SayIt({
  job,
  proof: { line },
  mayBuild,
  onSaid,
}: Pick<LineProps, 'job' | 'proof' | 'mayBuild'> & { readonly onSaid: () => void }) {
  const keep = useKeep(job);
  const [figures, setFigures] = useState<Readonly<Record<string, string>>>({});
  const [note, setNote] = useState('');
  const [trouble, setTrouble] = useState('');
  const say = async (result: ProofResult) => {
    const read: Record<string, number> = {};
    for (const { id, words } of line.figures) {
      const figure = figureOf(figures[id] ?? '');
      if (figure !== undefined && Number.isNaN(figure))
        return setTrouble(`${words}: “${figures[id]}” is no figure.`);
      if (figure !== undefined) read[id] = figure;
    }
    const missing = result === 'pass' ? missingFor(line, read, note) : undefined;
    if (missing) return setTrouble(missing);
    if (result !== 'pass' && note.trim() === '') return setTrouble('Say in a few words what it was.');
    const wrong = await keep(
      {
        ...{ what: 'proved', item: line.id, result, note: note.trim() },
        ...(Object.keys(read).length > 0 ? { figures: read } : {}),
      },
      `${line.title}: ${result === 'pass' ? line.pass : result === 'fail' ? line.fail : 'noted'}`,
    );
    setTrouble(wrong ?? '');
    if (wrong === undefined) onSaid();
  };
  return (
    <Box paddingBottom="12px">
      <Box marginBottom="8px">{line.how ?? PROOF_HOW[line.id]}</Box>
      {line.id === 'hand-needles' &&
        needleRooms(job.snapshot.unitType).map(({ positionId, words }) => (
          <Box key={positionId}>{words}</Box>
        ))}
      {mayBuild && (
        <>
          {line.figures.length > 0 && (
            <Grid templateColumns={`repeat(${line.figures.length}, minmax(0, 180px))`} gap="8px">
              {line.figures.map(({ id, words, unit }) => (
                <TextField
                  key={id}
                  label={`${words}, ${unit}`}
                  inputMode="decimal"
                  value={figures[id] ?? ''}
                  onText={(text) => setFigures({ ...figures, [id]: text })}
                />
              ))}
            </Grid>
          )}
          <TextField
            label={line.say ? `In words: ${line.say}` : 'In words'}
            value={note}
            onText={setNote}
            maxLength={300}
          />
          {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
          <Flex gap="8px" wrap="wrap">
            <Press kind="main" size="bench" onClick={() => void say('pass')}>
              {line.pass}
            </Press>
            <Press kind="danger" size="bench" onClick={() => void say('fail')}>
              {line.fail}
            </Press>
            <Press size="bench" onClick={() => void say('cant-say')}>
              Can’t say
            </Press>
            <Press kind="quiet" onClick={() => void say('not-fitted')}>
              Doesn’t apply
            </Press>
          </Flex>
        </>
      )}
    </Box>
  );
}
