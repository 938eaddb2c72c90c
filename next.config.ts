import type { NextConfig } from 'next';

const config: NextConfig = {
  serverExternalPackages: ['@electric-sql/pglite'],
  reactStrictMode: true,
  poweredByHeader: false,
  devIndicators: false,
};

export default config;
