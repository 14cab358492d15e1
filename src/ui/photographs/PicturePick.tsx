'use client';

import { Box, chakra } from '@chakra-ui/react';
import { Camera, Images, Video } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { useDropzone } from 'react-dropzone';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { LiveCamera } from './LiveCamera';
import { refusePicture } from './pictureFiles';

interface PicturePickProps {
  readonly compact?: boolean;
  /** The address of the last picture of the same place, for the same framing. */
  readonly last?: string | undefined;
  /** Keeps one picture, or answers why it isn't wanted; a throw means that this device has no room for it. */
  readonly onPicture: (file: File) => Promise<string | undefined> | string | undefined;
  /** Called once all that was chosen is kept or refused. */
  readonly onDone?: () => void;
}

interface Progress {
  readonly done: number;
  readonly of: number;
}

/** Pictures by camera, files, drop or paste, dozens at once; a bad one is named and the others are kept. */
export function PicturePick({ compact = false, last, onPicture, onDone }: PicturePickProps) {
  const camera = useRef<HTMLInputElement>(null);
  const files = useRef<HTMLInputElement>(null);
  const [refused, setRefused] = useState<readonly string[]>([]);
  const [progress, setProgress] = useState<Progress>();
  const [live, setLive] = useState(false);
  const halted = useRef(false);
  const line = useRef<{ behind: number; last: Promise<void> }>({
    behind: 0,
    last: Promise.resolve(),
  }).current;
  // What is chosen while others are still being kept waits its turn, so that the same picture chosen twice is known; it goes where
  // it was chosen for, though the page may show another place by then.
  const take = (chosen: readonly File[]): Promise<void> => {
    if (chosen.length === 0) return line.last;
    if (line.behind === 0) {
      setRefused([]);
      halted.current = false;
    }
    line.behind += 1;
    line.last = line.last
      .then(() => keepAll(chosen))
      .finally(() => {
        line.behind -= 1;
      });
    return line.last;
  };
  const keepAll = async (chosen: readonly File[]) => {
    const refuse = (file: File, reason: string) => setRefused((list) => [...list, `${file.name}: ${reason}`]);
    // One after the other: sixty pictures of a tablet's camera have no room side by side in its memory.
    for (const [index, file] of chosen.entries()) {
      setProgress({ done: index, of: chosen.length });
      if (halted.current) {
        setRefused((list) => [...list, `Stopped: ${chosen.length - index} were not taken.`]);
        break;
      }
      try {
        const reason = (await refusePicture(file)) ?? (await onPicture(file));
        if (reason) refuse(file, reason);
      } catch {
        refuse(file, 'this device has no room left to keep it. Free some space, then choose it again.');
      }
    }
    setProgress(undefined);
    onDone?.();
  };
  usePaste((pasted) => void take(pasted));
  const chosen = (input: HTMLInputElement) => {
    const list = [...(input.files ?? [])];
    input.value = '';
    void take(list);
  };
  const { getRootProps, isDragActive } = useDropzone({
    noClick: true,
    noKeyboard: true,
    // What is no picture is refused by name below, not passed over in silence.
    onDrop: (dropped) => void take(dropped),
  });
  const size = compact ? 'office' : 'bench';
  return (
    <Box
      {...getRootProps()}
      bg={isDragActive ? 'band' : undefined}
      {...(compact ? {} : { border: '1.5px dashed', borderColor: 'rule', padding: '12px' })}
    >
      <Box display="flex" gap="8px" flexWrap="wrap" alignItems="center">
        <Press size={size} kind={compact ? 'plain' : 'main'} onClick={() => camera.current?.click()}>
          <Camera size={22} aria-hidden /> Take a photograph
        </Press>
        <Press size={size} aria-expanded={live} onClick={() => setLive(!live)}>
          <Video size={22} aria-hidden /> Live camera
        </Press>
        <Press size={size} onClick={() => files.current?.click()}>
          <Images size={22} aria-hidden /> Choose files
        </Press>
        {!compact && <span>or drop or paste them here</span>}
        {progress && (
          <span role="status">
            Keeping {progress.done + 1} of {progress.of} …{' '}
            {progress.of > 1 && (
              <Press
                kind="quiet"
                onClick={() => {
                  halted.current = true;
                }}
              >
                Stop
              </Press>
            )}
          </span>
        )}
      </Box>
      {live && <LiveCamera last={last} onPicture={(file) => take([file])} onClose={() => setLive(false)} />}
      <chakra.input
        ref={camera}
        type="file"
        accept="image/*"
        capture="environment"
        hidden
        aria-label="Camera"
        onChange={(event) => chosen(event.currentTarget)}
      />
      <chakra.input
        ref={files}
        type="file"
        accept="image/jpeg,image/png,image/webp,.heic,.heif"
        multiple
        hidden
        aria-label="Photograph files"
        data-testid="photograph-files"
        onChange={(event) => chosen(event.currentTarget)}
      />
      {refused.map((line) => (
        <ErrorNotice key={line}>{line}</ErrorNotice>
      ))}
    </Box>
  );
}

/** The places on the screen that take a pasted picture: the one that came last gets it, so that it lands once. */
const takers: ((files: File[]) => void)[] = [];

function usePaste(onPaste: (files: File[]) => void): void {
  const latest = useRef(onPaste);
  latest.current = onPaste;
  useEffect(() => {
    const taker = (files: File[]) => latest.current(files);
    const paste = ({ clipboardData }: ClipboardEvent) => {
      const files = [...(clipboardData?.files ?? [])].filter(({ type }) => type.startsWith('image/'));
      if (files.length > 0 && takers.at(-1) === taker) taker(files);
    };
    takers.push(taker);
    window.addEventListener('paste', paste);
    return () => {
      takers.splice(takers.indexOf(taker), 1);
      window.removeEventListener('paste', paste);
    };
  }, []);
}
