import type { MetadataRoute } from 'next';
import { LIGHT } from '@/ui/tokens';

/** What a phone needs to put Pebble Lane among its programs. */
export default function manifest(): MetadataRoute.Manifest {
  return {
    name: 'Pebble Lane',
    short_name: 'Pebble Lane',
    description: 'Reads small trout water, rates lies, places the cast and keeps the record.',
    start_url: '/outing',
    scope: '/',
    display: 'standalone',
    background_color: LIGHT.paper,
    theme_color: LIGHT.paper,
    icons: [
      { src: '/icon.svg', sizes: 'any', type: 'image/svg+xml' },
      { src: '/icon-192.png', sizes: '192x192', type: 'image/png' },
      { src: '/icon-512.png', sizes: '512x512', type: 'image/png' },
    ],
  };
}
