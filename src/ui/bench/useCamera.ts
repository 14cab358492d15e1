'use client';

import { type RefObject, useEffect, useRef, useState } from 'react';

/** The camera at the back of the device, live in a video element, while `on`. What keeps it away is told in words. */
export function useCamera(on: boolean): {
  readonly video: RefObject<HTMLVideoElement | null>;
  readonly trouble: string;
} {
  const video = useRef<HTMLVideoElement>(null);
  const [trouble, setTrouble] = useState('');
  useEffect(() => {
    if (!on) return;
    let stream: MediaStream | undefined;
    let current = true;
    const start = async () => {
      if (!navigator.mediaDevices?.getUserMedia)
        return setTrouble(
          'This browser gives no camera to a page without HTTPS. Type the label, or open the shop over HTTPS.',
        );
      try {
        stream = await navigator.mediaDevices.getUserMedia({
          video: { facingMode: { ideal: 'environment' }, width: { ideal: 1280 } },
          audio: false,
        });
        if (!current || !video.current) return stop(stream);
        video.current.srcObject = stream;
        await video.current.play();
      } catch {
        setTrouble(
          'The camera can’t be used: it is busy, missing, or this page may not use it. Type the label instead.',
        );
      }
    };
    setTrouble('');
    void start();
    return () => {
      current = false;
      stop(stream);
    };
  }, [on]);
  return { video, trouble };
}

function stop(stream: MediaStream | undefined): void {
  for (const track of stream?.getTracks() ?? []) track.stop();
}
