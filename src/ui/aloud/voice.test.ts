import { deviceVoice } from '@/src/ui/aloud/voice'

const voice = (name: string, lang: string, localService: boolean) => ({ name, lang, localService }) as SpeechSynthesisVoice

describe('the voice that reads aloud', () => {
  it('is one of the device, an English one first, and never one that needs the network', () => {
    expect(deviceVoice([voice('net', 'en-US', false), voice('de', 'de-DE', true), voice('en', 'en-GB', true)])?.name).toBe('en')
    expect(deviceVoice([voice('net', 'en-US', false), voice('de', 'de-DE', true)])?.name).toBe('de')
    expect(deviceVoice([voice('net', 'en-US', false)])).toBeNull()
    expect(deviceVoice([])).toBeNull()
  })
})
