import { NextResponse } from 'next/server';
import { answerAnyone, jsonBody, withSession } from '@/app/api/answer';
import { SESSION_COOKIE } from '@/app/session';
import { signIn, signOut } from '@/server/sign-in/signIn';

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
