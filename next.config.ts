import type { NextConfig } from 'next';

const config: NextConfig = {
  serverExternalPackages: ['@electric-sql/pglite', 'pdfkit', 'dejavu-fonts-ttf', 'highs'],
  reactStrictMode: true,
  poweredByHeader: false,
  devIndicators: false,
  // Where the types were found right a moment ago (scripts/test.mjs).
  typescript: { ignoreBuildErrors: process.env.HODMAN_TYPED === '1' },
  // A file of recipes is sent to the action that takes it.
  experimental: { serverActions: { bodySizeLimit: '5mb' } },
};

export default config;
