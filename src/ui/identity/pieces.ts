'use client';

import { later } from '../kit/later';

/* Counting brings its form along, and comes where a part is in hand. */
export const MarksOfPart = later(() => import('./MarksOfPart').then((m) => m.MarksOfPart));
export const TeethCounted = later(() => import('./TeethCounted').then((m) => m.TeethCounted));
