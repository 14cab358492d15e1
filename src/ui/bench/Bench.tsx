'use client';

import { Box, Grid } from '@chakra-ui/react';
import { useCallback, useEffect, useState } from 'react';
import { tinykeys } from 'tinykeys';
import { stationCounts } from '@/core/decisions/stationCounts';
import type { Actor } from '@/model/people';
import type { Right } from '@/model/rights';
import { HoldPanel } from '../hold/HoldPanel';
import type { FirstOfJob } from '../job/jobStore';
import { type Undoable, UndoBar } from '../job/UndoBar';
import { useJob } from '../job/useJob';
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

interface BenchProps {
  readonly first: FirstOfJob;
  readonly actor: Actor;
  readonly rights: readonly Right[];
  readonly today: string;
}

/** One job at the bench: its strip, the run, the station's work on the left, the open part's ticket on the right. */
export function Bench({ first, actor, rights, today }: BenchProps) {
  const job = useJob(first, actor);
  useOfflineBench(first.snapshot.job);
  const place = useBenchPlace();
  const [undoable, setUndoable] = useState<Undoable>();
  const [asList, setAsList] = useState(false);
  const [scanning, setScanning] = useState(false);
  const [holding, setHolding] = useState(false);
  const [measuring, setMeasuring] = useMeasuring(`${place.part} ${place.check}`);
  const open = job.parts.find((part) => part.position.id === place.part);
  const close = useCallback(() => place.goTo({ part: null }), [place.goTo]);
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
          else if (open) close();
        },
      }),
    [open, close, place, scanning, holding],
  );
  return (
    <Box minHeight="100dvh" display="flex" flexDirection="column" data-job={job.snapshot.job.id}>
      <Box as="header" bg="bar" color="onBlue" paddingInline="16px" paddingTop="8px">
        <JobStrip
          job={job}
          actor={actor}
          today={today}
          scanning={scanning}
          holding={holding}
          onHold={() => setHolding(!holding)}
          onScan={() => setScanning(!scanning)}
          onPhotographs={() => place.goTo({ photographs: !place.photographs, look: [] })}
        />
        <Run
          counts={stationCounts(job.snapshot, job.parts)}
          current={place.station}
          onGo={(station) => place.goTo({ station })}
        />
      </Box>
      {holding && (
        <Box padding="12px 16px" borderBottom="1.5px solid" borderColor="ink">
          <HoldPanel {...{ job, actor, rights }} station={place.station} onUndoable={setUndoable} />
        </Box>
      )}
      {scanning && (
        <ScanLabel
          job={job}
          onOpen={(part) => {
            setScanning(false);
            place.goTo({ part, photographs: false });
          }}
        />
      )}
      {place.photographs && (
        <Box as="main" flex="1">
          <PhotographDesk {...{ job, actor, rights, place }} onUndoable={setUndoable} />
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
              job={job}
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
              <Ticket
                key={open.position.id}
                part={open}
                job={job}
                actor={actor}
                rights={rights}
                place={place}
                measuring={measuring}
                onMeasuring={setMeasuring}
                onClose={close}
                onUndoable={setUndoable}
              />
            </Box>
          )}
        </Grid>
      )}
      <UndoBar undoable={undoable} job={job} onDone={() => setUndoable(undefined)} />
    </Box>
  );
}
