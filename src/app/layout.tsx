import '@fontsource-variable/atkinson-hyperlegible-next'
import '@fontsource-variable/atkinson-hyperlegible-mono'
import '@fontsource/dejavu-sans/400.css'
import '@/src/app/globals.css'
import type { Metadata, Viewport } from 'next'
import { cookies } from 'next/headers'
import type { ReactNode } from 'react'
import { DeviceKeeper } from '@/src/ui/device/device-keeper'
import { QueryCache } from '@/src/ui/device/query-cache'
import { readTheme } from '@/src/ui/theme/theme'

export const metadata: Metadata = {
  title: 'Nest Trace',
  description: 'Traces thermostat calls, transformer output and fuse trips; isolates shorted, open or miswired low-voltage conductors.',
}

export const viewport: Viewport = { width: 'device-width', initialScale: 1 }

export default async function RootLayout({ children }: { children: ReactNode }) {
  const theme = readTheme((await cookies()).get('theme')?.value)
  return (
    <html lang="en" data-theme={theme}>
      <body>
        <QueryCache>{children}</QueryCache>
        <DeviceKeeper />
      </body>
    </html>
  )
}
