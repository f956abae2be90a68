import { isResettable } from '@/src/core/bench/apply'
import type { Bench } from '@/src/core/bench/bench'
import { sayJumpers } from '@/src/core/bench/say-jumpers'
import type { Engine } from '@/src/core/diagnosis/engine'
import type { Probe } from '@/src/core/readings/check'
import { FLAME_SIGNAL_FROM } from '@/src/core/readings/flame-looks'
import type { Hypothesis } from '@/src/core/readings/hypothesis'
import { parseLook } from '@/src/core/readings/look-target'
import { isLinePoint } from '@/src/core/readings/predict'
import { sayProbe } from '@/src/core/readings/say'
import { workingAt } from '@/src/core/readings/working'
import { sayCall } from '@/src/core/wiring/call'
import { CHASSIS, parsePoint } from '@/src/core/wiring/point'
import { houseCommon, houseHot } from '@/src/core/wiring/supply'
import { firstPart, isUnknown, partById, placeById, type System, zoneName } from '@/src/core/wiring/system'

/** A check as a technician would say it, why it is safe to trust, and the caution where the hand is about to go. */
export function sayCheck(system: System, probe: Probe, bench: Bench): { say: string; why: string; caution: string | null } {
  const pulled = bench.jumpers.length > 0 ? ` with ${sayJumpers(system, bench.jumpers)} joined` : ''
  const call = bench.call === 'off' ? 'nothing called' : `the thermostat calling for ${sayCall[bench.call]}`
  switch (probe.meter) {
    case 'volts': {
      const isLine = [probe.a, probe.b].some((point) => isLinePoint(system, point))
      return {
        say: `Volts, ${sayProbe(system, probe)}`,
        why: `Power on, ${call}${pulled}.${isLine ? '' : sayToMetal(system, probe)}`,
        caution: isLine ? 'Line voltage is live here. Prove the meter on a live source first; local codes and your license decide.' : null,
      }
    }
    case 'ohms':
      return {
        say: `Ohm ${sayProbe(system, probe)}`,
        why:
          bench.lifted.length + bench.unplugged.length > 0
            ? 'Power off. What is lifted or unplugged is isolated, so nothing reads through there.'
            : 'Power off. Touch the leads first; coils and boards read through.',
        caution:
          'Prove it dead first: a live source, here, the live source again. Line voltage stays live on the line side of a pulled disconnect.',
      }
    case 'amps':
      return {
        say: `Clamp ${sayProbe(system, probe)}`,
        why: `Power on, ${call}${pulled}. ${probe.hold ? 'Set the clamp to max hold before you make the call.' : 'Wait until it is steady.'}`,
        caution: null,
      }
    case 'trip':
      return {
        say:
          bench.call === 'off' && bench.jumpers.length === 0
            ? 'Power on, nothing called: does it trip?'
            : `Power on, ${pulled ? pulled.trim() : call}: does it trip?`,
        why: isResettable(system, bench)
          ? 'The breaker is in the slot: a trip costs no fuse. Watch for a minute.'
          : 'A fuse is in the slot: a trip spends it. Watch for a minute.',
        caution: 'Keep clear of fans and moving parts when a call comes on.',
      }
    case 'look':
      return sayLook(system, probe.at, bench)
  }
}

/** What the metal tells of a circuit that runs as it should. */
function sayToMetal(system: System, { a, b }: Extract<Probe, { meter: 'volts' }>): string {
  const names = [a, b].map((point) => parsePoint(point).name)
  if (!names.includes(CHASSIS)) return ''
  if (names.includes(houseHot(system)))
    return ' Full volts: the common is bonded, and no wire that is live now touches metal. None: no bond, or a hot wire on the metal.'
  return names.includes(houseCommon(system)) ? ' Near 24 V here: a hot wire touches the metal.' : ''
}

const GAS = 'Gas: a smell of it ends the test; shut the cock and air the room.'

function sayLook(system: System, at: string, bench: Bench): { say: string; why: string; caution: string | null } {
  const { what, of } = parseLook(at)
  if (what === 'landings')
    return {
      say: `Look over the landings at the ${placeById(system, of)?.name}: is any wire off, any screw green or wet?`,
      why: 'Tug each wire gently.',
      caution: null,
    }
  if (what === 'wiring')
    return {
      say: `Look along the wiring: ${zoneName(system, of)}. Rubbed, chewed, stapled, scorched, bare copper?${placeById(system, of) ? ' Anything wired in that is not on the diagram?' : ''}`,
      why: 'Check hot pipes, sharp edges, ties, and where the jacket was stripped first.',
      caution: null,
    }
  if (what === 'runs') {
    const parts = workingAt(system, of).map(({ name }) => name)
    const called = bench.call === 'off' ? 'nothing called' : `calling for ${sayCall[bench.call]}`
    // The fan is the indoor unit's, on every call for it alone.
    const isAtRest =
      bench.jumpers.length === 0 && (bench.call === 'off' || (/^fan/.test(bench.call) && placeById(system, of)?.kind === 'outdoor'))
    return {
      say: `See what runs at the ${placeById(system, of)?.name}: ${parts.join(', ')}. Is all of it doing what was called?`,
      why: `Power on, ${called}${bench.jumpers.length > 0 ? ', jumper in' : ''}. ${isAtRest ? 'Nothing here should run.' : 'Wait out the delays.'}`,
      caution: 'Keep clear of fans and moving parts.',
    }
  }
  if (what === 'flame')
    return {
      say: 'Watch the burners from the call on: does the igniter glow, is there flame, does it stay?',
      why: `The ${partById(system, of)?.name} proves limits and draft, warms the igniter, opens the valve, and closes it again where it senses no flame.`,
      caution: `${GAS} Face and hands away from the burners, panels as the label asks.`,
    }
  if (what === 'signal')
    return {
      say: `Microamps in series with the flame rod, flame on: ${FLAME_SIGNAL_FROM} µA or more?`,
      why: `The ${partById(system, of)?.name} closes the valve where it senses less than its label asks for. Power off while the lead is opened.`,
      caution: GAS,
    }
  if (what === 'contacts')
    return {
      say: `Look at the contacts of the ${partById(system, of)?.name}: clean, burned, or is something between them?`,
      why: 'Pitted black faces pass no volts, or only part of them; insects and dirt keep the armature from closing.',
      caution: 'Power off, and proved dead at the line side, before the cover comes off.',
    }
  const capacitor = what === 'capacitor' ? partById(system, of) : undefined
  if (capacitor?.kind === 'capacitor')
    return {
      say: `Read the ${capacitor.name}: ${capacitor.starts.map(({ load, microfarad }) => `${microfarad} µF for the ${partById(system, load)?.name}`).join(', ')}. Is each within its label?`,
      why: 'A meter that reads capacitance, the leads off its terminals. A bulged top or oil on the case needs no meter.',
      caution: 'Power off, proved dead at the line side. It holds line volts with the power off: discharge it through a resistor first.',
    }
  if (at === 'fuse')
    return {
      say: 'Look at the fuse in the slot: good or blown?',
      why: isUnknown(system, 'fuse')
        ? 'Its label has not been read: read it, too.'
        : `The label says ${firstPart(system, 'fuse').ratingA} A.`,
      caution: null,
    }
  const part = partById(system, at)
  const call = bench.call === 'off' ? 'nothing called' : `calling for ${sayCall[bench.call]}`
  if (part?.kind === 'fuse')
    return {
      say: `Look at the ${part.name} at the ${placeById(system, part.place)?.name}: good or ${part.holds === 'breaker' ? 'tripped' : 'blown'}?`,
      why: `It is rated ${part.ratingA} A.`,
      caution: null,
    }
  if (part?.kind === 'switch')
    return {
      say:
        part.role === 'float'
          ? `Look at the ${part.name}: is it up, or down?`
          : `Look at the button of the ${part.name}: is it set, or tripped?`,
      why: part.role === 'float' ? 'Water in the pan or the drain lifts it.' : 'It stays open until it is pressed.',
      caution: part.role === 'float' ? null : 'Find what tripped it before it is reset: flames or hot gas left the burner box.',
    }
  if (part?.kind === 'thermostat')
    return {
      say:
        part.power === 'mechanical' || bench.call === 'off'
          ? `Look at the ${part.name}: is it alive or blank?`
          : `Look at the ${part.name}: does it show that it calls?`,
      why: `Power on, ${call}.`,
      caution: null,
    }
  if (part?.kind === 'board')
    return { say: `Look at the light on the ${part.name}: steady, flashing or dark?`, why: `Power on, ${call}.`, caution: null }
  if (part?.kind === 'load')
    return {
      say: `Does the ${part.name} run?`,
      why: `Power on, ${call}. Look and listen.`,
      caution: 'Keep clear of fans and moving parts.',
    }
  // A valve has no armature to be seen, and no contacts.
  if (part?.kind === 'coil' && part.role === 'gas-valve')
    return {
      say: `Is the ${part.name} open (in), or shut (out)?`,
      why: `Power on, ${call}. A finger on it feels the click; gas is heard at the burners.`,
      caution: GAS,
    }
  return {
    say: `Is the ${part?.name ?? at} pulled in?`,
    why: `Power on, ${call}. Listen, or look at its armature.`,
    caution: 'Contacts carry line voltage: look, do not touch.',
  }
}

/** What an answer would mean: the likeliest repair when it stands out, else the zones it points to. */
export function sayMeaning(engine: Engine, hypotheses: readonly Hypothesis[], shares: readonly number[]): string {
  const byFault = new Map<string, { say: string; share: number }>()
  const byZone = new Map<string, number>()
  hypotheses.forEach(({ fault }, row) => {
    const id = fault?.id ?? 'nothing'
    const say = fault?.say ?? 'nothing is wrong here'
    byFault.set(id, { say, share: (byFault.get(id)?.share ?? 0) + shares[row] })
    const zone = fault ? zoneName(engine.system, fault.zone) : 'nothing wrong'
    byZone.set(zone, (byZone.get(zone) ?? 0) + shares[row])
  })
  const [lead] = [...byFault.values()].sort((a, b) => b.share - a.share)
  if (lead.share > 0.6) return lead.say
  const zones = [...byZone].sort((a, b) => b[1] - a[1]).filter(([, share]) => share > 0.15)
  return zones.length === 0
    ? 'inconclusive'
    : `points to ${zones
        .slice(0, 2)
        .map(([zone]) => zone)
        .join(' or ')}`
}
