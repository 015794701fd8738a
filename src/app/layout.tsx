import '@fontsource-variable/atkinson-hyperlegible-next/wght.css';
import '@fontsource-variable/bricolage-grotesque/wght.css';
import '@/ui/theme/base.css';
import { AppRouterCacheProvider } from '@mui/material-nextjs/v16-appRouter';
import type { Metadata, Viewport } from 'next';
import { headers } from 'next/headers';
import type { ReactNode } from 'react';
import { ThemeRoot } from '@/ui/theme/ThemeRoot';
import { tokenStyle } from '@/ui/theme/tokens';
import { GROUNDS } from '@/core/palette/palette';

export const metadata: Metadata = { title: { default: 'Pembit', template: '%s · Pembit' } };
export const viewport: Viewport = {
  width: 'device-width',
  initialScale: 1,
  themeColor: [
    { media: '(prefers-color-scheme: light)', color: GROUNDS.light.paper },
    { media: '(prefers-color-scheme: dark)', color: GROUNDS.dark.paper },
  ],
};

export default async function RootLayout({ children }: { children: ReactNode }) {
  const nonce = (await headers()).get('x-nonce') ?? undefined;
  return (
    <html lang="en">
      <head>
        <style nonce={nonce} dangerouslySetInnerHTML={{ __html: tokenStyle }} />
      </head>
      <body>
        <AppRouterCacheProvider options={{ nonce, enableCssLayer: true }}>
          <ThemeRoot>{children}</ThemeRoot>
        </AppRouterCacheProvider>
      </body>
    </html>
  );
}
