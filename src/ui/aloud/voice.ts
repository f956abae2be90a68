'use client'
import { useSyncExternalStore } from 'react'

/** A voice of this device reads aloud what was asked for; nothing is sent anywhere for it. Off until it is turned on here. */

const SHELF = 'nest-trace aloud'

const synthesis = (): SpeechSynthesis | null => (typeof speechSynthesis === 'undefined' ? null : speechSynthesis)

/** A voice that needs no network, an English one first; null where the device has none. */
export const deviceVoice = (voices: readonly SpeechSynthesisVoice[]): SpeechSynthesisVoice | null => {
  const own = voices.filter(({ localService }) => localService)
  return own.find(({ lang }) => lang.toLowerCase().startsWith('en')) ?? own[0] ?? null
}

const listeners = new Set<() => void>()
const changed = () => {
  for (const listener of listeners) listener()
}

/** Voices come some time after the page. */
function listen(listener: () => void): () => void {
  listeners.add(listener)
  synthesis()?.addEventListener('voiceschanged', listener)
  return () => {
    listeners.delete(listener)
    synthesis()?.removeEventListener('voiceschanged', listener)
  }
}

const hasVoice = (): boolean => deviceVoice(synthesis()?.getVoices() ?? []) !== null
const isOn = (): boolean => localStorage.getItem(SHELF) === 'on'

export function turnAloud(on: boolean): void {
  if (on) localStorage.setItem(SHELF, 'on')
  else localStorage.removeItem(SHELF)
  synthesis()?.cancel()
  changed()
}

/** Whether this device has a voice, and whether it is to be used. */
export function useAloud(): { readonly canSpeak: boolean; readonly isOn: boolean } {
  const canSpeak = useSyncExternalStore(listen, hasVoice, () => false)
  const on = useSyncExternalStore(listen, isOn, () => false)
  return { canSpeak, isOn: canSpeak && on }
}

/** Says it now; what was being said is cut short. */
export function speak(text: string): void {
  const voice = deviceVoice(synthesis()?.getVoices() ?? [])
  if (!voice) return
  const said = new SpeechSynthesisUtterance(text)
  said.voice = voice
  said.lang = voice.lang
  synthesis()?.cancel()
  synthesis()?.speak(said)
}
