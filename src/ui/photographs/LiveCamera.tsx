'use client';

import { Box, chakra, Flex } from '@chakra-ui/react';
import { useState } from 'react';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { useCamera } from './useCamera';

/** As many pixels as cameras in tablets have; the browser gives what there is. */
const LONGEST = 4096;

interface LiveCameraProps {
  /** The last picture of the same place, laid over what the camera sees for the same framing. */
  readonly last?: string | undefined;
  readonly onPicture: (file: File) => Promise<void>;
  readonly onClose: () => void;
}

/** The camera live in the page: framed like the last picture of the place, with the lamp where there is one. */
export function LiveCamera({ last, onPicture, onClose }: LiveCameraProps) {
  const { video, trouble, torch, snap } = useCamera(true, LONGEST);
  const [framing, setFraming] = useState(true);
  const [count, setCount] = useState(0);
  const [busy, setBusy] = useState(false);
  const [missed, setMissed] = useState(false);
  const take = async () => {
    setBusy(true);
    const picture = await snap();
    setMissed(!picture);
    if (picture) {
      const name = `camera-${new Date().toISOString().slice(0, 19).replace(/[:T]/g, '-')}-${count + 1}.jpg`;
      await onPicture(new File([picture], name, { type: 'image/jpeg', lastModified: Date.now() }));
      setCount(count + 1);
    }
    setBusy(false);
  };
  return (
    <Box marginTop="8px" data-testid="live-camera">
      {trouble ? (
        <ErrorNotice>{trouble}</ErrorNotice>
      ) : (
        <Box position="relative" maxWidth="640px" border="2px solid" lineHeight="0">
          <chakra.video ref={video} muted playsInline width="100%" aria-label="What the camera sees" />
          {last && framing && (
            <chakra.img
              src={last}
              alt="This place as it was taken last, for the same framing"
              position="absolute"
              inset="0"
              width="100%"
              height="100%"
              objectFit="cover"
              opacity={0.35}
              pointerEvents="none"
            />
          )}
        </Box>
      )}
      {missed && <ErrorNotice>The camera gave no picture yet. Wait until it shows something.</ErrorNotice>}
      <Flex gap="8px" marginTop="8px" wrap="wrap" align="center">
        {!trouble && (
          <Press kind="take" size="bench" minWidth="160px" disabled={busy} onClick={() => void take()}>
            Take it
          </Press>
        )}
        {torch && (
          <Press size="bench" aria-pressed={torch.on} chosen={torch.on} onClick={torch.toggle}>
            Lamp
          </Press>
        )}
        {last && (
          <Press size="bench" aria-pressed={framing} chosen={framing} onClick={() => setFraming(!framing)}>
            Frame like the last
          </Press>
        )}
        <Press size="bench" onClick={onClose}>
          Camera away
        </Press>
        {count > 0 && <span role="status">{count === 1 ? 'One taken' : `${count} taken`}</span>}
      </Flex>
    </Box>
  );
}
