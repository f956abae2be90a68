import { connection } from 'next/server'
import { catalogue } from '@/src/core/wiring/systems/catalogue'
import { Shell } from '@/src/ui/shell/shell'

/** What the service worker shows for any page of the app while the server does not answer: the page finds the rest on the device. */
export default async function ShellPage() {
  await connection()
  return <Shell systems={catalogue.map(({ id, name }) => ({ id, name }))} />
}
