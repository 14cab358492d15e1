'use client';

import { useState } from 'react';
import { pointDeviationOf } from '@/core/imaging/planeMeasures';
import { SCALE_CARD } from '@/core/imaging/scaleCard';
import { useKeep } from '../job/useKeep';
import { useKept } from '../kit/useKept';
import { middleOf } from '../picture/middleOf';
import { type ScaleSetting, scaleOf } from './scaleSetting';
import type { Work } from './tool';

/** A scale while it is being set: it outlives a reload until it is kept or left. */
export function useScaleSetting(work: Work) {
  const { picture, imaging } = work;
  const keep = useKeep(work.job);
  const [setting, keepSetting] = useKept<ScaleSetting | null>(`scale ${picture.id}`, null);
  const [trouble, setTrouble] = useState('');
  const setSetting = (next: ScaleSetting | null) => {
    setTrouble('');
    keepSetting(next);
  };
  const findCard = async () => {
    setTrouble('');
    const answer = await imaging.run({ sum: 'scale-card' });
    const found = answer.ok ? answer.result : undefined;
    keepSetting({
      by: 'plane',
      corners: found?.corners ?? middleOf(picture),
      width: String(SCALE_CARD.width),
      height: String(SCALE_CARD.height),
      cornerDeviation: found?.cornerDeviation || pointDeviationOf(picture),
    });
    if (found?.corners) return;
    setTrouble(
      answer.ok
        ? 'No scale card is seen. Set its four outer corners by hand, the one beside the black square first.'
        : `${answer.message}.`,
    );
  };
  const keepScale = async () => {
    const scale = setting && scaleOf(setting);
    if (!scale) return setTrouble('Give the length in mm, above zero.');
    const wrong = await keep({ what: 'picture-scaled', photographId: picture.id, scale }, 'Scale kept');
    if (wrong) setTrouble(wrong);
    else setSetting(null);
  };
  return { setting, setSetting, findCard, keepScale, trouble };
}
