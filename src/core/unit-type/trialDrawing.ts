import type { UnitType } from '@/model/unitType';
import { drawSection } from '../section/drawSection';
import { silhouette } from '../section/silhouette';
import type { Fault } from './fault';

/** A section of a usual size and nothing engaged: what the rack, the bench and the paper will ask of a type. */
const TRIAL = { width: 1024, height: 600, labels: true, states: new Map() } as const;

/** What keeps a description from being drawn although every field of it is right; nothing where it draws. */
export function trialDrawing(type: UnitType): Fault[] {
  try {
    drawSection(type, TRIAL);
    silhouette(type, { width: 150, height: 84 });
    return [];
  } catch (error) {
    const why = error instanceof RangeError ? 'it is too much to draw' : (error as Error).message;
    return [{ path: 'positions', message: `it can’t be drawn: ${why}`, blocks: 'section' }];
  }
}
