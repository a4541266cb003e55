import '@fontsource-variable/archivo/wdth.css';
import '@fontsource-variable/spline-sans-mono';
import './globals.css';
import type { Metadata } from 'next';
import { headers } from 'next/headers';
import type { ReactNode } from 'react';
import { Hints } from '@/ui/hint/Hints';

export const metadata: Metadata = {
  title: 'Solenix',
  description: "A cruising boat's house electrics, calculated",
  manifest: '/manifest.webmanifest',
};

/** Sets the scheme before the first paint, so that a dark cabin stays dark. */
const SCHEME = "try{if(localStorage.getItem('solenix-scheme')==='night')document.documentElement.dataset.scheme='night'}catch{}";

export default async function Root({ children }: { children: ReactNode }) {
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
