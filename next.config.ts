import type { NextConfig } from 'next';

const headers = [
  { key: 'X-Content-Type-Options', value: 'nosniff' },
  { key: 'X-Frame-Options', value: 'DENY' },
  { key: 'Referrer-Policy', value: 'no-referrer' },
  { key: 'Cross-Origin-Opener-Policy', value: 'same-origin' },
  { key: 'Cross-Origin-Resource-Policy', value: 'same-origin' },
  { key: 'Permissions-Policy', value: 'camera=(self), geolocation=(), microphone=(), usb=(), serial=(), payment=()' },
];

const config: NextConfig = {
  serverExternalPackages: ['better-sqlite3'],
  poweredByHeader: false,
  // A body is cut off here without a word: it is as long as the longest that is taken, and every route has its own bound.
  experimental: { proxyClientMaxBodySize: 130_000_000 },
  // Types are checked by `npm run types`, tests included; once is enough.
  typescript: { ignoreBuildErrors: true },
  headers: () => Promise.resolve([{ source: '/:path*', headers }]),
};

export default config;
