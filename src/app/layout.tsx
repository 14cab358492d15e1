import '@fontsource-variable/open-sans/standard.css';
import type { Metadata, Viewport } from 'next';
import { headers } from 'next/headers';
import type { ReactNode } from 'react';
import { shopContext } from '@/server/instance';
import { shopZone } from '@/server/shopDay';
import { Providers } from '@/ui/kit/Providers';
import { currentActor } from './session';

export const metadata: Metadata = {
  title: 'Stereotome',
  description: 'Teardown inspection for drivetrain shops',
};
export const viewport: Viewport = { width: 'device-width', initialScale: 1 };

export default async function RootLayout({ children }: { children: ReactNode }) {
  const nonce = (await headers()).get('x-nonce') ?? undefined;
  const readsIn = (await currentActor())?.readsIn ?? 'metric';
  const timeZone = shopZone(shopContext());
  return (
    <html lang="en" suppressHydrationWarning>
      <body>
        <Providers readsIn={readsIn} timeZone={timeZone} {...(nonce ? { nonce } : {})}>
          {children}
        </Providers>
      </body>
    </html>
  );
}
