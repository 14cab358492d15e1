import type { ReactNode } from 'react';
import type { BenchRecord } from '@/model/snapshot';
import type { OfJob } from '../job/useBench';
import type { LookedAt } from '../picture/PicturePane';
import type { Pane } from '../picture/usePane';
import type { Imaging } from './useImaging';

/** What every tool works on. */
export interface Work extends OfJob {
  readonly picture: LookedAt;
  readonly positionId: string | null;
  readonly records: readonly BenchRecord[];
  readonly pane: Pane;
  readonly imaging: Imaging;
  readonly mayTake: boolean;
}

/** A tool over a picture: what it draws there, its keys beside it, and whether a finger draws now instead of moving the picture. */
export interface Tool {
  readonly overlay: ReactNode;
  readonly rail: ReactNode;
  readonly drawing: boolean;
}
