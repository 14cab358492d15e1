import type { NextRequest } from 'next/server';
import { shopContext } from '@/server/instance';
import { Refusal } from '@/server/refusal';
import { answerQuote, takeBackAnswer } from '@/server/report/answerQuote';
import { ownerByToken } from '@/server/report/letterCase';

/** A letter's form comes as browsers send forms, so that it works without a program on the page. */
export async function POST(request: NextRequest, { params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  try {
    if (!comesFromHere(request))
      throw new Refusal('wrong-origin', 'This answer did not come from the letter itself.');
    // Browsers say how long a form is; what doesn't say it is none.
    if (Number(request.headers.get('content-length') ?? Number.POSITIVE_INFINITY) > MOST_BYTES)
      throw new Refusal('too-large', 'That is more than a letter’s answer can be.');
    const form = await request.formData();
    const field = (name: string) => String(form.get(name) ?? '');
    const context = shopContext();
    const owner = ownerByToken(context, token);
    if (field('act') === 'back') takeBackAnswer(owner, context, undefined);
    else
      answerQuote(owner, context, {
        slip: field('slip'),
        lines: form.getAll('line').map(String),
        ...(field('seen') === '' ? {} : { seen: Number(field('seen')) }),
        ...(form.has('ready') ? { ready: field('ready') } : {}),
        name: field('name'),
        question: field('question'),
      });
    return new Response(null, { status: 303, headers: { location: `/letter/${token}#answer` } });
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    return new Response(wordsPage(error.message, `/letter/${token}`), {
      status: error.status,
      headers: { 'content-type': 'text/html; charset=utf-8', 'cache-control': 'no-store' },
    });
  }
}

const MOST_BYTES = 20_000;

function comesFromHere(request: NextRequest): boolean {
  const origin = request.headers.get('origin') ?? '';
  return URL.canParse(origin) && new URL(origin).host === request.headers.get('host');
}

const escaped = (words: string): string => words.replace(/[&<>"']/g, (sign) => `&#${sign.charCodeAt(0)};`);

/** What was wrong, in a page that needs nothing; the way back keeps what was written, as browsers do. */
const wordsPage = (
  words: string,
  back: string,
): string => `<!doctype html><html lang="en"><head><meta charset="utf-8">
<title>Your answer was not taken</title><meta name="viewport" content="width=device-width,initial-scale=1">
<meta name="robots" content="noindex"><meta name="color-scheme" content="light dark"></head>
<body style="max-width:34rem;margin:15vh auto 0;padding:0 16px;font:18px/1.5 'Open Sans Variable',sans-serif">
<h1 style="font-size:28px;line-height:1.2">Your answer was not taken</h1>
<p>${escaped(words)}</p><p><a href="${escaped(back)}">Back to the letter</a></p></body></html>`;
