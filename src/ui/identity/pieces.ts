'use client';

import { later } from '../kit/later';

/** Counting brings its form along, and comes where a gear is in hand. */
export const TeethCounted = later(() => import('./TeethCounted').then((m) => m.TeethCounted));
