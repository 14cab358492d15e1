'use client';

import { Box, Flex, Grid, Heading } from '@chakra-ui/react';
import { useState } from 'react';
import { formatNumber } from '@/core/quantity/format';
import { packNow } from '@/core/rebuild/packs';
import { photographedPatches } from '@/core/rebuild/photographedPatches';
import type { SetUp } from '@/core/rebuild/setUp';
import type { HowToMove } from '@/core/rebuild/setUpMove';
import type { Gauge } from '@/model/snapshot';
import type { OfJob } from '../job/useBench';
import { TextField, TextInput } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { useKept } from '../kit/useKept';
import { GaugeChoice } from './GaugeChoice';
import { Patches } from './Patches';
import { writePieces } from './readPieces';
import { type Before, type Draft, EMPTY, type RoundTaken, readDraft } from './readRound';

interface RoundFormProps extends OfJob {
  readonly setUp: SetUp;
  readonly gauges: readonly Gauge[];
  /** With which one begins. */
  readonly usual: string;
  /** What the advice told to move, as pieces or notches make it, for the round after it. */
  readonly how: HowToMove | undefined;
  readonly onKeep: (round: RoundTaken) => Promise<string | undefined>;
}

const PLACES = 8;

/** One round: what was moved, the backlash at teeth round the ring, the patches in words. What is typed outlives a reload. */
export function RoundForm({ job, setUp, gauges, usual, how, onKeep }: RoundFormProps) {
  const { pair, ringTeeth, rounds, advice } = setUp;
  const key = `set-up ${job.snapshot.job.id} ${pair} ${rounds.length}`;
  const [draft, setDraft, forget] = useKept<Draft>(key, EMPTY);
  const [trouble, setTrouble] = useState('');
  const teeth = placesRead(setUp, ringTeeth);
  const gaugeId = draft.gaugeId || (rounds.at(-1)?.content.gaugeId ?? usual);
  const change = (over: Partial<Draft>) => setDraft({ ...draft, ...over });
  const told = how && { ring: how.ring, depth: how.depth };
  const usually: Before = advice?.status === 'misread' ? 'again' : told ? 'told' : 'otherwise';
  const before = rounds.length === 0 ? undefined : (draft.before ?? usually);
  const stacks = job.snapshot.unitType.stacks.filter(({ sets }) => sets === 'backlash' || sets === 'depth');
  // Of a piece that had to be bought or made only he who fitted it knows how thick it is.
  const mustSay = how?.packs?.packs.some(({ toBuy }) => toBuy !== undefined) === true;
  const photographed = photographedPatches(job.snapshot.records, setUp);
  const keep = async () => {
    const taken = readDraft(draft, {
      ...{ teeth, gaugeId, told, before, photographed },
      toldPacks: (how?.packs?.packs ?? [])
        .filter(({ toBuy }) => toBuy === undefined)
        .map(({ stack, after }) => ({
          stackId: stack.id,
          pieces: [...after],
        })),
      letters: Object.fromEntries(stacks.map(({ id, letter }) => [id, letter])),
    });
    if (typeof taken === 'string') return setTrouble(taken);
    const wrong = await onKeep(taken);
    setTrouble(wrong ?? '');
    if (wrong === undefined) forget();
  };
  return (
    <Box
      as="form"
      marginTop="12px"
      borderTop="2px solid"
      borderColor="ink"
      paddingTop="8px"
      data-testid="round-form"
      onSubmit={(event) => {
        event.preventDefault();
        void keep();
      }}
    >
      <Heading as="h4" fontSize="16px">
        {before === 'again' ? `Round ${rounds.length}, read again` : `Round ${rounds.length + 1}`}
        {before === undefined ? ', as it is together now' : ''}
      </Heading>
      {before !== undefined && <WhatWasMoved {...{ draft, before, told }} onChange={change} />}
      {before !== 'again' && (before !== 'told' || mustSay) && (
        <Flex gap="8px" wrap="wrap">
          {stacks.map((stack) => (
            <Box key={stack.id} flex="1 1 150px">
              <TextField
                label={`${stack.letter}: pieces in it, mm`}
                hint={
                  packNow(job.snapshot, pair, stack).length === 0
                    ? 'not put down yet'
                    : 'empty: as it was, where nothing of it was moved'
                }
                value={draft.packs[stack.id] ?? firstPack(before, packNow(job.snapshot, pair, stack))}
                onText={(text) => change({ packs: { ...draft.packs, [stack.id]: text } })}
              />
            </Box>
          ))}
        </Flex>
      )}
      <GaugeChoice gauges={gauges} value={gaugeId} onGauge={(id) => change({ gaugeId: id })} />
      <Box fontSize="13px" color="second">
        Backlash in mm, pinion held, at the heel, in the plane of rotation. A tooth that wasn’t read stays
        empty.
      </Box>
      <Grid templateColumns="repeat(auto-fill, minmax(104px, 1fr))" gap="8px" marginBlock="6px">
        {teeth.map((tooth, at) => (
          <Box
            as="label"
            key={tooth}
            fontWeight={before === 'again' && advice?.repeat?.tooth === tooth ? 650 : 400}
          >
            tooth {tooth + 1}
            <TextInput
              inputMode="decimal"
              width="100%"
              fontSize="18px"
              autoComplete="off"
              value={draft.teeth[at] ?? ''}
              onChange={(event) =>
                change({
                  teeth: teeth.map((_, each) =>
                    each === at ? event.target.value : (draft.teeth[each] ?? ''),
                  ),
                })
              }
            />
          </Box>
        ))}
      </Grid>
      {(photographed.drive ?? photographed.coast) && (
        <Press
          chosen={draft.byPhotograph === true}
          aria-pressed={draft.byPhotograph === true}
          marginBottom="6px"
          onClick={() => change({ byPhotograph: !draft.byPhotograph })}
        >
          The patches as photographed: {tellPatches(photographed)}
        </Press>
      )}
      {!draft.byPhotograph && <Patches marks={draft.marks} onMarks={(marks) => change({ marks })} />}
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
      <Press kind="take" size="bench" type="submit" marginTop="8px">
        {before === 'again' ? 'Keep what was read again' : 'Keep this round'}
      </Press>
    </Box>
  );
}

const tellPatches = (found: ReturnType<typeof photographedPatches>): string =>
  (['drive', 'coast'] as const)
    .flatMap((flank) => {
      const spot = found[flank];
      return spot
        ? [`${flank} ${formatNumber(spot.length, 2)} along, ${formatNumber(spot.height, 2)} up`]
        : [];
    })
    .join('; ');

/** The teeth that are read: evenly round, and that which is to be read again. */
function placesRead({ advice, rounds }: SetUp, ringTeeth: number): number[] {
  const round = Array.from({ length: PLACES }, (_, at) => Math.round((at * ringTeeth) / PLACES));
  const again = advice?.repeat?.round === rounds.length - 1 ? advice.repeat.tooth : undefined;
  return [...new Set([...round, ...(again === undefined ? [] : [again])])].sort((a, b) => a - b);
}

/** At the first round what the strip found stands there to be confirmed. */
const firstPack = (before: Before | undefined, pieces: readonly number[]): string =>
  before === undefined ? writePieces(pieces) : '';

interface WhatWasMovedProps {
  readonly draft: Draft;
  readonly before: Before;
  readonly told: { readonly ring: number; readonly depth: number } | undefined;
  readonly onChange: (over: Partial<Draft>) => void;
}

const WAYS = [
  ['told', 'Moved as told'],
  ['otherwise', 'Otherwise'],
  ['again', 'Nothing moved, read again'],
] as const;

function WhatWasMoved({ draft, before, told, onChange }: WhatWasMovedProps) {
  return (
    <Flex gap="8px" align="flex-end" wrap="wrap" marginBlock="6px" role="group" aria-label="What was moved">
      {WAYS.filter(([way]) => way !== 'told' || told).map(([way, words]) => (
        <Press
          key={way}
          chosen={before === way}
          aria-pressed={before === way}
          onClick={() => onChange({ before: way })}
        >
          {words}
        </Press>
      ))}
      {before === 'otherwise' &&
        (
          [
            ['ring', 'Ring, mm away from the pinion'],
            ['depth', 'Pinion, mm toward the ring'],
          ] as const
        ).map(([name, words]) => (
          <Box as="label" key={name}>
            {words}
            <TextInput
              inputMode="decimal"
              width="140px"
              value={draft[name]}
              onChange={(event) => onChange({ [name]: event.target.value })}
            />
          </Box>
        ))}
    </Flex>
  );
}
