import { answer, jsonBody, withSession } from '@/app/api/answer';
import { SESSION_COOKIE } from '@/app/session';
import { colleaguesWithPin, switchPerson } from '@/server/sign-in/signIn';

export const GET = answer(({ actor, context }) => ({ colleagues: colleaguesWithPin(context, actor) }));
export const POST = answer(async ({ actor, context, request }) =>
  withSession(
    await switchPerson(actor, context, {
      ...((await jsonBody(request)) as object),
      token: request.cookies.get(SESSION_COOKIE)?.value,
    }),
  ),
);
