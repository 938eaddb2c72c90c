import type { NextConfig } from 'next';

const config: NextConfig = {
  serverExternalPackages: ['@electric-sql/pglite', 'pdfkit', 'dejavu-fonts-ttf', 'highs'],
  reactStrictMode: true,
  poweredByHeader: false,
  devIndicators: false,
  // A file of recipes is sent to the action that takes it.
  experimental: { serverActions: { bodySizeLimit: '5mb' } },
};

export default config;
