'use client';

import { later } from '../kit/later';

/** Only a unit that nobody has described asks for what came off. */
export const StepWithPieces = later(() => import('./StepWithPieces').then((m) => m.StepWithPieces));
export const KeepAsType = later(() => import('./KeepAsType').then((m) => m.KeepAsType));
export const MeasuredBox = later(() => import('../describe/MeasuredBox').then((m) => m.MeasuredBox));
