import { once } from 'node:events';
import type http from 'node:http';
import type { AddressInfo } from 'node:net';
import net from 'node:net';
import { PassThrough } from 'node:stream';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { openFront } from './openFront.mjs';

type Front = Awaited<ReturnType<typeof openFront>>;
let front: Front;
let asked: http.IncomingMessage[];

beforeEach(async () => {
  asked = [];
  front = await openFront({ host: '127.0.0.1', port: 0, headers: { 'x-ours': 'yes' } });
});
afterEach(() => front.close());

const serve = (work: http.RequestListener) =>
  front.serve((request, response) => {
    asked.push(request);
    work(request, response);
  });
const url = (path: string) => `http://127.0.0.1:${front.port}${path}`;
const get = (path: string, headers: Record<string, string> = {}) => fetch(url(path), { headers });

describe('what the application calls unchanging', () => {
  const answering = (control: string, more: http.OutgoingHttpHeaders = {}) =>
    serve((_, response) => {
      response.writeHead(200, { 'cache-control': control, 'content-type': 'text/plain', ...more });
      response.end(`answer ${asked.length}`);
    });

  it('is answered again to the session that it was given to, and to no other', async () => {
    await answering('private, max-age=31536000, immutable');
    const [first, again] = [await get('/x', { cookie: 'a=1' }), await get('/x', { cookie: 'a=1' })];
    expect([await first.text(), await again.text()]).toEqual(['answer 1', 'answer 1']);
    expect(again.headers.get('content-type')).toBe('text/plain');
    expect(again.headers.get('x-ours')).toBe('yes');
    expect(await (await get('/x', { cookie: 'a=2' })).text()).toBe('answer 2');
    expect(await (await get('/x')).text()).toBe('answer 3');
    expect(await (await get('/y', { cookie: 'a=1' })).text()).toBe('answer 4');
  });

  it('is answered to everybody where it is public', async () => {
    await answering('public, max-age=31536000, immutable');
    await get('/x', { cookie: 'a=1' });
    expect(await (await get('/x', { cookie: 'a=2' })).text()).toBe('answer 1');
  });

  it.each([
    ['no-store', {}],
    ['private, max-age=31536000', {}],
    ['public, max-age=31536000, immutable', { 'set-cookie': ['a=1', 'b=2'] }],
  ])('and nothing else is kept: %s', async (control, more) => {
    await answering(control, more);
    const first = await get('/x');
    expect(first.headers.getSetCookie()).toEqual('set-cookie' in more ? more['set-cookie'] : []);
    expect(await (await get('/x')).text()).toBe('answer 2');
  });

  it('an answer that breaks off is neither kept nor whole', async () => {
    await serve((_, response) => {
      response.writeHead(200, { 'cache-control': 'public, immutable', 'content-length': '100' });
      response.write('half');
      setTimeout(() => response.destroy(), 50);
    });
    await expect(get('/x').then((answer) => answer.text())).rejects.toThrow();
    await expect(get('/x').then((answer) => answer.text())).rejects.toThrow();
    expect(asked).toHaveLength(2);
  });

  it('a refusal is not kept', async () => {
    await serve((_, response) => response.writeHead(401, { 'cache-control': 'public, immutable' }).end('no'));
    expect([(await get('/x')).status, (await get('/x')).status, asked.length]).toEqual([401, 401, 2]);
  });
});

describe('what goes in', () => {
  it('is told where it comes from by the front alone', async () => {
    await serve((_, response) => response.end());
    await get('/x', {
      'x-stereotome-address': '10.0.0.9',
      'x-forwarded-for': '10.0.0.9',
      'x-forwarded-proto': 'https',
    });
    expect(asked[0]!.headers).toMatchObject({
      ...{
        'x-stereotome-address': '127.0.0.1',
        'x-forwarded-proto': 'http',
        host: `127.0.0.1:${front.port}`,
      },
    });
    expect(asked[0]!.headers['x-forwarded-for']).toBeUndefined();
  });

  it('arrives byte for byte, and its answer comes back so', async () => {
    await serve((request, response) => request.pipe(response));
    const sent = Buffer.from(Array.from({ length: 3_000_000 }, (_, at) => (at * 7919) % 251));
    const answer = await fetch(url('/x'), { method: 'PUT', body: sent });
    expect(Buffer.from(await answer.arrayBuffer()).equals(sent)).toBe(true);
  });

  it('that is refused before all of it was sent is told so', async () => {
    await serve((_, response) => response.writeHead(413).end('too large'));
    const answer = await fetch(url('/x'), { method: 'PUT', body: new Uint8Array(5_000_000) });
    expect([answer.status, await answer.text()]).toEqual([413, 'too large']);
  });

  it('behind what was refused, its body read by nobody, is answered too', async () => {
    // As the application reads: through a stream of its own, which nobody empties.
    await serve((request, response) => {
      if (request.method === 'PUT') request.pipe(new PassThrough());
      response.writeHead(request.method === 'PUT' ? 413 : 200).end('said');
    });
    for (let round = 0; round < 12; round += 1) {
      await fetch(url('/x'), { method: 'PUT', body: new Uint8Array(1_200_000) }).then((answer) =>
        answer.text(),
      );
      expect(await (await get('/y')).text()).toBe('said');
    }
  });

  it('and hangs up in the middle is not taken for whole', async () => {
    const ends: string[] = [];
    await serve((request) => {
      request
        .on('end', () => ends.push('end'))
        .on('aborted', () => ends.push('aborted'))
        .resume();
    });
    const line = net.connect(front.port, '127.0.0.1');
    line.write('PUT /x HTTP/1.1\r\nhost: here\r\ncontent-length: 1000\r\n\r\nhalf');
    await expect.poll(() => asked.length).toBe(1);
    line.destroy();
    await expect.poll(() => ends).toEqual(['aborted']);
  });
});

describe('the front itself', () => {
  it('says that the shop is starting until it is there', async () => {
    const early = await get('/x');
    expect([early.status, await early.json()]).toMatchObject([503, { code: 'failed' }]);
    await serve((_, response) => response.end('there'));
    expect(await (await get('/x')).text()).toBe('there');
  });

  it('says that its port is taken', async () => {
    const other = net.createServer().listen(0, '127.0.0.1');
    await once(other, 'listening');
    const { port } = other.address() as AddressInfo;
    await expect(openFront({ host: '127.0.0.1', port, headers: {} })).rejects.toThrow(`port ${port} already`);
    other.close();
  });
});
