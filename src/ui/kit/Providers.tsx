'use client';

import { ChakraProvider } from '@chakra-ui/react';
import createCache from '@emotion/cache';
import { CacheProvider } from '@emotion/react';
import { useServerInsertedHTML } from 'next/navigation';
import { ThemeProvider } from 'next-themes';
import { type ReactNode, useEffect, useState } from 'react';
import type { ReadsIn } from '@/model/units';
import { setShopZone } from './dates';
import { ReadsInProvider } from './figures';
import { system } from './theme';

/**
 * Emotion's styles are collected while the server renders and put into the page with the policy's nonce;
 * without this the first client render would differ from what the server sent.
 */
function useEmotionRegistry(nonce: string | undefined) {
  const [registry] = useState(() => {
    const cache = createCache({ key: 'css', ...(nonce ? { nonce } : {}) });
    cache.compat = true;
    const insert = cache.insert;
    let inserted: { name: string; isGlobal: boolean }[] = [];
    cache.insert = (...args) => {
      const [selector, serialized] = args;
      if (cache.inserted[serialized.name] === undefined)
        inserted.push({ name: serialized.name, isGlobal: !selector });
      return insert(...args);
    };
    const flush = () => {
      const since = inserted;
      inserted = [];
      return since;
    };
    return { cache, flush };
  });
  useServerInsertedHTML(() => {
    const names = registry.flush();
    if (names.length === 0) return null;
    let scoped = '';
    let scopedNames = registry.cache.key;
    const globals: { name: string; style: string }[] = [];
    for (const { name, isGlobal } of names) {
      const style = registry.cache.inserted[name];
      if (typeof style !== 'string') continue;
      if (isGlobal) globals.push({ name, style });
      else {
        scoped += style;
        scopedNames += ` ${name}`;
      }
    }
    return (
      <>
        {globals.map(({ name, style }) => (
          <InlineStyle
            key={name}
            nonce={nonce}
            emotion={`${registry.cache.key}-global ${name}`}
            css={style}
          />
        ))}
        {scoped ? <InlineStyle nonce={nonce} emotion={scopedNames} css={scoped} /> : null}
      </>
    );
  });
  return registry.cache;
}

function InlineStyle({ nonce, emotion, css }: { nonce: string | undefined; emotion: string; css: string }) {
  // biome-ignore lint/security/noDangerouslySetInnerHtml: styles made by emotion from our own source
  return <style nonce={nonce} data-emotion={emotion} dangerouslySetInnerHTML={{ __html: css }} />;
}

export function Providers({
  nonce,
  readsIn,
  timeZone,
  children,
}: {
  nonce?: string;
  readsIn: ReadsIn;
  /** By which the shop counts its days. */
  timeZone: string;
  children: ReactNode;
}) {
  const cache = useEmotionRegistry(nonce);
  // Before anything below it writes a date, on the server and in the browser alike.
  setShopZone(timeZone);
  // From here on what is pressed is heard by the page and not only by the browser; whoever drives the page can wait for it.
  useEffect(() => {
    document.documentElement.dataset.alive = 'yes';
    performance.mark('alive');
  }, []);
  return (
    <CacheProvider value={cache}>
      <ChakraProvider value={system}>
        <ThemeProvider
          attribute="class"
          defaultTheme="light"
          disableTransitionOnChange
          {...(nonce ? { nonce } : {})}
        >
          <ReadsInProvider readsIn={readsIn}>{children}</ReadsInProvider>
        </ThemeProvider>
      </ChakraProvider>
    </CacheProvider>
  );
}
