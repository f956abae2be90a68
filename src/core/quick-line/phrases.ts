import type { EntryDraft } from '@/src/core/job/entry'
import type { CommandContext } from '@/src/core/quick-line/reader'
import type { Probe } from '@/src/core/readings/check'
import { SHOWS_CALL, SHOWS_NO_CALL } from '@/src/core/readings/looks'
import { firstPart, partsOf, type System } from '@/src/core/wiring/system'

/** No fuse was fitted in this house, and nobody has put one in. */
const hasNoFuse = (system: System, { bench }: CommandContext['state']): boolean => {
  const fuse = firstPart(system, 'fuse')
  return fuse.kind === 'fuse' && fuse.holds === 'none' && bench.slot.holds === 'as-found'
}

/** Whole sentences as they are spoken, where no rule of the grammar fits: what was found in the slot, what a thermostat does. */
export function readPhrase(said: string, { system, state }: CommandContext): EntryDraft[] | null {
  const text = said.trim().toLowerCase().replace(/\s+/g, ' ').replace(/\.$/, '')
  const thermostats = partsOf(system, 'thermostat')
  const [thermostat] = thermostats
  const look = (at: string, word: string): EntryDraft => ({
    kind: 'reading',
    probe: { meter: 'look', at } satisfies Probe,
    answer: { word },
  })
  if (
    /^((the )?(fuse )?holder( is)?|slot( is)?) empty$|^empty (fuse )?(holder|slot)$|^no fuse( in( it)?| there| here| (in|on) this one)?$|^(the )?fuse( is)? (missing|gone)$/.test(
      text,
    )
  )
    // Where none was ever fitted that is how the house was found, and no open circuit.
    return /^no fuse/.test(text) && hasNoFuse(system, state)
      ? [{ kind: 'note', text: said.trim() }]
      : [{ kind: 'bench', change: { do: 'slot', holds: 'nothing' } }]
  if (/^(the )?fuse (has |is )?(popped|blew|blown|burnt|burned|burst)( out)?$/.test(text)) return [look('fuse', 'blown')]
  const ofThermostat = /^(?:the )?(?:thermostat|stat|t-?stat) (.+)$/.exec(text)
  // With several thermostats nobody knows which one is meant.
  if (!ofThermostat || thermostats.length !== 1 || thermostat.power === 'mechanical') return null
  const [, does] = ofThermostat
  if (/^(keeps )?(reboots|rebooting|restarts|restarting|resets itself|comes and goes|flickers)$/.test(does))
    return [look(thermostat.id, 'chatters')]
  const calls = Object.keys(thermostat.calls) as (keyof typeof thermostat.calls)[]
  const set = (call: (typeof calls)[number] | undefined): EntryDraft[] =>
    call === undefined || state.bench.call === call ? [] : [{ kind: 'bench', change: { do: 'call', call } }]
  const blank = /^(?:goes|went) (?:blank|dark|dead)(?: (?:on|when it calls for|with) (?:the )?([a-z0-9-]+))?$/.exec(does)
  if (blank) {
    const call = calls.find((name) => name === blank[1])
    return blank[1] !== undefined && call === undefined ? null : [...set(call), look(thermostat.id, 'blank')]
  }
  // What it shows that it calls for is called.
  const shown =
    /^(?:shows|says|displays) (?:that )?(?:it (?:is )?(?:calls|calling)|a call|(cool|heat) on)$|^(?:is )?calling$|^is set to call$/.exec(
      does,
    )
  if (shown) {
    const isOn = shown[1] !== undefined && state.bench.call.startsWith(shown[1])
    return [...set(isOn ? undefined : calls.find((name) => name === shown[1])), look(thermostat.id, SHOWS_CALL)]
  }
  // Set to nothing it shows no call, and means nothing by it: what it shows is kept for whoever reads the job.
  if (
    /^(is )?on (and|but) (asks for|calls for|wants) nothing$|^((is )?on (and|but) )?(is )?not (calling|set|set to call)$|^shows no call$|^(is )?(locked|satisfied|in hold|on hold)$/.test(
      does,
    )
  )
    return [look(thermostat.id, state.bench.call === 'off' ? 'alive' : SHOWS_NO_CALL), { kind: 'note', text: said.trim() }]
  if (/^(shows|reads) (the |a )?wrong temperature$/.test(does)) return [look(thermostat.id, 'alive'), { kind: 'note', text: said.trim() }]
  return null
}

/** `Y-C jumps between 3 and 20`, `Y-C 3 to 20 jumping`: the stretch that the needle runs through; null when it is none of these. */
export const asStretch = (line: string): { readonly reading: string; readonly low: number; readonly high: number } | null => {
  const found =
    /^(.+?) (?:is )?(?:jumps|jumping|moves|moving|wanders|wandering|bounces|bouncing|floats|floating|swings|swinging|varies|fluctuates|fluctuating|flickers|flickering|dances|dancing|hunts|hunting|ranges|drifts|drifting|cycles|cycling|pulses|pulsing)(?: around)?(?: between| from)? (\d+(?:\.\d+)?)(?: ?v)? (?:and|to) (\d+(?:\.\d+)?)( ?v)?( at \S+)?$/i.exec(
      line.trim(),
    )
  if (!found) return null
  // A letter alone is read against common.
  const reading = /^[a-z]\w?$/i.test(found[1]) ? `${found[1]}-C` : found[1]
  const [low, high] = [Number(found[2]), Number(found[3])].sort((a, b) => a - b)
  return { reading: `${reading} ${high}${found[4] ?? ''}${found[5] ?? ''}`, low, high }
}
