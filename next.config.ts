import type { NextConfig } from 'next';

const config: NextConfig = {
  serverExternalPackages: ['better-sqlite3'],
  experimental: { optimizePackageImports: ['@chakra-ui/react', 'lucide-react'] },
  poweredByHeader: false,
  devIndicators: false,
};

export default config;
