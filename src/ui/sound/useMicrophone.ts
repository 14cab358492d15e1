import { useCallback, useEffect, useRef, useState } from 'react';
import { LONGEST_S, wavOf } from '@/core/sound/wav';

export interface Microphone {
  readonly isOn: boolean;
  readonly seconds: number;
  /** Loudest of the last tenth of a second, dB under full scale. */
  readonly level: number;
  /** What keeps it away, in words. */
  readonly trouble: string;
  readonly start: () => Promise<void>;
  /** The recording as a WAV; undefined where nothing was heard yet. */
  readonly stop: () => Promise<File | undefined>;
}

const QUIET = -90;

/** What filters speech out of noise would filter out what is looked for. */
const AS_IT_IS = { echoCancellation: false, noiseSuppression: false, autoGainControl: false };

/** The device's microphone, with everything it hears kept as it comes. */
export function useMicrophone(): Microphone {
  const [isOn, setOn] = useState(false);
  const [seconds, setSeconds] = useState(0);
  const [level, setLevel] = useState(QUIET);
  const [trouble, setTrouble] = useState('');
  const pieces = useRef<Float32Array[]>([]);
  const heard = useRef<{ readonly audio: AudioContext; readonly stream: MediaStream }>(undefined);
  const close = useCallback(async () => {
    const was = heard.current;
    heard.current = undefined;
    for (const track of was?.stream.getTracks() ?? []) track.stop();
    await was?.audio.close();
  }, []);
  useEffect(() => () => void close(), [close]);
  const start = async () => {
    setTrouble('');
    if (!navigator.mediaDevices?.getUserMedia || typeof AudioWorkletNode === 'undefined')
      return setTrouble(
        'This browser gives no microphone to a page without HTTPS. Open the shop over HTTPS, or bring a WAV file.',
      );
    try {
      const stream = await navigator.mediaDevices.getUserMedia({ audio: AS_IT_IS });
      const audio = new AudioContext();
      heard.current = { audio, stream };
      await audio.audioWorklet.addModule('/recorder.js');
      const node = new AudioWorkletNode(audio, 'recorder');
      pieces.current = [];
      node.port.onmessage = ({ data }: MessageEvent<Float32Array>) => {
        // Ten minutes are the most; what was heard until then is kept.
        if (pieces.current.length >= LONGEST_S * 10) return;
        pieces.current.push(data);
        setSeconds(pieces.current.length / 10);
        const peak = data.reduce((most, value) => Math.max(most, Math.abs(value)), 0);
        setLevel(peak > 0 ? Math.max(QUIET, 20 * Math.log10(peak)) : QUIET);
      };
      audio.createMediaStreamSource(stream).connect(node);
      setSeconds(0);
      setOn(true);
    } catch {
      await close();
      setTrouble(
        'The microphone can’t be used: it is busy, missing, or this page may not use it. Bring a WAV file from another device.',
      );
    }
  };
  const stop = async () => {
    const rate = heard.current?.audio.sampleRate ?? 48_000;
    await close();
    setOn(false);
    setLevel(QUIET);
    if (pieces.current.length === 0) return undefined;
    const file = new File(
      [wavOf(pieces.current, rate)],
      `recorded ${Math.round(pieces.current.length / 10)} s.wav`,
      {
        type: 'audio/wav',
      },
    );
    pieces.current = [];
    return file;
  };
  return { isOn, seconds, level, trouble, start, stop };
}
