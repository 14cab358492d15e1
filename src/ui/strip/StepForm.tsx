'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { useMemo, useState } from 'react';
import { cautionById, cautionsForStation } from '@/core/catalogs/cautions';
import { asksFor } from '@/core/strip/notPutDown';
import { recordsOf } from '@/core/strip/recordsOf';
import type { PlanStep } from '@/core/strip/stripPlan';
import type { RecordOf } from '@/model/recordKinds';
import { SIDES } from '@/model/records/step';
import type { UnitType } from '@/model/unitType';
import { EarlierTraces } from '../drain/EarlierTraces';
import type { OfJob } from '../job/useBench';
import { useKeep } from '../job/useKeep';
import { TextField } from '../kit/Field';
import { figureOf } from '../kit/figureOf';
import { CautionSign, ErrorNotice } from '../kit/Notice';
import { OneOf } from '../kit/OneOf';
import { Press } from '../kit/Press';
import { useKept } from '../kit/useKept';
import { CountPieces } from './CountPieces';
import { ShimPack } from './ShimPack';
import { WayRound } from './WayRound';

type StepRecord = RecordOf<'step'>;

interface StepFormProps extends OfJob {
  readonly planned: PlanStep;
  readonly onKept: () => void;
}

/** One step, big: what, with which tool, what to mind, what to put down; then done, or left out with a reason. */
export function StepForm(props: StepFormProps) {
  const { planned, onKept, job } = props;
  const { step, oneUse, stacks } = planned;
  const keep = useKeep(props.job);
  const [{ said, turns, reason }, setSheet, forget] = useKept(
    `step ${job.snapshot.job.id} ${step.id}`,
    useMemo(() => sheetOf(planned.record?.content), [planned.record]),
  );
  const change = (over: Partial<Sheet>) => setSheet({ said, turns, reason, ...over });
  const [trouble, setTrouble] = useState('');
  const seen = new Set(
    recordsOf(job.snapshot.records, 'caution-seen').map(({ content }) => content.cautionId),
  );
  const { catalogs } = job.snapshot;
  // Asked once for the job, whichever step is taken first.
  const beforeAnything = cautionsForStation(catalogs, 'strip').filter(({ grave }) => grave);
  const cautions = [...new Set([...beforeAnything.map(({ id }) => id), ...step.cautions])];
  const unread = cautions.filter((id) => cautionById(catalogs, id)?.grave && !seen.has(id));
  const shown = cautions.filter((id) => step.cautions.includes(id) || unread.includes(id));
  const set = (over: Partial<StepRecord>) => change({ said: { ...said, ...over } });
  const take = async (skipped: boolean) => {
    if (!skipped && unread.length > 0) return setTrouble('Read the caution first, and say so.');
    if (skipped && reason.trim() === '') return setTrouble('Say why the step is left out.');
    const adjusterTurns = figureOf(turns);
    const wrong = await keep(
      {
        what: 'step',
        stepId: step.id,
        ...(skipped ? { skipped, reason } : said),
        ...(adjusterTurns === undefined || skipped ? {} : { adjusterTurns }),
      },
      `${step.title}: ${skipped ? 'left out' : 'done'}`,
    );
    setTrouble(wrong ?? '');
    if (wrong) return;
    forget();
    onKept();
  };
  const pieces = job.snapshot.unitType.positions.filter(({ id }) => step.positions.includes(id));
  const other = step.record.filter((word) => !KNOWN.test(word));
  return (
    <Box
      as="form"
      data-testid="step"
      borderTop="2px solid"
      borderColor="ink"
      paddingTop="12px"
      onSubmit={(event) => {
        event.preventDefault();
        void take(false);
      }}
    >
      <Heading as="h3" fontSize="24px" lineHeight="30px">
        {step.title}
      </Heading>
      <Box marginBottom="8px">{toolWords(step)}</Box>
      <Cautions {...props} ids={shown} unread={unread} />
      {oneUse.length > 0 && (
        <Box marginBottom="8px">
          <strong>Not to be used again:</strong> {oneUse.map(({ name }) => name).join(', ')}.
        </Box>
      )}
      {asksFor(step, 'side') && (
        <OneOf
          label="Which side"
          options={SIDES}
          chosen={said.side ? [said.side] : []}
          onPress={(side) => set({ side })}
        />
      )}
      {asksFor(step, 'wayRound') && (
        <WayRound
          orientation={said.orientation}
          wayRound={said.wayRound ?? ''}
          onChange={(over) => set(over)}
        />
      )}
      {asksFor(step, 'marks') && (
        <TextField
          label="Match marks: found, or made now"
          value={said.marks ?? ''}
          onText={(marks) => set({ marks })}
        />
      )}
      {asksFor(step, 'turns') && (
        <TextField
          label="Adjuster, turns out"
          value={turns}
          onText={(typed) => change({ turns: typed })}
          inputMode="decimal"
        />
      )}
      {stacks.map((stack) => (
        <ShimPack
          key={stack.id}
          name={stack.name}
          pieces={(said.shims ?? []).filter(({ positionId }) => positionId === stack.id)}
          onChange={(pieces) =>
            set({
              shims: [...(said.shims ?? []).filter(({ positionId }) => positionId !== stack.id), ...pieces],
            })
          }
          positionId={stack.id}
        />
      ))}
      <OneOf
        label="As it was found"
        options={['loose before the spanner came', 'lock missing'] as const}
        chosen={[
          ...(said.looseWhenFound ? (['loose before the spanner came'] as const) : []),
          ...(said.lockMissing ? (['lock missing'] as const) : []),
        ]}
        onPress={(found) =>
          set(
            found === 'lock missing'
              ? { lockMissing: !said.lockMissing }
              : { looseWhenFound: !said.looseWhenFound },
          )
        }
      />
      <EarlierTraces {...props} positions={pieces} />
      <TextField
        label={other.length > 0 ? `Also to be put down: ${other.join(', ')}` : 'Anything else'}
        value={said.note ?? ''}
        onText={(note) => set({ note })}
      />
      <CountPieces {...props} positions={pieces} />
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
      <Flex gap="12px" wrap="wrap" align="flex-end" marginTop="12px">
        <Press type="submit" kind="take" size="bench" minWidth="240px" minHeight="72px">
          Done
        </Press>
        <Box flex="1 1 240px">
          <TextField
            label="or left out, because"
            value={reason}
            onText={(typed) => change({ reason: typed })}
          />
        </Box>
        <Press marginBottom="12px" onClick={() => void take(true)}>
          Leave it out
        </Press>
      </Flex>
    </Box>
  );
}

interface Sheet {
  readonly said: Omit<StepRecord, 'what'>;
  readonly turns: string;
  readonly reason: string;
}

/** A step that is taken up again begins with what was put down before: the later record replaces the earlier one. */
function sheetOf(content: StepRecord | undefined): Sheet {
  const {
    what: _,
    stepId: __,
    skipped: ___,
    reason = '',
    adjusterTurns,
    ...said
  } = content ?? { what: 'step' };
  return { said, reason, turns: adjusterTurns === undefined ? '' : String(adjusterTurns) };
}

/** The cautions of a step; a grave one is answered once for the whole job. */
function Cautions({
  ids,
  unread,
  ...props
}: OfJob & { readonly ids: readonly string[]; readonly unread: readonly string[] }) {
  const keep = useKeep(props.job);
  return ids.map((id) => {
    const caution = cautionById(props.job.snapshot.catalogs, id);
    if (!caution) return null;
    return (
      <Flex key={id} align="center" gap="12px" wrap="wrap">
        <CautionSign title={caution.title} words={caution.words} />
        {unread.includes(id) && (
          <Press
            kind="danger"
            size="bench"
            onClick={() => void keep({ what: 'caution-seen', cautionId: id }, `${caution.title}: read`)}
          >
            Read and understood
          </Press>
        )}
      </Flex>
    );
  });
}

/** What has a field of its own. */
const KNOWN = /side|way round|marks|turns|shim thickness|count/;

function toolWords({ tool, torque }: UnitType['steps'][number]): string {
  const undone = torque
    ? `${torque.bolts === 1 ? 'One fastener' : `${torque.bolts} fasteners`}, set to ${torque.min} to ${torque.max} N m${torque.compound ? ` with ${torque.compound}` : ''}`
    : '';
  return [tool ? `With: ${tool}` : '', undone].filter((words) => words !== '').join('. ');
}
