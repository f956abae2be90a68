import type { Random } from '@/src/core/units/random'
import type { Part } from '@/src/core/wiring/part'
import type { System } from '@/src/core/wiring/system'

/**
 * Part values as they are sold and houses as they are built, drawn without regard to what the engine believes. Coils of 24 V valves,
 * relays and contactors are sold from some 8 to some 100 ohm, a factor of two to three around the middle of each kind; hold-up of
 * thermostats from milliseconds to half a minute. All assumptions of this exam, wider than the engine's own.
 */
const spread = (random: Random, sigma: number): number => Math.exp(sigma * Math.max(-2.2, Math.min(2.2, random.normal())))

export function drawParts(template: System, random: Random): System {
  const line = 1 + 0.03 * Math.max(-2, Math.min(2, random.normal()))
  const drawn = (part: Part): Part => {
    switch (part.kind) {
      case 'coil': {
        const ohm = spread(random, 0.42)
        const pull = Math.max(0.8, Math.min(1.12, 1 + 0.08 * random.normal()))
        return {
          ...part,
          dcOhm: part.dcOhm * ohm,
          sealedVa: part.sealedVa * ohm ** -0.6 * spread(random, 0.2),
          inrushRatio: Math.max(1, part.inrushRatio * spread(random, 0.2)),
          pullInVolts: part.pullInVolts * pull,
          dropOutVolts: Math.min(part.pullInVolts * pull * 0.9, part.dropOutVolts * spread(random, 0.25)),
        }
      }
      case 'electronics':
        return { ...part, va: part.va * spread(random, 0.35), dcOhm: part.dcOhm * spread(random, 0.8) }
      case 'board':
        return {
          ...part,
          va: part.va * spread(random, 0.35),
          dcOhm: part.dcOhm * spread(random, 0.8),
          inputOhm: part.inputOhm * spread(random, 0.5),
          aliveAboveVolts: part.aliveAboveVolts * spread(random, 0.07),
          inputAboveVolts: part.inputAboveVolts * spread(random, 0.07),
          outputs: part.outputs.map((output) => ({
            ...output,
            ...(output.minimumOffS === undefined ? {} : { minimumOffS: output.minimumOffS * (0.6 + 0.7 * random.uniform()) }),
          })),
        }
      case 'thermostat':
        return {
          ...part,
          va: part.va * spread(random, 0.4),
          dcOhm: part.dcOhm * spread(random, 0.8),
          aliveAboveVolts: part.aliveAboveVolts * spread(random, 0.07),
          holdUpS: 0.01 * 3000 ** random.uniform(),
        }
      case 'transformer':
        return {
          ...part,
          openVolts: part.openVolts * (1 + 0.03 * Math.max(-2, Math.min(2, random.normal()))),
          seriesOhm: { r: part.seriesOhm.r * spread(random, 0.2), x: part.seriesOhm.x * spread(random, 0.2) },
          primaryDcOhm: part.primaryDcOhm * spread(random, 0.3),
          secondaryDcOhm: part.secondaryDcOhm * spread(random, 0.3),
        }
      case 'supply':
        return { ...part, legs: part.legs.map((leg) => ({ ...leg, volts: leg.volts * line })) }
      case 'load':
        return { ...part, amps: part.amps * spread(random, 0.3) }
      default:
        return part
    }
  }
  return {
    ...template,
    parts: template.parts.map(drawn),
    cables: template.cables.map((cable) => ({ ...cable, lengthM: cable.lengthM * spread(random, 0.35) })),
  }
}

/** One house of four is wired otherwise than its template: a bond less or more, a board of the other kind. */
export function wireOtherwise(system: System, random: Random): { system: System; how: string | null } {
  if (random.uniform() > 0.25) return { system, how: null }
  const boards = system.parts.filter((part) => part.kind === 'board')
  const bonds = system.parts.filter((part) => part.kind === 'bond')
  const ways: (() => { system: System; how: string })[] = []
  if (bonds.length > 0)
    ways.push(() => ({ system: { ...system, parts: system.parts.filter((part) => part.kind !== 'bond') }, how: 'no bond' }))
  for (const board of boards)
    ways.push(() => ({
      how: `${board.id} of the other kind`,
      system: {
        ...system,
        parts: system.parts.map((part) =>
          part === board && part.kind === 'board'
            ? {
                ...part,
                outputs: part.outputs.map((output) =>
                  output.also || output.from !== undefined
                    ? output
                    : { ...output, style: output.style === 'passes' ? ('relay' as const) : ('passes' as const) },
                ),
              }
            : part,
        ),
      },
    }))
  return ways.length === 0 ? { system, how: null } : random.pick(ways)()
}
