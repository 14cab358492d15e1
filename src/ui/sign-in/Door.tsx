'use client';

import dynamic from 'next/dynamic';

/** The door’s form comes where there is a door: every page carries what stands for a refusal, and few need it. */
export const Door = dynamic(() => import('./SignIn').then((module) => module.SignIn));
