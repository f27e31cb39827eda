import type { NextConfig } from 'next';

const config: NextConfig = {
  poweredByHeader: false,
  reactStrictMode: true,
  // Types are checked by bin/test, once, with the tests and the demo.
  typescript: { ignoreBuildErrors: true },
  // The title comes with the page, for everybody: sent after it, a page that loads anew stands without one for a moment.
  htmlLimitedBots: /.*/,
  allowedDevOrigins: ['127.0.0.1'],
  // What is larger is a file, and goes its own way.
  experimental: { serverActions: { bodySizeLimit: '256kb' } },
  headers: async () => [
    {
      source: '/:path*',
      headers: [
        { key: 'X-Content-Type-Options', value: 'nosniff' },
        { key: 'Referrer-Policy', value: 'same-origin' },
        { key: 'X-Frame-Options', value: 'DENY' },
        { key: 'Strict-Transport-Security', value: 'max-age=31536000; includeSubDomains' },
        {
          key: 'Permissions-Policy',
          value: 'camera=(), microphone=(), geolocation=(), payment=(), usb=(), interest-cohort=(), screen-wake-lock=(self), autoplay=(self)',
        },
      ],
    },
  ],
};

export default config;
