import type { NextConfig } from 'next'

const config: NextConfig = {
  serverExternalPackages: ['@electric-sql/pglite', 'pdfmake', 'proper-lockfile'],
  // What is read of a request is limited where it is read (src/app/api/v1/respond.ts): the proxy must not cut it off before.
  experimental: { proxyClientMaxBodySize: '21mb' },
  devIndicators: false,
  poweredByHeader: false,
}

export default config
