import type { NextConfig } from 'next';

const config: NextConfig = {
  // What runs, with only the packages that it needs: `./pebble pack` makes a folder of it.
  output: 'standalone',
  serverExternalPackages: ['better-sqlite3', 'better-sqlite3-compiled', 'pg'],
  experimental: { optimizePackageImports: ['@chakra-ui/react', 'lucide-react'] },
  poweredByHeader: false,
  devIndicators: false,
};

export default config;
