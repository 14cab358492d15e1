import { answer } from '@/app/api/answer';
import { SESSION_COOKIE } from '@/app/session';
import type { StandIn } from '@/model/standIn';
import { readBenchGauge } from '@/server/devices/benchGauge';
import { findActor } from '@/server/sign-in/signIn';

const EVERY_MS = 250;

/** The bench gauge as a live stream: one event for each value it shows, until the page goes away. */
export const GET = answer(({ actor, context, request }) => {
  const { searchParams } = request.nextUrl;
  const touch = {
    gauge: searchParams.get('gauge') as StandIn,
    index: Number(searchParams.get('index')),
    count: Number(searchParams.get('count')),
    nominal: Number(searchParams.get('nominal')),
  };
  // The first value is read before anything streams, so that a refusal is a real one.
  const show = () => `data: ${JSON.stringify(readBenchGauge(actor, context, touch))}\n\n`;
  const first = show();
  const token = request.cookies.get(SESSION_COOKIE)?.value;
  const encoder = new TextEncoder();
  let timer: ReturnType<typeof setInterval> | undefined;
  const stop = () => clearInterval(timer);
  const stream = new ReadableStream({
    start(controller) {
      controller.enqueue(encoder.encode(first));
      timer = setInterval(() => {
        // Whoever signed out, or whose session ran out, reads no further.
        if (!findActor(context, token)) {
          stop();
          controller.close();
        } else controller.enqueue(encoder.encode(show()));
      }, EVERY_MS);
      request.signal.addEventListener('abort', () => {
        stop();
        controller.close();
      });
    },
    cancel: stop,
  });
  return new Response(stream, {
    headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store' },
  });
});
