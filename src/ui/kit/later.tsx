'use client';

import { Box } from '@chakra-ui/react';
import { type ComponentType, lazy, type ReactNode, Suspense } from 'react';

/*
 * What comes when it is needed, and is fetched at idle so that it is here when the network is gone. A page opens with the frame and
 * the store; everything else may follow.
 */

const LOADERS: (() => Promise<unknown>)[] = [];

/** A component that comes with the first use of it. */
export function later<Props extends object>(load: () => Promise<ComponentType<Props>>): ComponentType<Props> {
  LOADERS.push(load);
  return lazy(async () => ({ default: await patiently(load) })) as unknown as ComponentType<Props>;
}

const AGAIN_MS = 3000;

/** Without network it waits for it, and asks again; nothing that stands on the page goes because of it. */
async function patiently<Value>(load: () => Promise<Value>): Promise<Value> {
  for (;;) {
    try {
      return await load();
    } catch {
      await new Promise<void>((resolve) => {
        const timer = setTimeout(resolve, AGAIN_MS);
        window.addEventListener(
          'online',
          () => {
            clearTimeout(timer);
            resolve();
          },
          { once: true },
        );
      });
    }
  }
}

/** Fetches all that is known of, and what that knows of in its turn. */
export async function fetchAll(): Promise<void> {
  let fetched = 0;
  while (fetched < LOADERS.length) {
    const known = LOADERS.slice(fetched);
    fetched = LOADERS.length;
    await Promise.all(known.map(patiently));
  }
}

/** Where something of it stands, until it is here; what has no place of its own yet may leave nothing. */
export function Arriving({
  quietly = false,
  children,
}: {
  readonly quietly?: boolean;
  readonly children: ReactNode;
}) {
  return (
    <Suspense
      fallback={
        quietly ? null : (
          <Box padding="12px" role="status" color="second" data-loading="yes">
            {navigator.onLine ? 'A moment …' : 'This comes as soon as the network is back.'}
          </Box>
        )
      }
    >
      {children}
    </Suspense>
  );
}
