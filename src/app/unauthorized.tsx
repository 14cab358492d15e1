import { connection } from 'next/server';
import { shopContext } from '@/server/instance';
import { door } from '@/server/sign-in/signIn';
import { Door } from '@/ui/sign-in/Door';

/** Whoever comes without a session meets the door, with a real 401. */
export default async function Unauthorized() {
  await connection();
  return <Door {...door(shopContext())} />;
}
