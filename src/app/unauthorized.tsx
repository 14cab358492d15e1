import { connection } from 'next/server';
import { shopContext } from '@/server/instance';
import { door } from '@/server/sign-in/signIn';
import { SignIn } from '@/ui/sign-in/SignIn';

/** Whoever comes without a session meets the door, with a real 401. */
export default async function Unauthorized() {
  await connection();
  return <SignIn {...door(shopContext())} />;
}
