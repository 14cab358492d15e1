'use client';

import { Box, Flex } from '@chakra-ui/react';
import { useEffect, useMemo, useRef, useState } from 'react';
import { brushed } from '@/core/imaging/brush';
import { CONTACT_PATTERN_VERSION } from '@/core/imaging/contactPattern';
import { measurePatch } from '@/core/imaging/measurePatch';
import { boxRound } from '@/core/imaging/outline';
import type { Point, Quad } from '@/core/imaging/raster';
import { SURFACE_DAMAGE_VERSION } from '@/core/imaging/surfaceDamage';
import { doubtWords, tellMeasured } from '@/core/imaging/tellMeasured';
import { recordsOf } from '@/core/strip/recordsOf';
import type { RecordOf } from '@/model/benchRecord';
import { CaptureLine } from '../bench/CaptureLine';
import { ErrorNotice } from '../kit/Notice';
import { OneOf } from '../kit/OneOf';
import { Press } from '../kit/Press';
import { readKept, useKept } from '../kit/useKept';
import { useKeep } from '../strip/useKeep';
import { Corners } from './Corners';
import { DrawingSheet } from './DrawingSheet';
import { MaskOverlay } from './MaskOverlay';
import { foundOf, KINDS, type Kind, kindOf, millimetresAt, type Taken } from './measured';
import { middleOf } from './middleOf';
import { NotePits } from './NotePits';
import { pickColour } from './pickColour';
import { BrushKeys, HANDS, type Hand, RegionKeys } from './RegionKeys';
import type { Tool, Work } from './tool';

const VERSIONS = { pattern: CONTACT_PATTERN_VERSION, pits: SURFACE_DAMAGE_VERSION } as const;
const FLANK_CORNERS = ['toe, root', 'heel, root', 'heel, top', 'toe, top'] as const;
const REGION_CORNERS = ['corner 1', 'corner 2', 'corner 3', 'corner 4'] as const;

/** A photograph measured: a region, the sum in a worker, what was taken shown over it, corrected, and kept when a person says so. */
export function useMeasureTool(work: Work, active: boolean): Tool {
  const { picture, positionId, records, pane, imaging, mayTake, job } = work;
  const keep = useKeep(work);
  const [outline, setOutline] = useState<readonly Point[]>();
  const [compound, setCompound] = useState<string>();
  const [taken, setTaken] = useState<Taken>();
  const [hand, setHand] = useState<Hand>();
  const [brush, setBrush] = useState(0.02);
  const [trouble, setTrouble] = useState('');
  const own = recordsOf(records, 'picture-measured').filter(
    ({ content }) => content.photographId === picture.id,
  );
  // Measured before: the same region and the same question stand there again.
  const before = own.at(-1)?.content;
  const firstCorners = useMemo(() => before?.corners ?? middleOf(picture), [before, picture]);
  // Half-set corners outlive a reload.
  const cornersKey = `corners ${picture.id}`;
  const [kind, setKind] = useKept<Kind>(
    `reading ${picture.id}`,
    before ? kindOf(before) : 'pattern on drive',
  );
  const [corners, setCorners] = useKept<Quad>(cornersKey, firstCorners);
  const pits = kind === 'pits';
  const scale = recordsOf(records, 'picture-scaled')
    .filter(({ content }) => content.photographId === picture.id)
    .at(-1)?.content.scale;

  const forget = () => {
    imaging.stop();
    setTaken(undefined);
    setTrouble('');
  };
  const propose = async () => {
    const answer = await imaging.run({ sum: 'flank-corners' });
    if (answer.ok && answer.result) setCorners(answer.result);
    else if (answer.ok) setTrouble('No painted flank is seen. Drag the corners onto its edges by hand.');
    else if (answer.message !== 'Stopped') setTrouble(`${answer.message}.`);
  };
  // The first time somebody comes to measure, the program has looked already.
  const proposed = useRef(own.length > 0 || readKept(cornersKey) !== undefined);
  const begin = useRef(propose);
  begin.current = propose;
  useEffect(() => {
    if (!active || !mayTake || proposed.current) return;
    proposed.current = true;
    void begin.current();
  }, [active, mayTake]);

  const measure = async () => {
    setTrouble('');
    if (pits) {
      const region = outline ? boxRound(outline) : corners;
      const mmPerPixel = scale && millimetresAt(region, scale);
      const answer = await imaging.run({ sum: 'surface-damage', corners: region, outline, mmPerPixel });
      if (answer.ok) setTaken({ kind: 'pits', result: answer.result });
      else setTrouble(`${answer.message}.`);
    } else {
      const answer = await imaging.run({ sum: 'contact-pattern', corners, compound });
      if (answer.ok) setTaken({ kind: 'pattern', result: answer.result });
      else setTrouble(`${answer.message}.`);
    }
  };
  const region = pits && outline ? boxRound(outline) : corners;
  const found = taken && foundOf(taken, kind);
  const told = taken &&
    found && {
      found,
      confidence: taken.result.confidence,
      ...(taken.kind === 'pattern' && taken.byHand ? { byHand: true } : {}),
    };
  const take = async () => {
    if (!taken || !told || !positionId) return;
    const wrong = await keep(
      {
        what: 'picture-measured',
        photographId: picture.id,
        positionId,
        method: VERSIONS[taken.kind],
        corners: region.map(([x, y]) => [x, y]) as unknown as RecordOf<'picture-measured'>['corners'],
        ...(pits && outline ? { outline: outline.map(([x, y]) => [x, y] as [number, number]) } : {}),
        ...(!pits && compound ? { compound } : {}),
        ...told,
      },
      tellMeasured(told),
    );
    setTrouble(wrong ?? '');
    // The corners stay where they were kept: the next flank of the picture begins there.
    if (!wrong) setTaken(undefined);
  };
  const stroke = (points: Point[]) => {
    if (hand === 'lasso') {
      if (points.length < 3) return setTrouble('Draw round the surface in one stroke.');
      const step = Math.ceil(points.length / 190);
      forget();
      setOutline(points.filter((_, index) => index % step === 0));
      setHand(undefined);
    } else if (hand === 'colour') {
      void pickColour(picture, points[0]!).then((colour) => {
        forget();
        setCompound(colour);
        setHand(undefined);
      });
    } else if (taken?.kind === 'pattern') {
      const radius = brush * Math.hypot(corners[1][0] - corners[0][0], corners[1][1] - corners[0][1]);
      const mask = brushed(taken.result.mask, corners, { points, radius, set: hand === 'add' });
      setTaken({
        ...taken,
        byHand: true,
        result: { ...taken.result, ...measurePatch(mask.cells, mask), mask },
      });
    }
  };
  const pixel = 1 / Math.max(1e-6, pane.view.scale);

  const overlay = (
    <>
      {taken && <MaskOverlay mask={taken.result.mask} corners={region} />}
      {pits && outline ? (
        <polygon
          points={outline.map((point) => point.join(',')).join(' ')}
          fill="none"
          stroke="#E3B354"
          strokeWidth={2.5 * pixel}
          pointerEvents="none"
          data-testid="outline"
        />
      ) : (
        <Corners
          pane={pane}
          corners={corners}
          names={pits ? REGION_CORNERS : FLANK_CORNERS}
          onCorners={(next) => {
            forget();
            setCorners(next);
          }}
        />
      )}
      {hand && mayTake && (
        <DrawingSheet pane={pane} picture={picture} label={HANDS[hand]} onStroke={stroke}>
          {(points) => (
            <polyline
              points={points.map((point) => point.join(',')).join(' ')}
              fill="none"
              stroke="#E3B354"
              strokeLinecap="round"
              strokeOpacity={0.7}
              strokeWidth={
                hand === 'add' || hand === 'clear'
                  ? 2 * brush * Math.hypot(corners[1][0] - corners[0][0], corners[1][1] - corners[0][1])
                  : 2.5 * pixel
              }
            />
          )}
        </DrawingSheet>
      )}
    </>
  );
  const rail = (
    <Box data-testid="measure-picture">
      {!positionId && (
        <ErrorNotice>File the photograph under a part first: what is measured belongs to it.</ErrorNotice>
      )}
      <OneOf
        label="What to read from it"
        options={KINDS}
        chosen={[kind]}
        onPress={(next) => {
          forget();
          setHand(undefined);
          setKind(next);
        }}
      />
      <Box fontSize="13px" color="second" marginBottom="8px">
        {pits
          ? 'Drag the corners round the surface, clear of its edges, or draw round it.'
          : 'Drag the corners onto the edges of one flank. Turn the pinion by hand with a drag on the ring, several times, before the picture is taken.'}
      </Box>
      <RegionKeys
        pits={pits}
        hand={hand}
        onHand={setHand}
        outlined={outline !== undefined}
        compound={compound}
        busy={imaging.doing !== undefined}
        onPropose={() => void propose()}
        onCorners={(turn) => {
          forget();
          setCorners(turn(corners));
        }}
        onForgetOutline={() => {
          forget();
          setOutline(undefined);
        }}
        onForgetCompound={() => {
          forget();
          setCompound(undefined);
        }}
      />
      {told && taken && (
        <Box role="status" data-testid="measured" marginBottom="8px">
          <Box fontSize="18px" lineHeight="24px">
            {tellMeasured(told)}
          </Box>
          {doubtWords(taken.result.doubts).map((words) => (
            <Box key={words}>Doubtful: {words}.</Box>
          ))}
        </Box>
      )}
      {taken?.kind === 'pattern' && mayTake && (
        <BrushKeys hand={hand} onHand={setHand} width={brush} onWidth={setBrush} />
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
            disabled={imaging.doing !== undefined}
            onClick={() => void measure()}
          >
            Measure
          </Press>
          {taken && (
            <Press kind="main" size="bench" disabled={!positionId} onClick={() => void take()}>
              Keep it: it took the right place
            </Press>
          )}
        </Flex>
      )}
      <Box marginTop="12px">
        {own.map((record) => (
          <Box key={record.id}>
            <CaptureLine
              kind="record"
              capture={{ ...record, struck: null }}
              job={job}
              rights={mayTake ? ['capture.strike'] : []}
            >
              {tellMeasured(record.content)}
              {record.content.method < VERSIONS[record.content.found.kind] &&
                '; read by an earlier method, measure anew to compare'}
            </CaptureLine>
            {record.content.found.kind === 'pits' && mayTake && (
              <NotePits {...work} positionId={record.content.positionId} measured={record.content} />
            )}
          </Box>
        ))}
      </Box>
    </Box>
  );
  return { overlay, rail, drawing: hand !== undefined };
}
