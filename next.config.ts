import type { NextConfig } from 'next';

const headers = [
  { key: 'X-Content-Type-Options', value: 'nosniff' },
  { key: 'X-Frame-Options', value: 'DENY' },
  { key: 'Referrer-Policy', value: 'no-referrer' },
  { key: 'Cross-Origin-Opener-Policy', value: 'same-origin' },
  { key: 'Cross-Origin-Resource-Policy', value: 'same-origin' },
  { key: 'Permissions-Policy', value: 'camera=(self), geolocation=(), microphone=(), usb=(), serial=(), payment=()' },
];

/** Scripts and styles as they lie packed beside the build (scripts/packed.mjs), for a browser that unpacks Brotli; else they are packed by gzip when asked for. */
const unpacks = [{ type: 'header' as const, key: 'accept-encoding', value: '(?:^|.*[ ,])br(?:[ ,;].*|$)' }];
const packed = ['js', 'css'].map((kind) => ({
  source: `/_next/static/chunks/:file([^/]+\\.${kind})`,
  destination: '/_next/static/chunks/:file.br',
  has: unpacks,
  headers: [
    { key: 'Content-Type', value: kind === 'js' ? 'application/javascript; charset=UTF-8' : 'text/css; charset=UTF-8' },
    { key: 'Content-Encoding', value: 'br' },
    { key: 'Vary', value: 'Accept-Encoding' },
  ],
}));
const built = process.env.NODE_ENV === 'production';

const config: NextConfig = {
  serverExternalPackages: ['better-sqlite3'],
  poweredByHeader: false,
  // A body is cut off here without a word: it is as long as the longest that is taken, and every route has its own bound.
  experimental: { proxyClientMaxBodySize: 130_000_000 },
  // Types are checked by `npm run types`, tests included; once is enough.
  typescript: { ignoreBuildErrors: true },
  headers: () =>
    Promise.resolve([
      { source: '/:path*', headers },
      ...(built ? packed.map(({ source, has, headers }) => ({ source, has, headers })) : []),
    ]),
  rewrites: () =>
    Promise.resolve({
      beforeFiles: built ? packed.map(({ source, has, destination }) => ({ source, has, destination })) : [],
      afterFiles: [],
      fallback: [],
    }),
};

export default config;
