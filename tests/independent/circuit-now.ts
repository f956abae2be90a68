import type { Bench } from '@/src/core/bench/bench'
import { landingsOfSwap } from '@/src/core/bench/swaps'
import { type Element, OPEN_OHM } from '@/src/core/circuit/network'
import type { OutputMode } from '@/src/core/operation/state'
import { complex } from '@/src/core/units/complex'
import { assemble, coilImpedance, plugsOf } from '@/src/core/wiring/assembly'
import {
  bodyLink,
  callLink,
  coilElement,
  contactLink,
  inputElement,
  landingLink,
  outputLink,
  passLink,
  plugLink,
  poleLink,
  windingLink,
} from '@/src/core/wiring/links'
import { watchedFor } from '@/src/core/wiring/part'
import { isPoint, type Point, parsePoint } from '@/src/core/wiring/point'
import { firstPart, partById, partsOf, type System } from '@/src/core/wiring/system'
import { templateValues } from '@/src/core/wiring/values'
import type { Trouble } from '@/tests/independent/trouble'

/** Where everything that moves stands. */
export interface Devices {
  readonly alive: ReadonlySet<string>
  readonly guarded: ReadonlySet<string>
  readonly pulledIn: ReadonlySet<string>
  /** Board outputs made, as `board.to`. */
  readonly made: ReadonlySet<string>
  /** Switches that are open at rest and that a motor has made. */
  readonly proved: ReadonlySet<string>
  readonly fuseOpen: boolean
}

const CLIP_OHM = 0.05
const SCREW_OHM = 0.01
const WELD_OHM = 0.01

/** The house's elements as they are wired now: bench, trouble and devices written in. Written apart from the engine's own. */
export function elementsNow(system: System, bench: Bench, trouble: Trouble | null, devices: Devices): Element[] {
  const closed = new Map<string, boolean>()
  const extraOhm = new Map<string, number>()
  const added: Element[] = []
  const join = (a: string, b: string, ohm: number) =>
    added.push({ kind: 'impedance', id: `added ${added.length}`, a, b, ac: complex(ohm), dcOhm: ohm })
  const landingOf = (end: Point): string => {
    const { cable, name, place } = parsePoint(end)
    return landingLink(cable ?? '', name, place)
  }

  if (!bench.power)
    for (const part of partsOf(system, 'disconnect')) for (const pole of part.poles.keys()) closed.set(poleLink(part.id, pole), false)
  for (const end of bench.lifted) closed.set(landingOf(end), false)
  for (const id of bench.unplugged) {
    const part = partById(system, id)
    if (part?.kind === 'transformer') closed.set(windingLink(id, 'secondary'), false)
    if (part) for (let side = 0; side < plugsOf(part); side++) closed.set(plugLink(id, side), false)
  }
  for (const swap of bench.swaps)
    for (const { off, on, terminal } of landingsOfSwap(system, swap)) {
      closed.set(landingOf(off), false)
      join(on, terminal, SCREW_OHM)
    }
  for (const { a, b } of bench.jumpers) join(a, b, CLIP_OHM)
  const fuse = firstPart(system, 'fuse')
  if (bench.slot.open || devices.fuseOpen) closed.set(bodyLink(fuse.id), false)

  const outputs = new Map<string, OutputMode>()
  const dead = new Set<string>()
  const never = new Map<string, readonly string[]>()
  const welded = new Set<string>()
  for (const effect of trouble?.effects ?? []) {
    switch (effect.do) {
      case 'open':
        closed.set(effect.link, false)
        break
      case 'resist':
        extraOhm.set(effect.link, effect.ohm)
        break
      case 'close':
        closed.set(effect.link, true)
        break
      case 'short':
        if (
          !(isPoint(effect.a) && bench.lifted.includes(effect.a)) &&
          !(effect.within !== undefined && bench.unplugged.includes(effect.within))
        )
          join(effect.a, effect.b, effect.ohm)
        break
      case 'weld':
        welded.add(effect.coil)
        break
      case 'output':
        outputs.set(`${effect.board}.${effect.to}`, effect.mode)
        break
      case 'never-closes':
        never.set(effect.thermostat, effect.terminals)
        break
      case 'thermostat-dead':
        dead.add(effect.thermostat)
        break
      case 'stall':
        closed.set(bodyLink(effect.load), false)
        break
      case 'jam':
      case 'no-flame':
      case 'false-code':
      case 'found-blown':
        break
    }
  }

  for (const part of partsOf(system, 'thermostat')) {
    const called = bench.call === 'off' ? [] : (part.calls[bench.call] ?? [])
    const isCaller = partsOf(system, 'thermostat').find(({ calls }) => bench.call !== 'off' && calls[bench.call])?.id === part.id
    const works = devices.alive.has(part.id) && !devices.guarded.has(part.id) && !dead.has(part.id)
    for (const terminal of called)
      if (isCaller && works && !never.get(part.id)?.includes(terminal) && closed.get(callLink(part.id, terminal)) !== false)
        closed.set(callLink(part.id, terminal), true)
  }
  for (const { id, madeBy } of partsOf(system, 'switch'))
    if (madeBy !== undefined && !closed.has(bodyLink(id))) closed.set(bodyLink(id), devices.proved.has(id))
  for (const board of partsOf(system, 'board'))
    for (const { to, style } of board.outputs) {
      const mode = outputs.get(`${board.id}.${to}`) ?? style
      closed.set(passLink(board.id, to), mode === 'passes')
      closed.set(
        outputLink(board.id, to),
        mode === 'on' || ((mode === 'relay' || mode === 'toggles' || mode === 'chatters') && devices.made.has(`${board.id}.${to}`)),
      )
    }
  const sealed = new Map<string, Element>()
  for (const coil of partsOf(system, 'coil')) {
    const isIn = devices.pulledIn.has(coil.id)
    if (coil.contact) {
      closed.set(contactLink(coil.id), isIn || welded.has(coil.id))
      if (welded.has(coil.id)) extraOhm.set(contactLink(coil.id), WELD_OHM)
    }
    if (isIn) {
      const { ac, dcOhm } = coilImpedance(coil, templateValues, true)
      sealed.set(coilElement(coil.id), { kind: 'impedance', id: coilElement(coil.id), a: '', b: '', ac, dcOhm })
    }
  }
  // An unplugged board is not in the circuit.
  const offPlugs = new Set<string>()
  for (const board of partsOf(system, 'board')) {
    if (!bench.unplugged.includes(board.id)) continue
    closed.set(bodyLink(board.id), false)
    for (const { to } of board.outputs) for (const link of [passLink(board.id, to), outputLink(board.id, to)]) closed.set(link, false)
    for (const call of board.outputs.flatMap(watchedFor)) offPlugs.add(inputElement(board.id, call))
  }
  const elements = assemble(system).elements.filter(({ id }) => !offPlugs.has(id))
  const base = elements.map((element): Element => {
    if (element.kind === 'link') {
      const is = closed.get(element.id) ?? element.closed
      return { ...element, closed: is, ohm: is ? element.ohm + (extraOhm.get(element.id) ?? 0) : OPEN_OHM }
    }
    const seal = sealed.get(element.id)
    return seal && element.kind === 'impedance' && seal.kind === 'impedance' ? { ...element, ac: seal.ac } : element
  })
  return [...base, ...added]
}
