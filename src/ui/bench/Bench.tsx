'use client';

import { Box, Grid } from '@chakra-ui/react';
import { useCallback, useEffect, useState } from 'react';
import { tinykeys } from 'tinykeys';
import type { Actor } from '@/model/people';
import type { Right } from '@/model/rights';
import { HoldPanel } from '../hold/HoldPanel';
import type { FirstOfJob } from '../job/jobStore';
import { type Undoable, UndoBar } from '../job/UndoBar';
import { BenchProvider, useOfJob, useOpenBench, type Watch } from '../job/useJob';
import { Watching } from '../job/Watching';
import { PhotographDesk } from '../picture/PhotographDesk';
import { JobStrip } from './JobStrip';
import { Run } from './Run';
import { ScanLabel } from './ScanLabel';
import { StationWork } from './StationWork';
import type { Measuring } from './seriesWalk';
import { Ticket } from './Ticket';
import { useBenchPlace } from './useBenchPlace';
import { useOfflineBench } from './useOfflineBench';

/** What was chosen while measuring; another part or another check begins afresh. */
function useMeasuring(of: string): [Measuring, (measuring: Measuring) => void] {
  const [chosen, setChosen] = useState<{ of: string; measuring: Measuring }>({ of, measuring: {} });
  const choose = useCallback((measuring: Measuring) => setChosen({ of, measuring }), [of]);
  return [chosen.of === of ? chosen.measuring : {}, choose];
}

/** What the strip shows of the job; and what only acts on it. */
const STRIP: Watch = ({ snapshot, photographs }) => [snapshot.job, snapshot.records, photographs];
const NOTHING: Watch = () => [];

interface BenchProps {
  readonly first: FirstOfJob;
  readonly actor: Actor;
  readonly rights: readonly Right[];
  readonly today: string;
}

/** One job at the bench: opened once, and shown by parts that each watch their own piece of it. */
export function Bench({ first, actor, rights, today }: BenchProps) {
  const opened = useOpenBench(first, actor);
  useOfflineBench(first.snapshot.job);
  return (
    <BenchProvider value={opened}>
      <OpenBench {...{ actor, rights, today }} />
    </BenchProvider>
  );
}

/** Its strip, the run, the station's work on the left, the open part's ticket on the right. */
function OpenBench({ actor, rights, today }: Omit<BenchProps, 'first'>) {
  const place = useBenchPlace();
  const [undoable, setUndoable] = useState<Undoable>();
  const [asList, setAsList] = useState(false);
  const [scanning, setScanning] = useState(false);
  const [holding, setHolding] = useState(false);
  const [measuring, setMeasuring] = useMeasuring(`${place.part} ${place.check}`);
  const jobId = useOfJob(({ snapshot }) => snapshot.job.id);
  const counts = useOfJob((state) => state.counts);
  const open = useOfJob(({ parts }) => parts.find((part) => part.position.id === place.part));
  const close = () => place.goTo({ part: null });
  const forget = () => setUndoable(undefined);
  useEffect(
    () =>
      tinykeys(window, {
        l: (event) => {
          if (
            !(
              event.target instanceof HTMLInputElement ||
              event.target instanceof HTMLTextAreaElement ||
              event.target instanceof HTMLSelectElement
            )
          )
            setAsList((list) => !list);
        },
        Escape: () => {
          if (scanning) setScanning(false);
          else if (holding) setHolding(false);
          else if (place.photographs) place.goTo({ photographs: false });
          else if (place.part) place.goTo({ part: null });
        },
      }),
    [place, scanning, holding],
  );
  return (
    <Box minHeight="100dvh" display="flex" flexDirection="column" data-job={jobId}>
      <Box as="header" bg="bar" color="onBlue" paddingInline="16px" paddingTop="8px">
        <Watching of={STRIP}>
          {(job) => (
            <JobStrip
              {...{ job, actor, today, scanning, holding }}
              onHold={() => setHolding(!holding)}
              onScan={() => setScanning(!scanning)}
              onPhotographs={() => place.goTo({ photographs: !place.photographs, look: [] })}
            />
          )}
        </Watching>
        <Run counts={counts} current={place.station} onGo={(station) => place.goTo({ station })} />
      </Box>
      {holding && (
        <Box padding="12px 16px" borderBottom="1.5px solid" borderColor="ink">
          <Watching>
            {(job) => (
              <HoldPanel {...{ job, actor, rights }} station={place.station} onUndoable={setUndoable} />
            )}
          </Watching>
        </Box>
      )}
      {scanning && (
        <Watching>
          {(job) => (
            <ScanLabel
              job={job}
              onOpen={(part) => {
                setScanning(false);
                place.goTo({ part, photographs: false });
              }}
            />
          )}
        </Watching>
      )}
      {place.photographs && (
        <Box as="main" flex="1">
          <Watching>
            {(job) => <PhotographDesk {...{ job, actor, rights, place }} onUndoable={setUndoable} />}
          </Watching>
        </Box>
      )}
      {!place.photographs && (
        <Grid
          as="main"
          templateColumns={{ base: '1fr', lg: open ? 'minmax(0, 1fr) 560px' : '1fr' }}
          flex="1"
          alignItems="stretch"
        >
          <Box padding="12px 16px" minWidth="0">
            <StationWork
              actor={actor}
              rights={rights}
              place={place}
              open={open}
              asList={asList}
              measuring={measuring}
              onMeasuring={setMeasuring}
              onUndoable={setUndoable}
              onAsList={setAsList}
            />
          </Box>
          {open && (
            <Box
              as="aside"
              aria-label={`Ticket of ${open.position.name}`}
              borderLeft={{ lg: '1.5px solid' }}
              borderColor="ink"
              minWidth="0"
              order={{ base: -1, lg: 1 }}
            >
              <Watching key={open.position.id}>
                {(job) => (
                  <Ticket
                    part={open}
                    {...{ job, actor, rights, place, measuring }}
                    onMeasuring={setMeasuring}
                    onClose={close}
                    onUndoable={setUndoable}
                  />
                )}
              </Watching>
            </Box>
          )}
        </Grid>
      )}
      <Watching of={NOTHING}>{(job) => <UndoBar undoable={undoable} job={job} onDone={forget} />}</Watching>
    </Box>
  );
}
