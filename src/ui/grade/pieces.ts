'use client';

import { later } from '../kit/later';

/* What stands round the drawing: each piece comes when it is needed. */

export const PowerPanel = later(() => import('../section/PowerPanel').then((m) => m.PowerPanel));
export const PhotographTray = later(() =>
  import('../photographs/PhotographTray').then((m) => m.PhotographTray),
);
export const DescribePart = later(() => import('../describe/DescribePart').then((m) => m.DescribePart));
