'use client'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { type ReactNode, useState } from 'react'

/** The one cache of what the server has, and of what the worker has answered. */
export function QueryCache({ children }: { children: ReactNode }) {
  const [client] = useState(() => new QueryClient({ defaultOptions: { queries: { retry: 1, refetchOnWindowFocus: false } } }))
  return <QueryClientProvider client={client}>{children}</QueryClientProvider>
}
