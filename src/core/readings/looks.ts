import type { Bench } from '@/src/core/bench/bench'
import { faultFamilies } from '@/src/core/faults/families'
import { singlesOf } from '@/src/core/faults/fault'
import { setInState } from '@/src/core/operation/in-state'
import { isAlive, isBurning, isGuarded, isPulledIn } from '@/src/core/operation/state'
import { capacitorLooks, capacitorWords, HUMMING } from '@/src/core/readings/capacitor-looks'
import { CODE, codeFor, codeLooks } from '@/src/core/readings/code-looks'
import { contactLooks, contactWords } from '@/src/core/readings/contact-looks'
import { flameWord, flameWords, signalWords } from '@/src/core/readings/flame-looks'
import type { Hypothesis } from '@/src/core/readings/hypothesis'
import type { Laboratory } from '@/src/core/readings/laboratory'
import { LANDED, landedEnds, landingLooks, stripFindings, swappedWords, wordsOfEnd } from '@/src/core/readings/landing-looks'
import { parseLook } from '@/src/core/readings/look-target'
import type { Component } from '@/src/core/readings/prediction'
import { switchLooks, wordsOfSwitch } from '@/src/core/readings/switch-looks'
import type { World, Worlds } from '@/src/core/readings/world'
import { modelValue } from '@/src/core/units/model-value'
import { capacitorOf } from '@/src/core/wiring/fed-by'
import type { PartOf } from '@/src/core/wiring/part'
import { pinPoint } from '@/src/core/wiring/point'
import { cableById, callerOf, firstPart, partById, partsOf, type System } from '@/src/core/wiring/system'
import { switchedTerminals } from '@/src/core/wiring/thermostat'

/** What the eye and the ear find: a fuse, landings, relays, loads, lights, and marks along the wiring. */

/** Marks that point to an outside cause. */
export const marks = ['rubbed', 'chewed', 'stapled', 'scorched'] as const

/** Damage to wiring has left a mark that is seen. */
const MARK_ON_DAMAGE = modelValue({ value: 0.6, unit: 'chance', source: 'assumption' })
/** A sound stretch bears a mark. */
const MARK_ANYWAY = modelValue({ value: 0.06, unit: 'chance', source: 'assumption' })

/** Of marks on damaged wiring, those that show which conductor it is. */
const BARE_ON_DAMAGE = modelValue({ value: 0.3, unit: 'share', source: 'assumption' })
/** Copper shows on a conductor with nothing wrong. */
const BARE_ANYWAY = modelValue({ value: 0.0005, unit: 'chance', source: 'assumption' })

/** Something in the wiring of a unit that its diagram does not have: a relay, a timer, a humidifier's lead. */
export const ADDED = 'accessory'
/** It is seen by who looks the wiring over. */
const SEES_ADDED = modelValue({ value: 0.8, unit: 'chance', source: 'assumption' })
/** Such a thing is seen, and does no harm. */
const ADDED_ANYWAY = modelValue({ value: 0.02, unit: 'chance', source: 'assumption' })

/** The word for copper that shows on one conductor of a cable. */
export const bareWord = (conductor: string): string => `bare: ${conductor}`

const hasCoils = (system: System, zone: string): boolean => partsOf(system, 'coil').some(({ place }) => place === zone)

function wiringLooks(system: System, { fault }: Hypothesis, zone: string, weight: number): Component[] {
  const damages = fault === null ? [] : singlesOf(fault).filter((one) => one.zone === zone && faultFamilies[one.family].leavesMark)
  const marked = damages.length > 0 ? MARK_ON_DAMAGE : MARK_ANYWAY
  const word = (text: string, share: number): Component => ({ weight: weight * share, at: { word: text }, sigma: 1, floating: false })
  const conductors = cableById(system, zone)?.conductors ?? []
  const hurt = conductors.filter(({ id }) => damages.some(({ touches }) => touches.some((point) => point.startsWith(`${zone}.${id}@`))))
  const bare = conductors.map((one) => ({ one, share: hurt.includes(one) ? (marked * BARE_ON_DAMAGE) / hurt.length : BARE_ANYWAY }))
  const isIn = fault !== null && singlesOf(fault).some((one) => one.zone === zone && faultFamilies[one.family].isAdded)
  const added = !hasCoils(system, zone) ? 0 : isIn ? SEES_ADDED : ADDED_ANYWAY
  const left = bare.reduce((sum, { share }) => sum - share, 1 - added)
  const unnamed = hurt.length > 0 ? marked * (1 - BARE_ON_DAMAGE) : marked
  return [
    word('sound', left - unnamed),
    ...marks.map((mark) => word(mark, unnamed / marks.length)),
    ...(added > 0 ? [word(ADDED, added)] : []),
    ...bare.map(({ one, share }) => word(bareWord(one.id), share)),
  ]
}

/** Words that can answer a look. */
export function wordsOfLook(system: System, at: string): string[] {
  const { what, of } = parseLook(at)
  if (at === 'fuse') return ['good', 'blown']
  if (what === 'landings')
    return [LANDED, ...landedEnds(system, of).flatMap((end) => wordsOfEnd(system, end)), ...swappedWords(system, of), ...stripFindings]
  if (what === 'wiring') {
    const cable = cableById(system, of)
    return ['sound', ...marks, ...(hasCoils(system, of) ? [ADDED] : []), ...(cable?.conductors ?? []).map(({ id }) => bareWord(id))]
  }
  if (what === 'runs') return ['as called', 'not as called']
  if (what === 'flame') return [...flameWords]
  if (what === 'signal') return [...signalWords]
  if (what === 'contacts') return [...contactWords]
  const capacitor = what === 'capacitor' ? partById(system, of) : undefined
  if (capacitor?.kind === 'capacitor') return capacitorWords(capacitor)
  const part = partById(system, at)
  switch (part?.kind) {
    case 'load':
      return ['runs', 'still', ...(capacitorOf(system, part.id) ? [HUMMING] : [])]
    case 'fuse':
      return ['good', 'blown']
    case 'board':
      return ['steady', 'flashes', 'dark']
    case 'thermostat':
      return [
        'alive',
        'blank',
        'chatters',
        ...(part.power === 'mechanical' ? [] : ['waits', SHOWS_CALL, SHOWS_NO_CALL]),
        ...(part.power === 'mechanical' ? [] : [CODE, ...switchedTerminals(part).map(codeFor)]),
      ]
    case 'coil':
      return [...wordsOfCoil(part.role), 'chatters']
    case 'switch':
      return [...wordsOfSwitch(part)]
    case 'transformer':
    case 'strap':
    case 'bond':
    case 'electronics':
    case 'disconnect':
    case 'supply':
    case 'capacitor':
    case undefined:
      return []
  }
}

/** What a display says of the call that it was set to make; and how often whoever looks tells so much and not just that it lives. */
export const SHOWS_CALL = 'shows a call'
export const SHOWS_NO_CALL = 'shows no call'
/** A display that is looked at tells whether its thermostat calls. */
const TELLS_OF_CALL = modelValue({ value: 0.7, unit: 'chance', source: 'assumption' })

/** A thermostat that lives, while it is set to call: by what it shows, one that was never set so is told from one that does not close. */
function callLooks({ system }: Laboratory, at: string, { call }: Bench, { fault }: Hypothesis, weight: number): Component[] {
  const part = partById(system, at)
  const word = (said: string, share: number): Component => ({ weight: weight * share, at: { word: said }, sigma: 1, floating: false })
  if (part?.kind !== 'thermostat' || part.power === 'mechanical' || call === 'off' || callerOf(system, call).id !== at)
    return [word('alive', 1)]
  const isNotSet = fault !== null && singlesOf(fault).some(({ family, part }) => family === 'thermostat-not-called' && part === at)
  return [word(isNotSet ? SHOWS_NO_CALL : SHOWS_CALL, TELLS_OF_CALL), word('alive', 1 - TELLS_OF_CALL)]
}

/** How an armature is told that is in, and one that is out; a damper's blade is driven shut. */
export const wordsOfCoil = (role: PartOf<'coil'>['role']): [string, string] => (role === 'damper' ? ['shut', 'open'] : ['in', 'out'])

/** What the eye finds in one world; a load is told by `runs`, state by state. */
export function look(laboratory: Laboratory, at: string, bench: Bench, hypothesis: Hypothesis, worlds: Worlds, world: World): Component[] {
  const { what, of } = parseLook(at)
  const part = partById(laboratory.system, at)
  if (part?.kind === 'load' || what === 'runs') return []
  if (part?.kind === 'switch') return switchLooks(part, hypothesis.effects, world.weight)
  const contactor = what === 'contacts' ? partById(laboratory.system, of) : undefined
  if (contactor?.kind === 'coil') return contactLooks(contactor, hypothesis.effects, world.weight)
  const capacitor = what === 'capacitor' ? partById(laboratory.system, of) : undefined
  if (capacitor?.kind === 'capacitor') return capacitorLooks(capacitor, hypothesis.effects, world.weight)
  if (what === 'wiring') return wiringLooks(laboratory.system, hypothesis, of, world.weight)
  if (what === 'landings') return landingLooks(laboratory.system, of, bench, hypothesis, world.weight)
  const word = lookWord(laboratory, at, bench, hypothesis, worlds, world)
  if (word === CODE) return codeLooks(laboratory, at, worlds, world)
  if (word === 'alive') return callLooks(laboratory, at, bench, hypothesis, world.weight)
  if (word === 'chatters' && part?.kind === 'thermostat')
    return [
      { weight: world.weight * (1 - SEEN_UP), at: { word }, sigma: 1, floating: false },
      { weight: world.weight * SEEN_UP, at: { word: 'alive' }, sigma: 1, floating: false },
    ]
  if (word === 'steady' && part?.kind === 'board')
    return [
      { weight: world.weight * (1 - BLINKS_ANYWAY), at: { word }, sigma: 1, floating: false },
      { weight: world.weight * BLINKS_ANYWAY, at: { word: 'flashes' }, sigma: 1, floating: false },
    ]
  const hums = part?.kind === 'coil' && word !== 'chatters' && humsInPlace(laboratory, part, hypothesis, worlds, world) ? HUMS : 0
  return [
    { weight: world.weight * (1 - hums), at: { word }, sigma: 1, floating: false },
    ...(hums > 0 ? [{ weight: world.weight * hums, at: { word: 'chatters' }, sigma: 1, floating: false }] : []),
  ]
}

/** Boards that blink to say that they live, or show a code of something long past. */
const BLINKS_ANYWAY = modelValue({ value: 0.15, unit: 'share of looks', source: 'assumption' })
/** An armature that is driven and cannot seat hums: some tell how it lies, some what they hear. */
const HUMS = modelValue({ value: 0.35, unit: 'share of looks', source: 'assumption' })
/** From here on its coil makes a sound. */
const HUMS_FROM_VOLTS = modelValue({ value: 6, unit: 'V', source: 'assumption: a quarter of the plate' })
/** A blade that a motor drives, a valve in its gas, a bimetal: none of these hums in place. */
const SILENT: ReadonlySet<PartOf<'coil'>['role']> = new Set(['damper', 'gas-valve', 'sequencer'])

/** A coil with volts, whose armature is jammed, or whose turns are shorted. */
function humsInPlace(laboratory: Laboratory, part: PartOf<'coil'>, { effects }: Hypothesis, worlds: Worlds, world: World): boolean {
  const [one, other] = [pinPoint(part, 0), pinPoint(part, 1)]
  const isHindered = effects.some(
    (effect) => (effect.do === 'jam' && effect.coil === part.id) || (effect.do === 'short' && effect.a === one && effect.b === other),
  )
  if (!isHindered || SILENT.has(part.role)) return false
  const { kernel, machine, network } = laboratory
  const solved = setInState(kernel, machine, worlds.base, world.fixed, worlds.constraints, world.settled.members[0])
  return solved.kernel.difference(network.nodeIndex(one), network.nodeIndex(other)) >= HUMS_FROM_VOLTS
}

/** A thermostat that dies and comes back under a short is looked at while it is up, or its display outlasts the dips. */
const SEEN_UP = modelValue({ value: 0.25, unit: 'share of looks', source: 'assumption' })

const isFoundFuseOut = (system: System, bench: Bench): boolean =>
  firstPart(system, 'fuse').holds === undefined && (bench.slot.holds === 'breaker' || bench.slot.holds === 'nothing')

function lookWord(laboratory: Laboratory, at: string, bench: Bench, hypothesis: Hypothesis, worlds: Worlds, world: World): string {
  // A found fuse that was taken out for the breaker can still be looked at, in the hand.
  if (at === 'fuse')
    return (isFoundFuseOut(laboratory.system, bench) ? hypothesis.foundFuse === 'blown' : world.protection === 'open') ? 'blown' : 'good'
  if (partById(laboratory.system, at)?.kind === 'fuse') return world.opened?.includes(at) ? 'blown' : 'good'
  const { members } = world.settled
  const watched = parseLook(at)
  const ignition = laboratory.machine.ignitions.find(({ part }) => part.id === watched.of && watched.what !== 'part')
  if (ignition && watched.what === 'signal') return members.every((state) => isBurning(state, ignition)) ? 'good' : 'low'
  // A valve that comes and goes lights what it feeds, and lets it go.
  if (ignition && members.length > 1 && members.some((state) => isPulledIn(state, ignition.valve))) return 'lights and goes out'
  if (ignition) {
    const { kernel, machine } = laboratory
    const solved = setInState(kernel, machine, worlds.base, world.fixed, worlds.constraints, members[0])
    return flameWord(ignition, solved, members[0])
  }
  const waits =
    hypothesis.fault !== null && singlesOf(hypothesis.fault).some(({ family, part }) => family === 'delay-running' && part === at)
  const board = laboratory.machine.outputs.find(({ part }) => part.id === at)
  if (board) {
    const { kernel, machine } = laboratory
    const isLit = (state: number) => {
      const solved = setInState(kernel, machine, worlds.base, world.fixed, worlds.constraints, state)
      return solved.kernel.difference(board.hot, board.common) >= board.part.aliveAboveVolts
    }
    const lit = members.filter(isLit).length
    if (lit === 0) return 'dark'
    // While the machine chatters the light comes and goes with it.
    const isHeld = world.waiting?.includes(at) ?? false
    return lit < members.length || isHeld || (waits && bench.call !== 'off') ? 'flashes' : 'steady'
  }
  const thermostat = laboratory.machine.thermostats.find(({ part }) => part.id === at)
  if (waits && members.every((state) => isAlive(state, thermostat)) && bench.call !== 'off') return 'waits'
  if (thermostat && members.every((state) => isGuarded(state, thermostat))) return CODE
  if (hypothesis.effects.some((effect) => effect.do === 'weld' && effect.coil === at)) return 'in'
  const relay = laboratory.machine.relays.findIndex((model) => model.part.id === at)
  const isOn = (state: number) => (relay < 0 ? isAlive(state, thermostat) : isPulledIn(state, relay))
  const [on, off] = relay < 0 ? ['alive', 'blank'] : wordsOfCoil(laboratory.machine.relays[relay].part.role)
  const states = new Set(members.map(isOn))
  if (states.size > 1) return 'chatters'
  return states.has(true) ? on : off
}
