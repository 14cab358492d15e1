'use client';

import { Box, Grid } from '@chakra-ui/react';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { tinykeys } from 'tinykeys';
import { openHolds } from '@/core/strip/holds';
import type { Actor } from '@/model/people';
import type { Right } from '@/model/rights';
import { typesInto } from '../frame/typesInto';
import type { FirstOfJob } from '../job/jobStore';
import type { JustKept } from '../job/UndoBar';
import { AtBenchProvider } from '../job/useBench';
import { useBenchPlace } from '../job/useBenchPlace';
import { JobProvider, useOfJob, useOpenBench, type Watch } from '../job/useJob';
import { Watching } from '../job/Watching';
import { Arriving } from '../kit/later';
import { MeasuringProvider, useMeasuringOf } from '../measure/useMeasuring';
import { FootBar } from './FootBar';
import { focusWhereOpened } from './focusWhereOpened';
import { JobStrip } from './JobStrip';
import { HoldPanel, PhotographDesk, ScanLabel, SoundDesk, Ticket } from './pieces';
import { Run } from './Run';
import { Station } from './Station';
import { type OnDevice, useOfflineBench } from './useOfflineBench';

/** What the strip shows of the job; and what the run does. */
const STRIP: Watch = ({ snapshot, photographs }) => [snapshot.job, snapshot.records, photographs];

interface BenchProps {
  readonly first: FirstOfJob;
  readonly actor: Actor;
  readonly rights: readonly Right[];
  readonly today: string;
}

/** One job at the bench: opened once, and shown by parts that each watch their own piece of it. */
export function Bench({ first, actor, rights, today }: BenchProps) {
  const opened = useOpenBench(first, actor);
  const onDevice = useOfflineBench(first.snapshot.job);
  return (
    <JobProvider value={opened}>
      <OpenBench {...{ actor, rights, today, onDevice }} />
    </JobProvider>
  );
}

interface OpenBenchProps extends Omit<BenchProps, 'first'> {
  readonly onDevice: OnDevice;
}

/** The frame: its strip and run, the station with the drawing it works on, the open part's ticket, and the bar at the foot. */
function OpenBench({ actor, rights, today, onDevice }: OpenBenchProps) {
  const place = useBenchPlace();
  const [justKept, setJustKept] = useState<JustKept>();
  const [sheet, setSheet] = useState<'scanner' | 'hold'>();
  const measuring = useMeasuringOf(`${place.part} ${place.check}`);
  const jobId = useOfJob(({ snapshot }) => snapshot.job.id);
  const open = useOfJob(({ parts }) => parts.find((part) => part.position.id === place.part));
  // The frame stands and hears before anything else is asked for.
  const [lives, setLives] = useState(false);
  useEffect(() => {
    performance.mark('alive');
    setLives(true);
  }, []);
  const forget = useCallback(() => setJustKept(undefined), []);
  const toggle = (which: typeof sheet) => setSheet((shown) => (shown === which ? undefined : which));
  const bench = useMemo(() => ({ actor, rights, place, tellKept: setJustKept }), [actor, rights, place]);
  useEffect(
    () =>
      tinykeys(window, {
        l: (event) => {
          if (!typesInto(event.target)) place.goTo({ show: place.show === 'list' ? 'sheet' : 'list' });
        },
        Escape: (event) => {
          if (event.defaultPrevented) return;
          if (sheet) setSheet(undefined);
          else if (place.photographs) place.goTo({ photographs: false });
          else if (place.sound !== undefined) place.goTo({ sound: null });
          else if (place.part) {
            focusWhereOpened(place.part);
            place.goTo({ part: null });
          }
        },
      }),
    [place, sheet],
  );
  return (
    <AtBenchProvider value={bench}>
      <Box minHeight="100dvh" display="flex" flexDirection="column" data-job={jobId} data-whole={onDevice}>
        <Box as="header" bg="bar" color="onBlue" paddingInline={{ base: '8px', md: '16px' }} flexShrink={0}>
          <Watching of={STRIP}>
            {(job) => (
              <JobStrip
                {...{ job, today }}
                scanning={sheet === 'scanner'}
                holding={sheet === 'hold'}
                onHold={() => toggle('hold')}
                onScan={() => toggle('scanner')}
                onPhotographs={() => place.goTo({ photographs: !place.photographs, look: [] })}
              />
            )}
          </Watching>
          <RunOfJob />
        </Box>
        {sheet === 'hold' && (
          <Box padding="12px 16px" borderBottom="1.5px solid" borderColor="ink">
            <Arriving>
              <Watching>{(job) => <HoldPanel job={job} />}</Watching>
            </Arriving>
          </Box>
        )}
        {sheet === 'scanner' && (
          <Arriving>
            <Watching>
              {(job) => (
                <ScanLabel
                  job={job}
                  onOpen={(part) => {
                    setSheet(undefined);
                    place.goTo({ part, photographs: false });
                  }}
                />
              )}
            </Watching>
          </Arriving>
        )}
        {place.sound !== undefined ? (
          <Box as="main" flex="1">
            <Arriving>
              <Watching>{(job) => <SoundDesk job={job} />}</Watching>
            </Arriving>
          </Box>
        ) : place.photographs ? (
          <Box as="main" flex="1">
            <Arriving>
              <Watching>{(job) => <PhotographDesk job={job} />}</Watching>
            </Arriving>
          </Box>
        ) : (
          <MeasuringProvider value={measuring}>
            <Grid
              as="main"
              templateColumns={{ base: 'minmax(0, 1fr)', lg: open ? TICKET_COLUMNS : 'minmax(0, 1fr)' }}
              flex="1"
              alignItems="stretch"
            >
              <Box padding={{ base: '12px', md: '12px 16px' }} minWidth="0">
                {lives ? <Station open={open} /> : <Box data-loading="yes" />}
              </Box>
              {lives && open && (
                <Box
                  as="aside"
                  aria-label={`Ticket of ${open.position.name}`}
                  borderLeft={{ lg: '1.5px solid' }}
                  borderColor="ink"
                  minWidth="0"
                  order={{ base: -1, lg: 1 }}
                >
                  <Arriving>
                    <Watching key={open.position.id}>{(job) => <Ticket part={open} job={job} />}</Watching>
                  </Arriving>
                </Box>
              )}
            </Grid>
          </MeasuringProvider>
        )}
        <FootBar justKept={justKept} onDone={forget} kept={onDevice === 'kept'} />
      </Box>
    </AtBenchProvider>
  );
}

const TICKET_COLUMNS = 'minmax(0, 1fr) 540px';

function RunOfJob() {
  const counts = useOfJob((state) => state.counts);
  const records = useOfJob(({ snapshot }) => snapshot.records);
  const place = useBenchPlace();
  return (
    <Run
      counts={counts}
      current={place.station}
      heldAt={openHolds(records).at(-1)?.content.station}
      onGo={(station) => place.goTo({ station, part: null })}
    />
  );
}
