'use client';

import { Box, chakra, Flex } from '@chakra-ui/react';
import { useRef, useState } from 'react';
import { CONTACT_PATTERN_VERSION } from '@/core/imaging/contactPattern';
import { maskStrips } from '@/core/imaging/maskOutline';
import type { Quad } from '@/core/imaging/raster';
import { SURFACE_DAMAGE_VERSION } from '@/core/imaging/surfaceDamage';
import { doubtWords, tellMeasured } from '@/core/imaging/tellMeasured';
import type { RecordOf } from '@/model/benchRecord';
import type { ShownPhotograph } from '../bench/useJob';
import { ErrorNotice } from '../kit/Notice';
import { OneOf } from '../kit/OneOf';
import { Press } from '../kit/Press';
import { type Keeping, useKeep } from '../strip/useKeep';
import { Corners } from './Corners';
import { type MeasureAnswer, measurePicture } from './measurePicture';

const KINDS = ['pattern on drive', 'pattern on coast', 'pits'] as const;
type Kind = (typeof KINDS)[number];
const FLANK_CORNERS = ['toe, root', 'heel, root', 'heel, top', 'toe, top'] as const;
const REGION_CORNERS = ['corner 1', 'corner 2', 'corner 3', 'corner 4'] as const;

type Taken = Exclude<MeasureAnswer, { readonly ok: false }>;
interface MeasurePictureProps extends Keeping {
  readonly photograph: ShownPhotograph;
  readonly positionId: string;
  readonly onDone: () => void;
}

/** A photograph is measured: four corners by hand, the sum in a worker, what was taken shown over it, kept when a person says so. */
export function MeasurePicture(props: MeasurePictureProps) {
  const { job, photograph, positionId, onDone } = props;
  const { width, height } = photograph;
  const keep = useKeep(props);
  const [kind, setKind] = useState<Kind>('pattern on drive');
  const [corners, setCorners] = useState<Quad>(() => middleOf(width, height));
  const [taken, setTaken] = useState<Taken>();
  const [trouble, setTrouble] = useState('');
  const running = useRef<AbortController>(undefined);
  const [busy, setBusy] = useState(false);
  const address = `/api/v1/jobs/${job.snapshot.job.id}/photographs/${photograph.id}`;
  const change = (over: { kind?: Kind; corners?: Quad }) => {
    running.current?.abort();
    setTaken(undefined);
    setTrouble('');
    if (over.kind) setKind(over.kind);
    if (over.corners) setCorners(over.corners);
  };
  const measure = async () => {
    const control = new AbortController();
    running.current = control;
    setBusy(true);
    setTrouble('');
    const answer = await fetchWhole(address, control.signal).then((source) =>
      source
        ? measurePicture(
            source,
            kind === 'pits' ? 'surface-damage' : 'contact-pattern',
            corners,
            control.signal,
          )
        : ({
            ok: false,
            message: 'The picture can’t be fetched now. Try again when the network is back.',
          } as const),
    );
    setBusy(false);
    if (control.signal.aborted) return;
    if (answer.ok) setTaken(answer);
    else setTrouble(`${answer.message}.`.replace('..', '.'));
  };
  const found = taken && foundOf(taken, kind);
  const take = async () => {
    if (!taken || !found) return;
    const wrong = await keep(
      {
        what: 'picture-measured',
        photographId: photograph.id,
        positionId,
        method: taken.sum === 'contact-pattern' ? CONTACT_PATTERN_VERSION : SURFACE_DAMAGE_VERSION,
        corners: corners.map(([x, y]) => [x, y]) as RecordOf<'picture-measured'>['corners'],
        confidence: taken.result.confidence,
        found,
      },
      tellMeasured({ found, confidence: taken.result.confidence }),
    );
    if (wrong) setTrouble(wrong);
    else onDone();
  };
  return (
    <Box data-testid="measure-picture" marginTop="8px">
      <OneOf
        label="What to read from it"
        options={KINDS}
        chosen={[kind]}
        onPress={(next) => change({ kind: next })}
      />
      <Box position="relative" lineHeight="0">
        <chakra.img
          src={`${address}?size=1280`}
          alt={photograph.fileName}
          width="100%"
          border="1.5px solid"
        />
        <Corners
          width={width}
          height={height}
          corners={corners}
          names={kind === 'pits' ? REGION_CORNERS : FLANK_CORNERS}
          onCorners={(next) => change({ corners: next })}
          strips={taken ? maskStrips(taken.result.mask, corners) : []}
        />
      </Box>
      <Box fontSize="13px" color="second" marginTop="4px">
        {kind === 'pits'
          ? 'Drag the corners round the surface, clear of its edges.'
          : 'Drag the corners onto the edges of one flank. Turn the pinion by hand with a drag on the ring, several times, before the picture is taken.'}
      </Box>
      {found && taken && (
        <Box marginTop="8px" role="status" data-testid="measured">
          <Box fontSize="20px" lineHeight="26px">
            {tellMeasured({ found, confidence: taken.result.confidence })}
          </Box>
          {doubtWords(taken.result.doubts).map((words) => (
            <Box key={words}>Doubtful: {words}.</Box>
          ))}
        </Box>
      )}
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
      <Flex gap="8px" marginTop="8px" wrap="wrap">
        <Press kind={taken ? 'plain' : 'main'} size="bench" disabled={busy} onClick={() => void measure()}>
          {busy ? 'Measuring …' : 'Measure'}
        </Press>
        {busy && <Press onClick={() => running.current?.abort()}>Stop</Press>}
        {taken && (
          <Press kind="main" size="bench" onClick={() => void take()}>
            Keep it: it took the right place
          </Press>
        )}
        <Press kind="quiet" onClick={onDone}>
          Back
        </Press>
      </Flex>
    </Box>
  );
}

/** To begin with, the middle of the picture. */
function middleOf(width: number, height: number): Quad {
  const at = (x: number, y: number) => [Math.round(x * width), Math.round(y * height)] as const;
  return [at(0.25, 0.65), at(0.75, 0.65), at(0.75, 0.35), at(0.25, 0.35)];
}

function foundOf(taken: Taken, kind: Kind): RecordOf<'picture-measured'>['found'] {
  if (taken.sum === 'surface-damage')
    return { kind: 'pits', areaFraction: taken.result.areaFraction, count: taken.result.count };
  const { coverage, centroid, extent } = taken.result;
  return {
    kind: 'pattern',
    flank: kind === 'pattern on coast' ? 'coast' : 'drive',
    ...{ coverage, centroid },
    extent: { length: [...extent.length], height: [...extent.height] },
  };
}

/** The picture in all its pixels, upright. */
async function fetchWhole(address: string, signal: AbortSignal): Promise<Blob | undefined> {
  try {
    const response = await fetch(`${address}?size=8000`, { signal });
    return response.ok ? await response.blob() : undefined;
  } catch {
    return undefined;
  }
}
