import type { NextConfig } from 'next';

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  serverExternalPackages: ['exifr', 'pdfkit', 'better-sqlite3', 'sharp', 'pino'],
  experimental: {
    optimizePackageImports: ['@chakra-ui/react'],
    // A refused page answers with a real 401 or 403, not with a 200 that looks like a refusal.
    authInterrupts: true,
  },
};

export default config;
