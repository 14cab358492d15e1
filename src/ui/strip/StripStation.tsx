'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { useState } from 'react';
import { type PlanStep, rebuildOrder, stripPlan } from '@/core/strip/stripPlan';
import { TeethCounted } from '../identity/pieces';
import { type OfJob, useBench } from '../job/useBench';
import { useKeep } from '../job/useKeep';
import { TextField } from '../kit/Field';
import { Arriving } from '../kit/later';
import { EmptyState, ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { StationPictures } from '../photographs/StationPictures';
import { BesideSection } from '../section/BesideSection';
import { BetterOrder } from './BetterOrder';
import { Inventory } from './Inventory';
import { KeepAsType, MeasuredBox, StepWithPieces } from './pieces';
import { StepForm } from './StepForm';
import { StepLog } from './StepLog';

const VIEWS = [
  ['steps', 'Steps'],
  ['pieces', 'Pieces counted'],
  ['measured', 'Measured and drawn'],
  ['together', 'How it goes together'],
] as const;
type View = (typeof VIEWS)[number][0];

/** The order in which it comes apart, one big step at a time; any step can be taken up, left out with a reason, or added. */
export function StripStation(props: OfJob) {
  const { job } = props;
  const { rights } = useBench();
  const { unitType, records } = job.snapshot;
  const plan = stripPlan(unitType, records);
  const [chosen, setChosen] = useState<string>();
  const [view, setView] = useState<View>('steps');
  const mayTake = rights.includes('capture.take');
  const current = plan.steps.find(({ step }) => step.id === chosen) ?? plan.next;
  const unitIsOwn = job.snapshot.job.ownType;
  const done = plan.steps.filter(({ state }) => state !== 'open').length;
  const tabs = (
    <Flex role="group" aria-label="Strip, pieces or the way back" gap="4px" marginBottom="12px" wrap="wrap">
      {VIEWS.filter(([id]) => id !== 'measured' || unitIsOwn).map(([id, words]) => (
        <Press key={id} chosen={view === id} aria-pressed={view === id} onClick={() => setView(id)}>
          {id === 'steps' ? `Steps: ${done} of ${plan.steps.length}` : words}
        </Press>
      ))}
    </Flex>
  );
  if (view === 'measured')
    return (
      <Arriving>
        <MeasuredBox job={job} tabs={tabs} />
      </Arriving>
    );
  return (
    <BesideSection
      job={job}
      marked={view === 'steps' ? (current?.step.positions ?? []) : []}
      note={
        view === 'steps' && current && current.step.positions.length > 0
          ? 'Marked: the pieces of this step. Tap a part to open its ticket.'
          : 'Tap a part to open its ticket.'
      }
    >
      <Box data-testid="strip">
        {tabs}
        {view === 'pieces' && <Inventory {...props} />}
        {view === 'together' && (
          <StepLog {...props} records={rebuildOrder(plan)} heading="What came off last goes on first" />
        )}
        {view === 'steps' && (
          <Box minWidth="0">
            {plan.steps.length === 0 && (
              <EmptyState>
                Nobody has written down in which order this unit comes apart. Add each step as you do it: it
                becomes the order in which it goes together.
              </EmptyState>
            )}
            {current && mayTake && (
              <StepForm
                key={current.step.id}
                {...props}
                planned={current}
                onKept={() => setChosen(undefined)}
              />
            )}
            {current && (
              <Arriving quietly>
                <TeethCounted job={job} positions={current.step.positions} />
              </Arriving>
            )}
            {!current && plan.steps.length > 0 && <Box fontWeight={650}>Every step is done or left out.</Box>}
            <StationPictures {...props} station="strip" {...(current ? { stepId: current.step.id } : {})} />
            <StepList steps={plan.steps} current={current?.step.id} onChoose={setChosen} />
            {mayTake &&
              (job.snapshot.job.ownType && rights.includes('unit-type.describe') ? (
                <Arriving>
                  <StepWithPieces {...props} />
                </Arriving>
              ) : (
                <AddStep {...props} />
              ))}
            <StepLog {...props} records={plan.log} heading="As it was done" />
            <BetterOrder {...props} plan={plan} />
            {job.snapshot.job.ownType && plan.steps.length > 0 && rights.includes('unit-type.keep') && (
              <Arriving>
                <KeepAsType {...props} />
              </Arriving>
            )}
          </Box>
        )}
      </Box>
    </BesideSection>
  );
}

const MARK: Record<PlanStep['state'], string> = { open: '', done: 'done', skipped: 'left out' };

function StepList({
  steps,
  current,
  onChoose,
}: {
  readonly steps: readonly PlanStep[];
  readonly current: string | undefined;
  readonly onChoose: (id: string) => void;
}) {
  return (
    <Box as="ol" marginTop="16px" paddingLeft="0" listStyleType="none" aria-label="Order of the strip">
      {steps.map(({ step, state, unsaid }, index) => (
        <Box as="li" key={step.id} borderBottom="1px solid" borderColor="rule">
          <Press
            kind="quiet"
            width="100%"
            justifyContent="flex-start"
            textDecoration="none"
            whiteSpace="normal"
            textAlign="left"
            color={state === 'open' ? 'ink' : 'second'}
            fontWeight={step.id === current ? 650 : 400}
            aria-current={step.id === current ? 'step' : undefined}
            onClick={() => onChoose(step.id)}
          >
            <Box as="span">
              {index + 1}. {step.title}
              {MARK[state] && ` (${MARK[state]})`}
              {unsaid.length > 0 && (
                <Box as="span" color="oxide">
                  {' '}
                  Not put down: {unsaid.join(', ')}.
                </Box>
              )}
            </Box>
          </Press>
        </Box>
      ))}
    </Box>
  );
}

function AddStep(props: OfJob) {
  const keep = useKeep(props.job);
  const [title, setTitle] = useState('');
  const [trouble, setTrouble] = useState('');
  const add = async () => {
    const wrong = await keep({ what: 'step', title }, `Added: ${title}`);
    setTrouble(wrong ?? '');
    if (!wrong) setTitle('');
  };
  return (
    <Box
      as="form"
      marginTop="16px"
      onSubmit={(event) => {
        event.preventDefault();
        void add();
      }}
    >
      <Heading as="h3" fontSize="16px">
        A step that is not on the list
      </Heading>
      <Flex gap="12px" align="flex-end" wrap="wrap">
        <Box flex="1 1 320px">
          <TextField label="What was done" value={title} onText={setTitle} />
        </Box>
        <Press type="submit" marginBottom="12px" disabled={title.trim() === ''}>
          Add it
        </Press>
      </Flex>
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
    </Box>
  );
}
