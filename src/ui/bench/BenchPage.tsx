'use client';

import { Box } from '@chakra-ui/react';
import dynamic from 'next/dynamic';
import type { Bench } from './Bench';

/**
 * The bench lives in the browser alone: it is drawn from the store on the device, which may be ahead of the page. Drawn on the
 * server too, its four thousand elements were sent, parsed and then gone through again.
 */
const InTheBrowser = dynamic(() => import('./Bench').then((module) => module.Bench), {
  ssr: false,
  loading: () => (
    <Box padding="24px" data-loading="yes" role="status">
      Opening the bench …
    </Box>
  ),
});

export const BenchPage = (props: Parameters<typeof Bench>[0]) => <InTheBrowser {...props} />;
