'use client';

import { Box, chakra, Flex } from '@chakra-ui/react';
import Link from 'next/link';
import { type RefObject, useEffect, useRef, useState } from 'react';
import { type LabelMeans, meaningOf, readLabel } from '@/core/strip/bagLabel';
import type { BenchJob } from '../job/useJob';
import { TextField } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { useCamera } from '../photographs/useCamera';

const LOOK_EVERY_MS = 250;

interface ScanLabelProps {
  readonly job: BenchJob;
  readonly onOpen: (positionId: string) => void;
}

/** A bag's label, held before the camera or typed, opens its part; a label of another job says so. */
export function ScanLabel({ job, onOpen }: ScanLabelProps) {
  const [typed, setTyped] = useState('');
  const [means, setMeans] = useState<LabelMeans>();
  const { video, trouble } = useCamera(true);
  const { unitType } = job.snapshot;
  const { peg } = job.snapshot.job;
  const take = (text: string) => {
    const found = meaningOf(readLabel(text, peg), { peg }, unitType);
    setMeans(found);
    if (found.kind === 'part') onOpen(found.positionId);
  };
  useCodes(video, take);
  return (
    <Box
      as="section"
      aria-label="Scan a bag’s label"
      padding="8px 16px"
      borderBottom="1.5px solid"
      data-testid="scan-label"
    >
      <Flex gap="16px" wrap="wrap" align="flex-start">
        <Box>
          {!trouble && (
            <chakra.video
              ref={video}
              muted
              playsInline
              width="320px"
              maxWidth="100%"
              border="2px solid"
              aria-label="What the camera sees; hold the label’s code in it"
            />
          )}
          {trouble && <Box maxWidth="320px">{trouble}</Box>}
        </Box>
        <Box
          as="form"
          flex="1 1 240px"
          maxWidth="360px"
          onSubmit={(event) => {
            event.preventDefault();
            take(typed);
          }}
        >
          <TextField label="or type it: peg and bag, or the bag alone" value={typed} onText={setTyped} />
          <Press type="submit" disabled={typed.trim() === ''}>
            Open its part
          </Press>
        </Box>
      </Flex>
      {means && means.kind !== 'part' && (
        <ErrorNotice>
          {means.words}
          {means.kind === 'other-job' && (
            <>
              {' '}
              <Link href={`/jobs/${means.peg}`}>Open peg {means.peg}</Link>
            </>
          )}
        </ErrorNotice>
      )}
    </Box>
  );
}

/** Looks for a code in what the camera sees, a few times a second; the same text is told once. */
function useCodes(video: RefObject<HTMLVideoElement | null>, onText: (text: string) => void): void {
  const told = useRef('');
  const latest = useRef(onText);
  latest.current = onText;
  useEffect(() => {
    const canvas = document.createElement('canvas');
    let looking = false;
    const look = async () => {
      const source = video.current;
      if (looking || !source || source.videoWidth === 0) return;
      looking = true;
      const { default: decodeQr } = await import('qr/decode.js');
      canvas.width = source.videoWidth;
      canvas.height = source.videoHeight;
      const paper = canvas.getContext('2d', { willReadFrequently: true });
      paper?.drawImage(source, 0, 0);
      const seen = paper?.getImageData(0, 0, canvas.width, canvas.height);
      const text = seen ? textOf(() => decodeQr(seen)) : undefined;
      looking = false;
      if (text === undefined || text === told.current) return;
      told.current = text;
      latest.current(text);
    };
    const timer = setInterval(() => void look(), LOOK_EVERY_MS);
    return () => clearInterval(timer);
  }, [video]);
}

/** Without a code in the picture the reader throws: that is the usual case, not a failure. */
function textOf(read: () => string): string | undefined {
  try {
    return read();
  } catch {
    return undefined;
  }
}
