import { cookies } from 'next/headers';
import { forbidden, notFound, unauthorized } from 'next/navigation';
import type { Actor } from '@/model/people';
import { shopContext } from '@/server/instance';
import { Refusal } from '@/server/refusal';
import { findActor } from '@/server/sign-in/signIn';

export const SESSION_COOKIE = 'stereotome';
/** The mark of a device on which somebody has signed in. */
export const DEVICE_COOKIE = 'stereotome-device';

export async function currentActor(): Promise<Actor | undefined> {
  // The request first: a build that tries to render ahead must stop here, before the shop's file is opened.
  const token = (await cookies()).get(SESSION_COOKIE)?.value;
  return findActor(shopContext(), token);
}

/** The actor of a page, or a real 401 before anything is streamed. */
export async function pageActor(): Promise<Actor> {
  return (await currentActor()) ?? unauthorized();
}

/** Runs a use case for a page and turns its refusal into the page's status. */
export async function forPage<T>(work: () => T | Promise<T>): Promise<T> {
  try {
    return await work();
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    if (error.status === 401) unauthorized();
    if (error.status === 403) forbidden();
    notFound();
  }
}
