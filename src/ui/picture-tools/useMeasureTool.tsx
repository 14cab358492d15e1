'use client';

import { Box, Flex } from '@chakra-ui/react';
import { useState } from 'react';
import type { Point } from '@/core/imaging/raster';
import { tellMeasured } from '@/core/imaging/tellMeasured';
import { recordsOf } from '@/core/strip/recordsOf';
import type { RecordOf } from '@/model/recordKinds';
import { useKeep } from '../job/useKeep';
import { ErrorNotice } from '../kit/Notice';
import { OneOf } from '../kit/OneOf';
import { Press } from '../kit/Press';
import { KeptMeasurements, VERSIONS } from './KeptMeasurements';
import { foundOf, KINDS } from './measured';
import { EyeFirst, isContradicted, Told, tellsNothing } from './PitsTold';
import { pickColour } from './pickColour';
import { BrushKeys, type Hand, RegionKeys } from './RegionKeys';
import { RegionOverlay } from './RegionOverlay';
import type { Tool, Work } from './tool';
import { usePictureMeasuring } from './usePictureMeasuring';
import { type RegionSet, useRegion } from './useRegion';

/** An outline is kept with no more points than this. */
const OUTLINE_POINTS = 190;

/** A photograph measured: a region, the sum in a worker, what was taken shown over it, corrected, and kept when a person says so. */
export function useMeasureTool(work: Work, active: boolean): Tool {
  const { picture, positionId, records, imaging, mayTake } = work;
  const keep = useKeep(work.job);
  const own = recordsOf(records, 'picture-measured').filter(
    ({ content }) => content.photographId === picture.id,
  );
  const region = useRegion(picture, own.at(-1)?.content);
  const reading = usePictureMeasuring(work, region, active);
  const { taken, trouble } = reading;
  const [hand, setHand] = useState<Hand>();
  const [brush, setBrush] = useState(0.02);
  const brushWidth = 2 * brush * lengthOf(region.corners);
  const told = taken && {
    found: foundOf(taken, region.kind, region.seen),
    confidence: taken.result.confidence,
    ...(region.strokes.length > 0 ? { byHand: true } : {}),
  };
  const take = async () => {
    if (!taken || !told || !positionId) return;
    const wrong = await keep(
      {
        what: 'picture-measured',
        photographId: picture.id,
        positionId,
        method: VERSIONS[taken.kind],
        corners: region.box.map(([x, y]) => [x, y]) as unknown as RecordOf<'picture-measured'>['corners'],
        ...(region.pits && region.outline
          ? { outline: region.outline.map(([x, y]) => [x, y] as [number, number]) }
          : {}),
        ...(!region.pits && region.compound ? { compound: region.compound } : {}),
        ...told,
      },
      tellMeasured(told),
    );
    // The region stays where it was kept: the next flank of the picture begins there.
    reading.end(wrong);
  };
  const stroke = (points: Point[]) => {
    if (hand === 'lasso') {
      if (points.length < 3) return reading.say('Draw round the surface in one stroke.');
      const step = Math.ceil(points.length / OUTLINE_POINTS);
      reading.change({ outline: points.filter((_, index) => index % step === 0) });
      setHand(undefined);
    } else if (hand === 'colour') {
      void pickColour(picture, points[0]!).then((compound) => {
        reading.change({ compound });
        setHand(undefined);
      });
    } else if (hand === 'sound') {
      reading.change({ sound: points[0] });
      setHand(undefined);
    } else if (taken) {
      // Whole pixels are fine enough for a brush, and take half the room on the device.
      const whole = points.map(([x, y]) => [Math.round(x), Math.round(y)] as const);
      region.set({
        strokes: [...region.strokes, { points: whole, radius: brushWidth / 2, set: hand === 'add' }],
      });
    }
  };
  const overlay = (
    <RegionOverlay
      {...work}
      region={region}
      taken={taken}
      hand={mayTake ? hand : undefined}
      brush={brushWidth}
      onRegion={reading.change}
      onStroke={stroke}
    />
  );
  const rail = (
    <Box data-testid="measure-picture">
      {!positionId && (
        <ErrorNotice>File the photograph under a part first: what is measured belongs to it.</ErrorNotice>
      )}
      <OneOf
        label="What to read from it"
        options={KINDS}
        chosen={[region.kind]}
        onPress={(kind) => {
          reading.change({ kind });
          setHand(undefined);
        }}
      />
      <Box fontSize="13px" color="second" marginBottom="8px">
        {region.pits
          ? 'Drag the corners round the surface, clear of its edges, or draw round it.'
          : 'Drag the corners onto the edges of one flank. Turn the pinion by hand with a drag on the ring, several times, before the picture is taken.'}
      </Box>
      <RegionKeys
        region={region}
        hand={hand}
        onHand={setHand}
        busy={imaging.doing !== undefined}
        onPropose={() => void reading.propose()}
        onChange={reading.change}
      />
      {region.pits && mayTake && (
        <EyeFirst seen={region.seen} onSeen={(seen) => region.set({ seen, strokes: region.strokes })} />
      )}
      {told && taken && <Told told={told} doubts={taken.result.doubts} />}
      {taken && mayTake && (
        <BrushKeys
          hand={hand}
          onHand={setHand}
          width={brush}
          onWidth={setBrush}
          {...(region.strokes.length > 0
            ? { onUndo: () => region.set({ strokes: region.strokes.slice(0, -1) }) }
            : {})}
        />
      )}
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
      {imaging.doing && (
        <Flex role="status" align="center" gap="8px" marginBottom="8px">
          {imaging.doing}
          <Press onClick={imaging.stop}>Stop</Press>
        </Flex>
      )}
      {mayTake && (
        <Flex gap="8px" wrap="wrap">
          <Press
            kind={taken ? 'plain' : 'main'}
            size="bench"
            disabled={imaging.doing !== undefined || (region.pits && region.seen === undefined)}
            onClick={() => void reading.measure({ strokes: [] })}
          >
            Measure
          </Press>
          {taken && (
            <Press
              kind="main"
              size="bench"
              disabled={!positionId || (told !== undefined && tellsNothing(told))}
              onClick={() => void take()}
            >
              {told && isContradicted(told)
                ? 'Keep both: I looked again'
                : 'Keep it: it took the right place'}
            </Press>
          )}
        </Flex>
      )}
      <KeptMeasurements work={work} readings={own} />
    </Box>
  );
  return { overlay, rail, drawing: hand !== undefined };
}

const lengthOf = ([a, b]: RegionSet['corners']): number => Math.hypot(b[0] - a[0], b[1] - a[1]);
