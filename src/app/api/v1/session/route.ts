import { NextResponse } from 'next/server';
import { addressOf, answer, answerAnyone, cookieRules, jsonBody, withSession } from '@/app/api/answer';
import { DEVICE_COOKIE, SESSION_COOKIE } from '@/app/session';
import { callerOf, markDevice, signIn, signOut } from '@/server/sign-in/signIn';

/** Who is signed in: a device asks it to know that the shop's computer is there and well. */
export const GET = answer(({ actor }) => ({ id: actor.id, name: actor.name, role: actor.role }));

export const POST = answerAnyone(async ({ request, context }) => {
  const mark = request.cookies.get(DEVICE_COOKIE)?.value;
  const caller = callerOf(context, mark, addressOf(request));
  const response = withSession(await signIn(context, await jsonBody(request), caller));
  response.cookies.set(DEVICE_COOKIE, markDevice(context, mark), { ...cookieRules(), maxAge: A_YEAR });
  return response;
});

const A_YEAR = 31_536_000;

export const DELETE = answerAnyone(({ request, context }) => {
  const token = request.cookies.get(SESSION_COOKIE)?.value;
  if (token) signOut(context, token);
  const response = NextResponse.json({});
  response.cookies.delete(SESSION_COOKIE);
  return response;
});
