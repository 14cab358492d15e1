'use client';

import { useEffect, useState } from 'react';

/** One after the other: sixty decoded side by side have no room in a tablet's memory. */
let line: Promise<unknown> = Promise.resolve();

/** The address of a picture that still waits on this device: small ones are made once, large ones shown as they are. */
export function useWaitingPicture(waiting: Blob | undefined, longest?: number): string | undefined {
  const [address, setAddress] = useState<string>();
  useEffect(() => {
    if (!waiting) return setAddress(undefined);
    let made: string | undefined;
    let current = true;
    const show = (picture: Blob) => {
      if (!current) return;
      made = URL.createObjectURL(picture);
      setAddress(made);
    };
    if (longest === undefined) show(waiting);
    else
      line = line.then(async () => {
        // What nobody looks at any more isn't made.
        if (current) show(await smaller(waiting, longest).catch(() => waiting));
      });
    return () => {
      current = false;
      if (made) URL.revokeObjectURL(made);
    };
  }, [waiting, longest]);
  return address;
}

async function smaller(picture: Blob, longest: number): Promise<Blob> {
  const whole = await createImageBitmap(picture, { imageOrientation: 'from-image' });
  const scale = Math.min(1, longest / Math.max(whole.width, whole.height));
  const canvas = new OffscreenCanvas(
    Math.max(1, Math.round(whole.width * scale)),
    Math.max(1, Math.round(whole.height * scale)),
  );
  canvas.getContext('2d')?.drawImage(whole, 0, 0, canvas.width, canvas.height);
  whole.close();
  return canvas.convertToBlob({ type: 'image/jpeg', quality: 0.8 });
}
