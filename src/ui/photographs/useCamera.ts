'use client';

import { type RefObject, useEffect, useRef, useState } from 'react';

export interface Camera {
  readonly video: RefObject<HTMLVideoElement | null>;
  /** What keeps the camera away, in words. */
  readonly trouble: string;
  /** Present where the device has a lamp beside its lens. */
  readonly torch: { readonly on: boolean; readonly toggle: () => void } | undefined;
  /** What the camera sees now, as a JPEG with all the pixels it gives. */
  readonly snap: () => Promise<Blob | undefined>;
}

/** The camera at the back of the device, live in a video element, while `on`. */
export function useCamera(on: boolean, longest = 1280): Camera {
  const video = useRef<HTMLVideoElement>(null);
  const track = useRef<MediaStreamTrack>(undefined);
  const [trouble, setTrouble] = useState('');
  const [torch, setTorch] = useState<boolean>();
  useEffect(() => {
    if (!on) return;
    let stream: MediaStream | undefined;
    let current = true;
    const start = async () => {
      if (!navigator.mediaDevices?.getUserMedia)
        return setTrouble(
          'This browser gives no camera to a page without HTTPS. Open the shop over HTTPS, or go without the camera.',
        );
      try {
        stream = await navigator.mediaDevices.getUserMedia({
          video: { facingMode: { ideal: 'environment' }, width: { ideal: longest } },
          audio: false,
        });
        if (!current || !video.current) return stop(stream);
        track.current = stream.getVideoTracks()[0];
        setTorch(hasTorch(track.current) ? false : undefined);
        video.current.srcObject = stream;
        await video.current.play();
      } catch {
        setTrouble(
          'The camera can’t be used: it is busy, missing, or this page may not use it. Go without it: type, or choose files.',
        );
      }
    };
    setTrouble('');
    void start();
    return () => {
      current = false;
      track.current = undefined;
      stop(stream);
    };
  }, [on, longest]);
  const toggle = () => {
    const next = !torch;
    // The lamp is no part of the standard's list of constraints, though browsers that have one know it.
    track.current
      ?.applyConstraints({ advanced: [{ torch: next } as MediaTrackConstraintSet] })
      .then(() => setTorch(next))
      .catch(() => setTorch(undefined));
  };
  return {
    ...{ video, trouble },
    torch: torch === undefined ? undefined : { on: torch, toggle },
    snap: () => snapOf(video.current),
  };
}

const hasTorch = (track: MediaStreamTrack | undefined): boolean =>
  Boolean(track && 'torch' in (track.getCapabilities?.() ?? {}));

async function snapOf(video: HTMLVideoElement | null): Promise<Blob | undefined> {
  if (!video || video.videoWidth === 0) return undefined;
  const canvas = document.createElement('canvas');
  canvas.width = video.videoWidth;
  canvas.height = video.videoHeight;
  canvas.getContext('2d')?.drawImage(video, 0, 0);
  return new Promise((resolve) => canvas.toBlob((blob) => resolve(blob ?? undefined), 'image/jpeg', 0.94));
}

function stop(stream: MediaStream | undefined): void {
  for (const track of stream?.getTracks() ?? []) track.stop();
}
