import type { NextConfig } from 'next'

const config: NextConfig = {
  serverExternalPackages: ['@electric-sql/pglite', 'proper-lockfile'],
  devIndicators: false,
  poweredByHeader: false,
}

export default config
