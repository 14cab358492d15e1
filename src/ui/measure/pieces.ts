'use client';

import { later } from '../kit/later';

/** The series of the check that is measured: comes when one is. */
export const OpenSeries = later(() => import('./OpenSeries').then((m) => m.OpenSeries));
