import type { Change, Factored } from '@/src/core/circuit/factored'
import type { Perturbation } from '@/src/core/circuit/perturbation'
import type { Machine } from '@/src/core/operation/machine'
import { type Constraints, isAlive, isGuarded, isMade, isPulledIn, type StateBits } from '@/src/core/operation/state'
import { LruCache, Memo } from '@/src/core/units/cache'
import { workLimit } from '@/src/core/units/work-limit'

/** What moves in a state, against a machine with every contact and armature at rest. */
export function movesOf(machine: Machine, { caller, closing, welded }: Constraints, state: StateBits): Change[] {
  const moves: Change[] = []
  const calling = machine.thermostats[caller]
  if (isAlive(state, calling) && !isGuarded(state, calling)) {
    for (const terminal of closing) {
      const contact = calling.contacts.get(terminal)
      if (contact) moves.push(contact)
    }
  }
  machine.outputs.forEach((output, index) => {
    if (isMade(machine, state, index)) moves.push(output.closes)
  })
  for (const { bit, closes } of machine.proving) if ((state >> bit) & 1) moves.push(closes)
  machine.relays.forEach((relay, index) => {
    if (!isPulledIn(state, index)) return
    moves.push(relay.sealed)
    if (relay.contact && !welded.includes(relay.part.id)) moves.push(relay.contact)
  })
  return moves
}

/** A base with the machine's moves in one state: taken in once it has been asked often, for that costs a hundred hypotheses' work. */
interface Moved {
  asked: number
  taken: Factored | null
}
const OFTEN = workLimit(100)
/** Benches whose states are kept: what is asked is asked bench by bench. */
const KEPT_BENCHES = workLimit(6)
const movedOf = new Memo((_: Machine) => new LruCache<Factored, Map<string, Moved>>(KEPT_BENCHES))

/** What a kernel was set to last, if nobody else has set it since. */
interface Held {
  sets: number
  base: Factored | null
  fixed: readonly Change[] | null
  constraints: Constraints | null
  state: StateBits
}
const heldBy = new Memo((_: Perturbation): Held => ({ sets: 0, base: null, fixed: null, constraints: null, state: 0 }))

/**
 * A network solved with its machine in one state. The kernel holds one at a time: reading this one after the next was set is a mistake
 * that throws, in place of volts of another state.
 */
export class SolvedState {
  private readonly set: number

  constructor(private readonly solvedBy: Perturbation) {
    this.set = solvedBy.sets
  }

  get kernel(): Perturbation {
    if (this.solvedBy.sets !== this.set) throw new Error('This state is gone: the kernel was set to another one since.')
    return this.solvedBy
  }
}

/**
 * Sets the kernel to a machine in a state, with what a fault changes beside it. Whoever read the state that the machine settled
 * in finds it in place; changes and constraints are told by their identity, and must not be altered.
 */
export function setInState(
  kernel: Perturbation,
  machine: Machine,
  base: Factored,
  fixed: readonly Change[],
  constraints: Constraints,
  state: StateBits,
): SolvedState {
  const held = heldBy.of(kernel)
  const isHeld = held.sets === kernel.sets && held.base === base && held.fixed === fixed && held.constraints === constraints
  if (isHeld && held.state === state) return new SolvedState(kernel)
  const taken = state === 0 ? base : withMovesTaken(kernel, machine, base, constraints, state)
  kernel.set(taken ?? base, taken ? fixed : [...fixed, ...movesOf(machine, constraints, state)])
  held.sets = kernel.sets
  held.base = base
  held.fixed = fixed
  held.constraints = constraints
  held.state = state
  return new SolvedState(kernel)
}

/**
 * Hypotheses of one bench pass through few states: the moves of those are taken into the base, and a hypothesis is left with its own few
 * changes. Null while a state has not been asked often.
 */
function withMovesTaken(
  kernel: Perturbation,
  machine: Machine,
  base: Factored,
  constraints: Constraints,
  state: StateBits,
): Factored | null {
  const states = movedOf.of(machine).get(base, () => new Map())
  const key = `${constraints.moves} ${state}`
  const moved = states.get(key) ?? { asked: 0, taken: null }
  states.set(key, moved)
  moved.asked++
  if (moved.asked > OFTEN) moved.taken ??= kernel.set(base, movesOf(machine, constraints, state)).absorb()
  return moved.taken
}
