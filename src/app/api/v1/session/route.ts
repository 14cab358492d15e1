import { NextResponse } from 'next/server';
import { answer, answerAnyone, jsonBody, withSession } from '@/app/api/answer';
import { SESSION_COOKIE } from '@/app/session';
import { signIn, signOut } from '@/server/sign-in/signIn';

/** Who is signed in: a device asks it to know that the shop's computer is there and well. */
export const GET = answer(({ actor }) => ({ id: actor.id, name: actor.name, role: actor.role }));

export const POST = answerAnyone(async ({ request, context }) =>
  withSession(await signIn(context, await jsonBody(request))),
);

export const DELETE = answerAnyone(({ request, context }) => {
  const token = request.cookies.get(SESSION_COOKIE)?.value;
  if (token) signOut(context, token);
  const response = NextResponse.json({});
  response.cookies.delete(SESSION_COOKIE);
  return response;
});
