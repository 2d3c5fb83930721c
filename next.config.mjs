/**
 * Not in TypeScript: each process that serves would load the compiler to read it, 24 MB of memory each.
 * @type {import('next').NextConfig}
 */
const config = {
  poweredByHeader: false,
  reactStrictMode: true,
  // Types and lint are checked by `npm test`; a start must not wait for them twice.
  typescript: { ignoreBuildErrors: true },
  serverExternalPackages: [
    'prom-client',
    'sharp',
    '@node-rs/argon2',
    'pdfkit',
    'mysql2',
    'bwip-js',
    'dejavu-fonts-ttf',
    'highs',
  ],
  outputFileTracingRoot: import.meta.dirname,
};

export default config;
