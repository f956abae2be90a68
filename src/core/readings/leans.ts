import type { Perturbation } from '@/src/core/circuit/perturbation'
import { isPulledIn, type StateBits } from '@/src/core/operation/state'
import { causeIndex, loadSpread, SPREADS } from '@/src/core/readings/causes'
import type { Laboratory } from '@/src/core/readings/laboratory'
import type { Lean } from '@/src/core/readings/prediction'
import { Memo } from '@/src/core/units/cache'
import { type Complex, reciprocal } from '@/src/core/units/complex'
import { modelValue } from '@/src/core/units/model-value'
import { coilImpedance } from '@/src/core/wiring/assembly'
import {
  coilElement,
  conductorMiddle,
  electronicsElement,
  inputElement,
  loadElement,
  nearHalf,
  windingLink,
  windingNode,
} from '@/src/core/wiring/links'
import { watchedFor } from '@/src/core/wiring/part'
import { conductorEnd, pinPoint } from '@/src/core/wiring/point'
import { partsOf } from '@/src/core/wiring/system'

/** How a reading leans on the causes: what each element that hangs on one does to it. */

/** One element whose value hangs on a cause: what a unit of the cause does to its admittance, as a share of it. */
interface Hangs {
  readonly cause: number
  readonly share: number
}
interface Leaning {
  readonly p: number
  readonly q: number
  readonly atRest: Complex | null
  /** Of a coil whose armature is in; null where there is none. */
  readonly sealed: Complex | null
  readonly relay: number
  readonly dc: number
  readonly live: readonly Hangs[]
  readonly ohms: readonly Hangs[]
}

/** Every element of a laboratory's network whose value is not known of the house. */
const leaningsOf = new Memo((laboratory: Laboratory): readonly Leaning[] => {
  const { system, network, machine, factors } = laboratory
  const index = causeIndex.of(system)
  const of = (id: string) => index.get(id) ?? 0
  const leanings: Leaning[] = []
  // What only an ohmmeter finds: with the power on nothing hangs on it.
  const readCold = (a: string, b: string, ohm: number, cause: string, spread: number): Leaning => ({
    p: network.nodeIndex(a),
    q: network.nodeIndex(b),
    atRest: null,
    sealed: null,
    relay: -1,
    dc: 1 / ohm,
    live: [],
    ohms: [{ cause: of(cause), share: -spread }],
  })
  machine.relays.forEach(({ part }, relay) => {
    const [ohm, draw] = [of(`ohms:${part.id}`), of(`draw:${part.id}`)]
    const { ac, dcOhm } = network.impedance(coilElement(part.id))
    leanings.push({
      p: network.nodeIndex(windingNode(part.id)),
      q: network.nodeIndex(pinPoint(part, 1)),
      atRest: ac && reciprocal(ac),
      sealed: reciprocal(coilImpedance(part, factors, true).ac),
      relay,
      dc: 1 / dcOhm,
      live: [
        { cause: ohm, share: -SPREADS.coilOhm * SPREADS.impedanceByOhm },
        { cause: draw, share: -SPREADS.coilImpedance },
      ],
      ohms: [{ cause: ohm, share: -SPREADS.coilOhm }],
    })
  })
  for (const part of [...partsOf(system, 'electronics'), ...partsOf(system, 'board'), ...partsOf(system, 'thermostat')]) {
    const element = network.elements.find(({ id }) => id === electronicsElement(part.id))
    if (element?.kind !== 'impedance') continue
    leanings.push({
      p: network.nodeIndex(element.a),
      q: network.nodeIndex(element.b),
      atRest: element.ac && reciprocal(element.ac),
      sealed: null,
      relay: -1,
      dc: 1 / element.dcOhm,
      live: [{ cause: of(`draw:${part.id}`), share: SPREADS.electronicsVa }],
      ohms: [{ cause: of(`electronics:${part.id}`), share: -SPREADS.electronicsDc }],
    })
  }
  const boards = new Map(
    partsOf(system, 'board').flatMap((board) =>
      board.outputs.flatMap((output) => watchedFor(output).map((call) => [inputElement(board.id, call), board] as const)),
    ),
  )
  for (const element of network.elements) {
    const board = element.kind === 'impedance' ? boards.get(element.id) : undefined
    if (element.kind !== 'impedance' || !board) continue
    const input = [{ cause: of(`input:${board.id}`), share: -SPREADS.boardInput }]
    leanings.push({
      p: network.nodeIndex(element.a),
      q: network.nodeIndex(element.b),
      atRest: element.ac && reciprocal(element.ac),
      sealed: null,
      relay: -1,
      dc: 1 / element.dcOhm,
      live: input,
      ohms: input,
    })
  }
  for (const part of partsOf(system, 'transformer')) {
    const { r, x } = part.seriesOhm
    // In series with its winding's link, whose current is an unknown of its own: more ohms there are less of an admittance.
    leanings.push({
      p: network.linkRow(windingLink(part.id, 'secondary')),
      q: -1,
      atRest: { re: -r * factors.transformerOhm, im: -x * factors.transformerOhm },
      sealed: null,
      relay: -1,
      dc: -part.secondaryDcOhm,
      live: [{ cause: of(`stiffness:${part.id}`), share: SPREADS.stiffness }],
      ohms: [{ cause: of(`ohms:${part.id}`), share: SPREADS.windingOhm }],
    })
  }
  for (const element of network.elements) {
    if (element.kind !== 'transformer') continue
    const part = partsOf(system, 'transformer').find(
      ({ id }) => element.id === `transformer:${id}` || element.id.startsWith(`transformer:${id}.`),
    )
    if (!part) continue
    // Its volts come from the turns; only an ohmmeter reads the wire.
    leanings.push(readCold(element.p1, element.p2, element.primaryDcOhm, `primary:${part.id}`, SPREADS.primaryOhm))
  }
  for (const part of partsOf(system, 'load')) {
    const { a, b, dcOhm } = network.impedance(loadElement(part.id))
    leanings.push(readCold(a, b, dcOhm, `ohms:${part.id}`, loadSpread(part)))
  }
  for (const cable of system.cables)
    for (const conductor of cable.conductors) {
      const { dcOhm } = network.impedance(nearHalf(cable.id, conductor.id))
      // The other half carries the same as far as anybody knows where the damage is: this one stands for both.
      const length = [{ cause: of(`length:${cable.id}`), share: -2 * SPREADS.length }]
      leanings.push({
        p: network.nodeIndex(conductorEnd(cable.id, conductor.id, cable.between[0])),
        q: network.nodeIndex(conductorMiddle(cable.id, conductor.id)),
        atRest: { re: 1 / dcOhm, im: 0 },
        sealed: null,
        relay: -1,
        dc: 1 / dcOhm,
        live: length,
        ohms: length,
      })
    }
  return leanings
})

/** Leans smaller than this share of a reading's own width are left out. */
const LEAST_LEAN = modelValue({ value: 0.15, unit: "share of a reading's width", source: 'assumption' })

const sums = new Float64Array(512)
const touched: number[] = []

function gather(sigma: number): Lean[] {
  const leans: Lean[] = []
  for (const cause of touched) {
    if (Math.abs(sums[cause]) > LEAST_LEAN * sigma) leans.push({ cause, by: sums[cause] })
    sums[cause] = 0
  }
  touched.length = 0
  return leans
}

function add(hangs: readonly Hangs[], change: number): void {
  for (const { cause, share } of hangs) {
    if (sums[cause] === 0) touched.push(cause)
    sums[cause] += share * change
  }
}

/**
 * How volts lean on the causes, per unit of each, in the state that the kernel is set to, whose `source` between the points was asked
 * last: the derivative by adjoint, -(transfer x volts across the element) x its admittance, along the phasor that is read.
 *
 * @param volts the open-circuit phasor that was found, @param read what the meter shows of it
 */
export function leansOfVolts(
  laboratory: Laboratory,
  kernel: Perturbation,
  state: StateBits,
  volts: Complex,
  read: number,
  sigma: number,
): Lean[] {
  const { system } = laboratory
  const size = Math.hypot(volts.re, volts.im)
  if (size < 1e-6 || read < 1e-6) return []
  const times = read / size
  const index = causeIndex.of(system)
  for (const { p, q, atRest, sealed, relay, live } of leaningsOf.of(laboratory)) {
    const y = sealed && isPulledIn(state, relay) ? sealed : atRest
    if (!y) continue
    kernel.transfer(p, q)
    const { re, im, vRe, vIm } = kernel
    // d = -(transfer x volts across) x y, for a unit share of the admittance.
    const cRe = re * vRe - im * vIm
    const cIm = re * vIm + im * vRe
    const dRe = -(cRe * y.re - cIm * y.im)
    const dIm = -(cRe * y.im + cIm * y.re)
    const change = (times * (dRe * volts.re + dIm * volts.im)) / size
    if (Math.abs(change) > 0.02 * sigma) add(live, change)
  }
  add([{ cause: index.get('line') ?? 0, share: SPREADS.line }], read)
  for (const { row, cause, openVolts } of windingsOf.of(laboratory)) {
    // A volt more behind a winding is a volt in its row: each transformer moves what it feeds. Which way its volts are counted is its own
    // for all readings, and the cause may go either way.
    kernel.transfer(row, -1)
    const change = (times * openVolts * (kernel.re * volts.re + kernel.im * volts.im)) / size
    add([{ cause, share: SPREADS.winding }], change)
  }
  return gather(sigma)
}

/** Each transformer's secondary as a row of the network, and its open volts. */
const windingsOf = new Memo(({ system, network, factors }: Laboratory) =>
  partsOf(system, 'transformer').map(({ id, openVolts }) => ({
    row: network.linkRow(windingLink(id, 'secondary')),
    cause: causeIndex.of(system).get(`winding:${id}`) ?? 0,
    openVolts: openVolts * factors.emf,
  })),
)

/** How the ohms between two points, whose impedance was asked last, lean on the causes, on the scale of ohms. */
export function leansOfOhms(laboratory: Laboratory, kernel: Perturbation, offsetOhm: number, sigma: number): Lean[] {
  for (const { p, q, dc, ohms } of leaningsOf.of(laboratory)) {
    kernel.transfer(p, q)
    // dZ = -transfer² dY, and the scale is ln(Z + offset).
    const change = (-kernel.re * kernel.re * dc) / offsetOhm
    if (Math.abs(change) > 0.02 * sigma) add(ohms, change)
  }
  return gather(sigma)
}
