import { headers } from 'next/headers';
import { connection } from 'next/server';
import { shopContext } from '@/server/instance';
import { door } from '@/server/sign-in/signIn';
import { Door } from '@/ui/sign-in/Door';
import { currentActor } from './session';

/**
 * Whoever comes without a session meets the door, with a real 401. Next renders this beside every page, in
 * case it is needed: for who is signed in, or holds a customer's link, there is none, and no names travel.
 */
export default async function Unauthorized() {
  await connection();
  if ((await headers()).has('x-no-door') || (await currentActor())) return null;
  return <Door {...door(shopContext())} />;
}
