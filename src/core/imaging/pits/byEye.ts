import type { EyeWord } from '@/model/pictureRecord';

/** The shares that an eye may mean by a word: wide, and lapping over, for two people draw the lines elsewhere. */
const MEANS: Readonly<Record<EyeWord, readonly [number, number]>> = {
  none: [0, 0.004],
  few: [0.0005, 0.15],
  many: [0.03, 0.7],
  'nearly all': [0.45, 1],
};

/** Whether a measured share can't be what the eye saw. */
export function contradictsEye(seen: EyeWord, areaFraction: number): boolean {
  const [least, most] = MEANS[seen];
  return areaFraction < least || areaFraction > most;
}
