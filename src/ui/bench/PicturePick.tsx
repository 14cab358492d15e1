'use client';

import { Box, chakra } from '@chakra-ui/react';
import { Camera, Images } from 'lucide-react';
import { type DragEvent, useRef, useState } from 'react';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { refusePicture } from './pictureFiles';

interface PicturePickProps {
  readonly compact?: boolean;
  /** Keeps one picture; a throw means that this device has no room for it. */
  readonly onPicture: (file: File) => Promise<void> | void;
  readonly onDone?: () => Promise<void> | void;
}

/** Pictures by camera, files or drop, several at once; a bad one is named and the others are kept. */
export function PicturePick({ compact = false, onPicture, onDone }: PicturePickProps) {
  const camera = useRef<HTMLInputElement>(null);
  const files = useRef<HTMLInputElement>(null);
  const [refused, setRefused] = useState<readonly string[]>([]);
  const [busy, setBusy] = useState(0);
  const take = async (chosen: readonly File[]) => {
    setRefused([]);
    const refuse = (file: File, reason: string) => setRefused((list) => [...list, `${file.name}: ${reason}`]);
    for (const file of chosen) {
      const reason = await refusePicture(file);
      if (reason) {
        refuse(file, reason);
        continue;
      }
      setBusy((count) => count + 1);
      try {
        await onPicture(file);
      } catch {
        refuse(file, 'this device has no room left to keep it. Free some space, then choose it again.');
      }
      setBusy((count) => count - 1);
    }
    await onDone?.();
  };
  const chosen = (input: HTMLInputElement) => {
    const list = [...(input.files ?? [])];
    input.value = '';
    void take(list);
  };
  const drop = (event: DragEvent) => {
    event.preventDefault();
    void take([...event.dataTransfer.files]);
  };
  return (
    <Box
      onDrop={drop}
      onDragOver={(event) => event.preventDefault()}
      {...(compact ? {} : { border: '1.5px dashed', borderColor: 'rule', padding: '12px' })}
    >
      <Box display="flex" gap="8px" flexWrap="wrap" alignItems="center">
        <Press
          size={compact ? 'office' : 'bench'}
          kind={compact ? 'plain' : 'main'}
          onClick={() => camera.current?.click()}
        >
          <Camera size={22} aria-hidden /> Take a photograph
        </Press>
        <Press size={compact ? 'office' : 'bench'} onClick={() => files.current?.click()}>
          <Images size={22} aria-hidden /> Choose files
        </Press>
        {!compact && <span>or drop them here</span>}
        {busy > 0 && <span role="status">Keeping {busy} …</span>}
      </Box>
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
