'use client';

import { Box, Flex } from '@chakra-ui/react';
import { useState } from 'react';
import type { PatternCheck } from '@/core/rebuild/patternAsFound';
import { tellPattern } from '@/core/rebuild/tellPattern';
import { PATCH_WIDTHS, type SeenPatch } from '@/model/records/pattern-seen';
import { CaptureLine } from '../job/CaptureLine';
import { type OfJob, useBench } from '../job/useBench';
import { useKeep } from '../job/useKeep';
import { Select, TextField } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { OneOf } from '../kit/OneOf';
import { Press } from '../kit/Press';
import { useKept } from '../kit/useKept';
import { StationPictures } from '../photographs/StationPictures';
import { FlankDrawing } from '../rebuild/FlankDrawing';
import { Instrument } from '../rebuild/Instrument';
import { CannotBeDone } from './CannotBeDone';

const LENGTHS = { 'at the toe': 0.2, 'at the middle': 0.5, 'at the heel': 0.8 } as const;
const HEIGHTS = { 'at the root': 0.2, 'half way up': 0.5, 'at the top': 0.8 } as const;
type Flank = 'drive' | 'coast';
interface Said {
  readonly length?: keyof typeof LENGTHS;
  readonly height?: keyof typeof HEIGHTS;
  readonly width?: (typeof PATCH_WIDTHS)[number];
}
interface Typed {
  readonly drive: Said;
  readonly coast: Said;
  readonly bearingsLoose: boolean;
  readonly photographId: string;
  readonly note: string;
}
const NOTHING: Typed = { drive: {}, coast: {}, bearingsLoose: false, photographId: '', note: '' };
const LOOSE = { no: 'no play felt', yes: 'loose' } as const;

interface PatternLineProps extends OfJob {
  readonly number: number;
  readonly line: PatternCheck;
  readonly isCurrent: boolean;
  readonly onOpen: () => void;
  readonly onKept: () => void;
}

/** The contact pattern as it was found: where it lies on both flanks and how wide, in words or on a photograph. */
export function PatternLine(props: PatternLineProps) {
  const { job, number, line, isCurrent, onOpen } = props;
  const { rights } = useBench();
  const { seen, state, name } = line;
  return (
    <Box data-baseline="pattern" data-state={state}>
      <Instrument
        number={number}
        current={isCurrent}
        title="Contact pattern"
        note={name}
        drawing={
          seen &&
          seen.content.cannot === undefined && (
            <Flex gap="14px" wrap="wrap">
              {(['drive', 'coast'] as const).map((flank) => (
                <FlankDrawing
                  key={flank}
                  title={flank === 'drive' ? 'Drive' : 'Coast'}
                  found={undefined}
                  now={seen.content[flank]}
                  after={undefined}
                />
              ))}
            </Flex>
          )
        }
        figure=""
        verdict={
          { read: 'Kept as found', cannot: 'Can’t be had', open: 'open', missed: 'Not looked at in time' }[
            state
          ]
        }
      >
        {seen && (
          <CaptureLine kind="record" capture={{ ...seen, struck: null }} job={job}>
            {tellPattern(seen.content)}
            {seen.content.note ? `; ${seen.content.note}` : ''}
          </CaptureLine>
        )}
        {rights.includes('capture.take') && state !== 'missed' && !isCurrent && (
          <Press kind={state === 'open' ? 'main' : 'quiet'} marginTop="4px" onClick={onOpen}>
            {state === 'open' ? 'Look at it' : 'look again'}
          </Press>
        )}
        {isCurrent && rights.includes('capture.take') && state !== 'missed' && <PatternForm {...props} />}
      </Instrument>
    </Box>
  );
}

function PatternForm({ job, line: { pair, state }, onKept }: PatternLineProps) {
  const keep = useKeep(job);
  const [typed, setTyped, forget] = useKept<Typed>(`pattern of ${job.snapshot.job.id} ${pair}`, NOTHING);
  const [trouble, setTrouble] = useState('');
  const pictures = job.photographs.filter(({ struck, station }) => !struck && station === 'baseline');
  const put = async () => {
    const [drive, coast] = [patchOf(typed.drive), patchOf(typed.coast)];
    if (drive === 'half' || coast === 'half')
      return setTrouble('Of a patch three things are said: along the tooth, up the tooth, and how wide.');
    const wrong = await keep(
      {
        ...{ what: 'pattern-seen', pair, bearingsLoose: typed.bearingsLoose, note: typed.note },
        ...(drive ? { drive } : {}),
        ...(coast ? { coast } : {}),
        ...(typed.photographId === '' ? {} : { photographId: typed.photographId }),
      },
      'The pattern is put down',
    );
    setTrouble(wrong ?? '');
    if (wrong) return;
    forget();
    onKept();
  };
  const say = (flank: Flank, over: Said) => setTyped({ ...typed, [flank]: { ...typed[flank], ...over } });
  return (
    <Box
      as="form"
      marginTop="6px"
      data-testid="pattern-form"
      onSubmit={(event) => {
        event.preventDefault();
        void put();
      }}
    >
      <Box fontSize="13px" color="second">
        Marking compound on the ring’s teeth, turned by hand against a drag, both ways, several times.
      </Box>
      {(['drive', 'coast'] as const).map((flank) => (
        <Box key={flank} role="group" aria-label={`${flank} flank`} marginTop="6px">
          <strong>{flank === 'drive' ? 'Drive flank' : 'Coast flank'}</strong>
          <Flex gap="4px 14px" wrap="wrap">
            <OneOf
              label="Along the tooth"
              options={Object.keys(LENGTHS) as (keyof typeof LENGTHS)[]}
              chosen={only(typed[flank].length)}
              onPress={(length) => say(flank, { length })}
            />
            <OneOf
              label="Up the tooth"
              options={Object.keys(HEIGHTS) as (keyof typeof HEIGHTS)[]}
              chosen={only(typed[flank].height)}
              onPress={(height) => say(flank, { height })}
            />
            <OneOf
              label="How wide"
              options={PATCH_WIDTHS}
              chosen={only(typed[flank].width)}
              onPress={(width) => say(flank, { width })}
            />
          </Flex>
        </Box>
      ))}
      <OneOf
        label="The bearings are"
        options={Object.values(LOOSE)}
        chosen={[typed.bearingsLoose ? LOOSE.yes : LOOSE.no]}
        onPress={(words) => setTyped({ ...typed, bearingsLoose: words === LOOSE.yes })}
      />
      {typed.bearingsLoose && (
        <Box color="oxide" marginBottom="6px">
          Bearings loose: it tells how it ran, not how it was set.
        </Box>
      )}
      <StationPictures job={job} station="baseline" heading="Its photograph" />
      {pictures.length > 0 && (
        <Select
          aria-label="The photograph of the pattern"
          value={typed.photographId}
          onChange={(event) => setTyped({ ...typed, photographId: event.target.value })}
        >
          <option value="">in words alone</option>
          {pictures.map(({ id, fileName }) => (
            <option key={id} value={id}>
              {fileName}
            </option>
          ))}
        </Select>
      )}
      <TextField label="Anything else" value={typed.note} onText={(note) => setTyped({ ...typed, note })} />
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
      <Flex gap="8px" wrap="wrap" align="flex-start">
        <Press type="submit" kind="take" size="bench">
          Put the pattern down
        </Press>
        {state !== 'read' && (
          <CannotBeDone
            label="It can’t be had"
            onKeep={async (cannot) => {
              const wrong = await keep(
                { what: 'pattern-seen', pair, bearingsLoose: false, cannot, note: '' },
                'The pattern: put down',
              );
              if (!wrong) onKept();
              return wrong;
            }}
          />
        )}
      </Flex>
    </Box>
  );
}

const only = <Word extends string>(said: Word | undefined): Word[] => (said === undefined ? [] : [said]);

/** Nothing where nothing was said of this flank; `half` where not all of it was. */
function patchOf({ length, height, width }: Said): SeenPatch | 'half' | undefined {
  if (length === undefined && height === undefined && width === undefined) return undefined;
  if (length === undefined || height === undefined || width === undefined) return 'half';
  return { length: LENGTHS[length], height: HEIGHTS[height], width };
}
