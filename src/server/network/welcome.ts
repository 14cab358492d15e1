import fs from 'node:fs';
import http from 'node:http';

const escaped = (text: string) => text.replace(/[&<>"]/g, (sign) => `&#${sign.charCodeAt(0)};`);

/** What a tablet sees that comes over plain http: the shop's certificate to install, and the way in. Nothing else is served. */
const welcomePage = (address: string): string => `<!doctype html>
<html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width">
<title>Stereotome: this tablet for the first time</title>
<body style="font:17px/1.5 sans-serif;max-width:38em;margin:2em auto;padding:0 1em">
<h1>This tablet for the first time</h1>
<p>1. <a href="/shop-authority.crt">Install the shop’s certificate</a>. Ask the person who looks after the shop’s computer
to compare its fingerprint with the one that the computer shows.</p>
<p>2. Then open <a href="${escaped(address)}">${escaped(address)}</a> and keep it on the home screen.</p>
</body></html>`;

/** Plain http that hands out the certificate and points to HTTPS; it knows nothing of the shop. */
export const welcomeServer = (authorityFile: string, address: string): http.Server =>
  http.createServer((request, response) => {
    if (request.method !== 'GET') return void response.writeHead(405).end();
    if (request.url === '/shop-authority.crt') {
      response.writeHead(200, { 'content-type': 'application/x-x509-ca-cert' });
      return void response.end(fs.readFileSync(authorityFile));
    }
    if (request.url === '/') {
      response.writeHead(200, {
        'content-type': 'text/html; charset=utf-8',
        'content-security-policy': "default-src 'none'; style-src 'unsafe-inline'",
      });
      return void response.end(welcomePage(address));
    }
    response.writeHead(302, { location: address }).end();
  });
