'use client';

import { useEffect, useMemo, useRef, useState } from 'react';
import { type BrushStroke, brushed } from '@/core/imaging/brush';
import { measurePatch, measurePatches } from '@/core/imaging/pattern/measurePatch';
import { measurePits } from '@/core/imaging/pits/surfaceDamage';
import type { Quad } from '@/core/imaging/raster';
import { recordsOf } from '@/core/strip/recordsOf';
import { millimetresAt, type Taken } from './measured';
import type { Work } from './tool';
import type { Region, RegionSet } from './useRegion';

/** The sums of one region: what the worker answered, as a brush has corrected it since, or why it has no answer. */
export function usePictureMeasuring(
  { records, picture, imaging, mayTake }: Work,
  region: Region,
  active: boolean,
) {
  const [answered, setAnswered] = useState<Taken>();
  const [trouble, setTrouble] = useState('');
  const scale = recordsOf(records, 'picture-scaled')
    .filter(({ content }) => content.photographId === picture.id)
    .at(-1)?.content.scale;
  const { box, strokes, outline } = region;
  const taken = useMemo(
    () => answered && corrected(answered, box, strokes, outline, scale && millimetresAt(box, scale)),
    [answered, box, strokes, outline, scale],
  );
  const begun = useRef(false);
  const measure = async (change?: Partial<RegionSet>) => {
    begun.current = true;
    setTrouble('');
    if (change) region.set(change);
    const { pits, corners, compound, sound } = region;
    if (pits) {
      const mmPerPixel = scale && millimetresAt(box, scale);
      const answer = await imaging.run({
        ...{ sum: 'surface-damage', corners: box, mmPerPixel },
        outline: outline ?? undefined,
        sound,
      });
      if (answer.ok) setAnswered({ kind: 'pits', result: answer.result });
      else setTrouble(`${answer.message}.`);
    } else {
      const answer = await imaging.run({
        ...{ sum: 'contact-pattern', corners },
        compound: compound ?? undefined,
      });
      if (answer.ok) setAnswered({ kind: 'pattern', result: answer.result });
      else setTrouble(`${answer.message}.`);
    }
  };
  const propose = async () => {
    const answer = await imaging.run({ sum: 'flank-corners' });
    if (answer.ok && answer.result) region.set({ corners: answer.result });
    else if (answer.ok) setTrouble('No painted flank is seen. Drag the corners onto its edges by hand.');
    else if (answer.message !== 'Stopped') setTrouble(`${answer.message}.`);
  };
  const forget = () => {
    imaging.stop();
    setAnswered(undefined);
    setTrouble('');
  };
  // The first time somebody comes to measure, the program has looked already; what a brush had corrected before a reload is read again.
  const begin = useRef(propose);
  begin.current = strokes.length > 0 ? () => measure() : propose;
  const needed = !region.begun || strokes.length > 0;
  useEffect(() => {
    if (!active || !mayTake || !needed || begun.current) return;
    begun.current = true;
    void begin.current();
  }, [active, mayTake, needed]);
  return {
    taken,
    trouble,
    measure,
    propose: () => {
      forget();
      return propose();
    },
    say: setTrouble,
    change: (change: Partial<RegionSet>) => {
      forget();
      region.set(change);
    },
    /** Kept, or why not. */
    end: (wrong: string | undefined) => {
      setTrouble(wrong ?? '');
      if (wrong) return;
      setAnswered(undefined);
      region.set({ seen: undefined, sound: undefined });
    },
  };
}

/** What was read, as the brush has changed it since: the figures are those of the corrected mask. */
function corrected(
  answered: Taken,
  box: Quad,
  strokes: readonly BrushStroke[],
  outline: Region['outline'],
  mmPerPixel: number | undefined,
): Taken {
  if (strokes.length === 0) return answered;
  const mask = strokes.reduce((before, stroke) => brushed(before, box, stroke), answered.result.mask);
  if (answered.kind === 'pits') {
    const figures = measurePits(mask, { region: box, outline: outline ?? undefined, mmPerPixel });
    return { kind: 'pits', result: { ...answered.result, ...figures, mask } };
  }
  // A stroke may join two patches, part one or wipe one away: they are counted anew.
  const { patches: _, ...result } = answered.result;
  const patches = measurePatches(mask.cells, mask).slice(0, 2);
  return {
    kind: 'pattern',
    result: {
      ...{ ...result, ...measurePatch(mask.cells, mask), mask },
      ...(patches.length > 1 ? { patches } : {}),
    },
  };
}
