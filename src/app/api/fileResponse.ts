import fs from 'node:fs';

export const jpegResponse = (file: string): Response =>
  new Response(new Uint8Array(fs.readFileSync(file)), {
    headers: {
      'content-type': 'image/jpeg',
      'cache-control': 'private, max-age=86400',
      'x-content-type-options': 'nosniff',
    },
  });

export const pdfResponse = (pdf: Uint8Array, name: string): Response =>
  new Response(new Uint8Array(pdf), {
    headers: {
      'content-type': 'application/pdf',
      'content-disposition': `inline; filename="${name}"`,
      'cache-control': 'no-store',
    },
  });
