import type { Metadata, Viewport } from 'next';
import localFont from 'next/font/local';
import { headers } from 'next/headers';
import type { ReactNode } from 'react';
import { Provider } from '@/ui/provider';
import { tokenCss } from '@/ui/tokens';
import './global.css';

const body = localFont({
  src: '../node_modules/@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal.woff2',
  variable: '--font-body',
  weight: '200 800',
});
const heading = localFont({
  src: '../node_modules/@fontsource-variable/bricolage-grotesque/files/bricolage-grotesque-latin-standard-normal.woff2',
  variable: '--font-heading',
  weight: '200 800',
});

export const metadata: Metadata = {
  title: 'Pebble Lane',
  description: 'Reads small trout water, rates lies, places the cast and keeps the record.',
};
export const viewport: Viewport = { width: 'device-width', initialScale: 1 };

/** Of this answer, from the policy that the server put on it; every page is made for its own answer. */
const nonceNow = async () =>
  /'nonce-([^']+)'/.exec((await headers()).get('content-security-policy') ?? '')?.[1];

export default async function RootLayout({ children }: { children: ReactNode }) {
  const nonce = await nonceNow();
  return (
    <html lang="en" className={`${body.variable} ${heading.variable}`} suppressHydrationWarning>
      <head>
        <style
          nonce={nonce}
          suppressHydrationWarning
          dangerouslySetInnerHTML={{ __html: tokenCss() }}
        />
      </head>
      <body>
        <Provider nonce={nonce}>{children}</Provider>
      </body>
    </html>
  );
}
