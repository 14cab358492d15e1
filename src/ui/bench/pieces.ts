'use client';

import { later } from '../kit/later';

/* What the frame holds: each piece comes when it is needed. */

export const Ticket = later(() => import('../ticket/Ticket').then((m) => m.Ticket));
export const PhotographDesk = later(() => import('../desk/PhotographDesk').then((m) => m.PhotographDesk));
export const SoundDesk = later(() => import('../sound/SoundDesk').then((m) => m.SoundDesk));
export const ScanLabel = later(() => import('./ScanLabel').then((m) => m.ScanLabel));
export const HoldPanel = later(() => import('../hold/HoldPanel').then((m) => m.HoldPanel));

export const GradeStation = later(() => import('../grade/GradeStation').then((m) => m.GradeStation));
export const BookInStation = later(() => import('../book-in/BookInStation').then((m) => m.BookInStation));
export const DrainStation = later(() => import('../drain/DrainStation').then((m) => m.DrainStation));
export const BaselineStation = later(() =>
  import('../baseline/BaselineStation').then((m) => m.BaselineStation),
);
export const StripStation = later(() => import('../strip/StripStation').then((m) => m.StripStation));
export const CauseStation = later(() => import('../cause/CauseStation').then((m) => m.CauseStation));
export const DecideStation = later(() => import('../decide/DecideStation').then((m) => m.DecideStation));
export const RebuildStation = later(() => import('../rebuild/RebuildStation').then((m) => m.RebuildStation));
export const HandOverStation = later(() =>
  import('../hand-over/HandOverStation').then((m) => m.HandOverStation),
);
