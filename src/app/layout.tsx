import '@fontsource-variable/archivo/wdth.css';
import '@fontsource-variable/spline-sans-mono';
import './globals.css';
import sans from '@fontsource-variable/archivo/files/archivo-latin-wdth-normal.woff2';
import mono from '@fontsource-variable/spline-sans-mono/files/spline-sans-mono-latin-wght-normal.woff2';
import type { Metadata } from 'next';
import { headers } from 'next/headers';
import type { ReactNode } from 'react';
import { preload } from 'react-dom';
import { Hints } from '@/ui/hint/Hints';

export const metadata: Metadata = {
  title: 'Solenix',
  description: "A cruising boat's house electrics, calculated",
  manifest: '/manifest.webmanifest',
};

/** Sets the scheme before the first paint, so that a dark cabin stays dark. */
const SCHEME = "try{if(localStorage.getItem('solenix-scheme')==='night')document.documentElement.dataset.scheme='night'}catch{}";

export default async function Root({ children }: { children: ReactNode }) {
  // Letters are there before the first paint: nothing moves when they come.
  for (const font of [sans, mono]) preload(font, { as: 'font', type: 'font/woff2', crossOrigin: 'anonymous' });
  const nonce = (await headers()).get('x-nonce') ?? undefined;
  return (
    <html lang="en" suppressHydrationWarning>
      <head>
        <script nonce={nonce} suppressHydrationWarning dangerouslySetInnerHTML={{ __html: SCHEME }} />
      </head>
      <body>
        {children}
        <Hints />
      </body>
    </html>
  );
}
