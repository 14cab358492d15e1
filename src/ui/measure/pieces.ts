'use client';

import { later } from '../kit/later';

/** For a part that no check is described of, and for what no check asks. */
export const WithoutCheck = later(() => import('./WithoutCheck').then((m) => m.WithoutCheck));

/** The series of the check that is measured: comes when one is. */
export const OpenSeries = later(() => import('./OpenSeries').then((m) => m.OpenSeries));

/** A check of several like parts at once: comes when somebody wants it. */
export const LikeTable = later(() => import('./LikeTable').then((m) => m.LikeTable));
