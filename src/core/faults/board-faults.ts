import { sayLead } from '@/src/core/bench/points'
import type { Effect } from '@/src/core/faults/effect'
import type { AddFault } from '@/src/core/faults/fault-list'
import { WELDED_OHM } from '@/src/core/faults/rates'
import { bodyLink } from '@/src/core/wiring/links'
import { terminalPoint } from '@/src/core/wiring/point'
import { partsOf, type System } from '@/src/core/wiring/system'

/** Boards: what their outputs do wrong, and the delays that only look like it. */

/** No fault at all, but looks like one: the minutes that a compressor is made to wait. */
export function addDelays(system: System, add: AddFault): void {
  for (const board of partsOf(system, 'board'))
    for (const { to, call, minimumOffS } of board.outputs)
      if (minimumOffS !== undefined)
        add(
          'delay-running',
          `${board.id}.${to}`,
          board,
          `The delay of the ${board.name} is still running: nothing is wrong with it`,
          [`wait:${board.id}`, `Wait until the light of the ${board.name} is steady: up to ${Math.round(minimumOffS / 60)} minutes`],
          [{ do: 'output', board: board.id, to, mode: 'dead' }],
          [terminalPoint(call, board.place), terminalPoint(to, board.place)],
        )
  for (const part of partsOf(system, 'thermostat')) {
    const cooling = (part.calls.cool ?? []).filter((terminal) => terminal.startsWith('Y'))
    if (part.power === 'mechanical' || cooling.length === 0) continue
    add(
      'delay-running',
      part.id,
      part,
      `The ${part.name} holds the compressor off for its minutes: nothing is wrong with it`,
      [`wait:${part.id}`, `Wait until the ${part.name} stops showing that it waits: up to 5 minutes`],
      [{ do: 'never-closes', thermostat: part.id, terminals: cooling }],
      cooling.map((terminal) => terminalPoint(terminal, part.place)),
    )
  }
}

/** A board that does not make an output, makes it for good, or makes and breaks it; and one that is dead. */
export function addBoardFaults(system: System, add: AddFault): void {
  for (const board of partsOf(system, 'board')) {
    // Nothing but its ignition may open a gas valve: no call is landed past that.
    const opensGas = partsOf(system, 'coil').some(
      (coil) => coil.role === 'gas-valve' && coil.place === board.place && board.outputs.some(({ to }) => coil.between.includes(to)),
    )
    const replace: [string, string] = [
      `replace:${board.id}`,
      opensGas ? `Replace the ${board.name}; never land a call past it` : `Replace the ${board.name}; land the call past it to prove it`,
    ]
    for (const { to, call, line } of board.outputs) {
      const touches = [terminalPoint(call, board.place), terminalPoint(to, board.place)]
      const output = sayLead(system, to, board.place)
      const fails = board.ignites ? `does not energize the ${output}` : `does not pass ${call} on to the ${output}`
      for (const [family, mode, say] of [
        ['output-dead', 'dead', `The ${board.name} ${fails}`],
        ['output-on', 'on', `The ${board.name} energizes the ${output} all the time`],
        ['output-toggles', 'toggles', `The ${board.name} switches the ${output} on and off`],
        ['output-chatters', 'chatters', `The ${board.name} cycles the ${output} by itself, with or without a call`],
      ] as const) {
        // Nobody ever saw an igniter's relay chatter.
        if (line && (mode === 'toggles' || mode === 'chatters')) continue
        add(family, `${board.id}.${to}`, board, say, replace, [{ do: 'output', board: board.id, to, mode }], touches)
      }
    }
    for (const pair of board.defrost?.closes ?? [])
      add(
        'defrost-stuck',
        `${board.id}.${pair.join('+')}`,
        board,
        `A defrost contact of the ${board.name} is stuck: it holds ${pair[0]} to ${sayLead(system, pair[1], board.place)}`,
        replace,
        [{ do: 'short', a: terminalPoint(pair[0], board.place), b: terminalPoint(pair[1], board.place), ohm: WELDED_OHM }],
        pair.map((node) => terminalPoint(node, board.place)),
      )
    if (board.defrost)
      add(
        'defrost-stuck',
        board.id,
        board,
        `The ${board.name} stays in defrost`,
        [`defrost:${board.id}`, `Find what keeps the ${board.name} in defrost (sensor, defrost switch, sticking relay) and replace it`],
        [
          ...board.defrost.closes.map(
            ([a, b]): Effect => ({
              do: 'short',
              a: terminalPoint(a, board.place),
              b: terminalPoint(b, board.place),
              ohm: board.contactOhm,
            }),
          ),
          ...board.defrost.opens.map((to): Effect => ({ do: 'output', board: board.id, to, mode: 'dead' })),
        ],
        board.defrost.closes.flat().map((node) => terminalPoint(node, board.place)),
      )
    if (board.ignites)
      add(
        'flame-not-sensed',
        board.id,
        board,
        `The ${board.name} does not sense its flame: a dirty or cracked rod, its wire, or the ground of the burners`,
        [
          `flame:${board.id}`,
          'Power off: clean the flame rod with fine steel wool, check its porcelain and wire and the ground of the burners; then read the signal in series, 1 µA or more unless the label says otherwise',
        ],
        [{ do: 'no-flame', board: board.id }],
        [terminalPoint(board.ignites.opens, board.place)],
      )
    add(
      'board-dead',
      board.id,
      board,
      `The ${board.name} is dead`,
      replace,
      [{ do: 'open', link: bodyLink(board.id) }],
      board.between.map((node) => terminalPoint(node, board.place)),
    )
  }
}
