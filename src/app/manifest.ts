import type { MetadataRoute } from 'next';
import { GROUNDS } from '@/core/palette/palette';

/** What a device needs to install the application. */
export default function manifest(): MetadataRoute.Manifest {
  return {
    name: 'Pembit',
    short_name: 'Pembit',
    start_url: '/',
    display: 'standalone',
    background_color: GROUNDS.light.paper,
    theme_color: GROUNDS.light.paper,
    icons: [{ src: '/icon.svg', sizes: 'any', type: 'image/svg+xml' }],
  };
}
