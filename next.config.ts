import type { NextConfig } from 'next';
import { PHASE_PRODUCTION_BUILD } from 'next/constants';

const config: NextConfig = {
  serverExternalPackages: ['better-sqlite3', 'better-sqlite3-compiled', 'pg'],
  experimental: { optimizePackageImports: ['@chakra-ui/react', 'lucide-react'] },
  poweredByHeader: false,
  devIndicators: false,
  // `./pebble test` has had the types checked before it builds.
  typescript: { ignoreBuildErrors: process.env.PEBBLE_TYPES === 'checked' },
};

/** A build also lays out what runs with only the packages that it needs: `./pebble pack` makes a folder of it. */
export default (phase: string): NextConfig =>
  phase === PHASE_PRODUCTION_BUILD ? { ...config, output: 'standalone' } : config;
