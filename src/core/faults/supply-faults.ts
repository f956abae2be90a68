import type { Effect } from '@/src/core/faults/effect'
import type { AddFault } from '@/src/core/faults/fault-list'
import { LOOSE_CLIP_OHM, WEAK_WINDING_OHM } from '@/src/core/faults/rates'
import { capital } from '@/src/core/units/capital'
import { bodyLink, neutralLink, poleLink, tapLink, windingLink } from '@/src/core/wiring/links'
import type { PartOf } from '@/src/core/wiring/part'
import { terminalPoint } from '@/src/core/wiring/point'
import { firstPart, partsOf, type System, sayRightFuse } from '@/src/core/wiring/system'

/** Transformer, bond, line and fuse. */
export function addSupplyFaults(system: System, add: AddFault): void {
  for (const part of partsOf(system, 'transformer')) {
    for (const side of ['primary', 'secondary'] as const)
      add(
        'transformer-dead',
        `${part.id}.${side}`,
        part,
        `${capital(part.name)} is dead: its ${side} winding is open`,
        [`replace:${part.id}`, `Find what burned it out, then replace the ${part.name}`],
        [{ do: 'open', link: windingLink(part.id, side) }],
        part.secondary.map((node) => terminalPoint(node, part.place)),
      )
    add(
      'transformer-weak',
      part.id,
      part,
      `${capital(part.name)} sags under load: its secondary is partly burned`,
      [`replace:${part.id}`, `Find what burned it out, then replace the ${part.name}`],
      [{ do: 'resist', link: windingLink(part.id, 'secondary'), ohm: WEAK_WINDING_OHM }],
      part.secondary.map((node) => terminalPoint(node, part.place)),
    )
  }
  for (const bond of partsOf(system, 'bond'))
    add(
      'bond-missing',
      bond.id,
      bond,
      `The ${bond.name} is missing`,
      [`bond:${bond.id}`, `Restore the ${bond.name}`],
      [{ do: 'open', link: bodyLink(bond.id) }],
      bond.between.map((node) => terminalPoint(node, bond.place)),
    )
  addTaps(system, add)
  addLine(system, add)
  for (const fuse of partsOf(system, 'fuse')) addFuseFaults(system, add, fuse)
}

function addFuseFaults(system: System, add: AddFault, fuse: PartOf<'fuse'>): void {
  if (fuse.holds === 'none') return
  const isFirst = fuse === firstPart(system, 'fuse')
  const isBreaker = fuse.holds === 'breaker'
  add(
    'fuse-clip-loose',
    fuse.id,
    fuse,
    `The ${fuse.name} has a high-resistance connection`,
    [`clip:${fuse.id}`, `Clean and tighten the contacts of the ${fuse.name}, or replace its holder`],
    [{ do: 'resist', link: bodyLink(fuse.id), ohm: LOOSE_CLIP_OHM }],
    fuse.between.map((node) => terminalPoint(node, fuse.place)),
  )
  add(
    'fuse-only',
    fuse.id,
    fuse,
    `The ${isBreaker ? `${fuse.name} tripped` : isFirst ? 'fuse blew' : `${fuse.name} blew`} and what did it is gone`,
    [
      `fuse:${fuse.id}`,
      isBreaker
        ? `Reset the ${fuse.name}, once, and watch it`
        : `Install a ${isFirst ? sayRightFuse(system) : `${fuse.ratingA} A fuse as the ${fuse.name}`}, once, and watch it`,
    ],
    [{ do: 'found-blown' }],
    fuse.between.map((node) => terminalPoint(node, fuse.place)),
  )
}

/** The line on another lead of the primary than the one for its volts. */
function addTaps(system: System, add: AddFault): void {
  for (const part of partsOf(system, 'transformer'))
    for (const { volts } of part.taps ?? [])
      add(
        'wrong-tap',
        `${part.id}.${volts}`,
        part,
        `The line is on the ${volts} V lead of the ${part.name} instead of the ${part.primaryVolts} V lead`,
        [`tap:${part.id}`, `Put the line on the ${part.primaryVolts} V lead of the ${part.name} and cap the others`],
        [
          { do: 'open', link: windingLink(part.id, 'primary') },
          { do: 'close', link: tapLink(part.id, volts) },
        ],
        part.secondary.map((node) => terminalPoint(node, part.place)),
      )
}

/** Line side: off at a disconnect, one leg gone behind it, and a neutral that is open or loose. */
function addLine(system: System, add: AddFault): void {
  for (const part of partsOf(system, 'disconnect')) {
    const restore = `Restore the line voltage at the ${part.name}: breaker, fuses, switch, door switch`
    add(
      'supply-off',
      part.id,
      part,
      `No line voltage past the ${part.name}`,
      [`supply:${part.id}`, restore],
      part.poles.map((_, pole): Effect => ({ do: 'open', link: poleLink(part.id, pole) })),
      [terminalPoint(part.poles[0][1], part.place)],
    )
    if (part.poles.length < 2) continue
    part.poles.forEach(([, after], pole) => {
      add(
        'supply-leg-open',
        `${part.id}.${after}`,
        part,
        `One leg is open at the ${part.name}: ${after}${part.fusedA === undefined ? '' : ', its fuse or its blade'}`,
        [`supply:${part.id}`, restore],
        [{ do: 'open', link: poleLink(part.id, pole) }],
        [terminalPoint(after, part.place)],
      )
    })
  }
  for (const part of partsOf(system, 'supply')) {
    const isUsed = system.parts.some(
      (other) =>
        other.place === part.place &&
        ((other.kind === 'transformer' && other.primary.includes(part.neutral)) ||
          (other.kind === 'load' && other.between.includes(part.neutral))),
    )
    if (!isUsed) continue
    add(
      'neutral-open',
      part.id,
      part,
      `The neutral of the ${part.name} is open or loose`,
      [`neutral:${part.id}`, `Find and remake the neutral connection of the ${part.name}, power off and proved dead`],
      [{ do: 'open', link: neutralLink(part.id) }],
      [terminalPoint(part.neutral, part.place)],
    )
  }
}
