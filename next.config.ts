import type { NextConfig } from 'next';

const config: NextConfig = {
  reactStrictMode: true,
  reactCompiler: true,
  poweredByHeader: false,
  // Pictures are made small by the shop itself, for whoever may see them: there is no second road to them.
  images: { unoptimized: true },
  // Types are checked once, by `npm run typecheck`, and over the tests too; a build doesn't do it again.
  typescript: { ignoreBuildErrors: true },
  // What a device keeps for the pit belongs to one build: the next one throws it away.
  env: { NEXT_PUBLIC_BUILD: Date.now().toString(36) },
  serverExternalPackages: ['exifr', 'highs', 'pdfkit', 'better-sqlite3', 'sharp', 'pino'],
  experimental: {
    optimizePackageImports: ['@chakra-ui/react'],
    // A refused page answers with a real 401 or 403, not with a 200 that looks like a refusal.
    authInterrupts: true,
  },
};

export default config;
