import type { CardRead } from '@/src/core/formats/page/card-reading'
import type { ThisHouse } from '@/src/core/wiring/build-system'
import type { System } from '@/src/core/wiring/system'
import { api } from '@/src/ui/device/api-client'
import { readKeptJob } from '@/src/ui/device/kept-jobs'

/** What is chosen in the place of a kind: the house as an earlier job left it, which no list has. */
export const EARLIER = 'earlier'

/**
 * How an earlier job left its house, by the server or as this device has kept it. Null where it is as the kind of the list is that was
 * chosen, or where nobody answers and that is here; throws where only the earlier job knows the house.
 */
export async function asEarlierJobLeft(id: string, chosen: string): Promise<System | null> {
  if (id === '') return null
  try {
    const file = await api.readJob(id).catch(async (error) => {
      const kept = await readKeptJob(id)
      if (!kept) throw error
      return kept.file
    })
    const [{ foldJob }, { systemAsLeft }] = await Promise.all([import('@/src/core/job/fold'), import('@/src/core/job/as-left')])
    const system = systemAsLeft(file.system, foldJob(file.system, file.entries).bench)
    return system.id === chosen ? null : system
  } catch (error) {
    if (chosen === EARLIER) throw error
    return null
  }
}

/** A kind that ships with the app, which is here without a signal too. */
export async function shippedSystem(id: string): Promise<System> {
  const { systemById } = await import('@/src/core/wiring/systems/catalogue')
  const system = systemById(id)
  if (!system)
    throw new Error(
      'The server does not answer, and this type of system is not on this device. Pick one of the list that ships with the app.',
    )
  return system
}

/** A house of its own, which the next visit here begins from: a kind, by its id, or a house that was left, with what is told of it now. */
export async function systemHere(from: string | System, here: ThisHouse, card: CardRead | null): Promise<System> {
  const { asItIsHere } = await import('@/src/core/wiring/build-system')
  const base = typeof from === 'string' ? await api.readSystem(from).catch(() => shippedSystem(from)) : from
  const isTold = card !== null || here.letters.length + here.walks.length > 0
  const own = isTold ? asItIsHere(base, here) : base
  if (!card) return own
  const { wiredAsOnCard } = await import('@/src/core/formats/page/card-reading')
  return wiredAsOnCard(own, card)
}
