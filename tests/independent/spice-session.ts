import { spawn } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { writeNetlist } from '@/src/core/circuit/netlist'
import { type Analysis, createNetwork, type Element } from '@/src/core/circuit/network'
import type { Complex } from '@/src/core/units/complex'

/** Voltage of every node, by our name for it; a name it does not know throws. */
export type Volts = (node: string) => Complex

/** One running circuit simulator, asked deck after deck. */
export interface SpiceSession {
  solve(elements: readonly Element[], hertz: number, analysis: Analysis, ampsBetween?: readonly [string, string]): Promise<Volts>
  end(): void
}

const READY = 'deck-is-read'

export function startSpice(): SpiceSession {
  const folder = mkdtempSync(path.join(tmpdir(), 'nest-trace-house-'))
  const deckFile = path.join(folder, 'deck.cir')
  const child = spawn('ngspice', ['-p'], { cwd: folder, stdio: ['pipe', 'pipe', 'ignore'] })
  let heard = ''
  let wake: ((text: string) => void) | null = null
  child.stdout.on('data', (piece: Buffer) => {
    heard += piece.toString()
    if (!heard.includes(READY) || !wake) return
    const text = heard
    heard = ''
    wake(text)
  })
  let line: Promise<unknown> = Promise.resolve()
  const ask = (commands: string): Promise<string> => {
    const answer = line.then(
      () =>
        new Promise<string>((resolve) => {
          wake = resolve
          child.stdin.write(`${commands}\necho ${READY}\n`)
        }),
    )
    line = answer
    return answer
  }
  void ask('set numdgt=12\nset nomoremode')

  return {
    solve: async (elements, hertz, analysis, ampsBetween) => {
      const network = createNetwork(elements, hertz)
      const { deck, names } = writeNetlist(network, 'house', analysis)
      const body = deck.replace(/^\.(ac .*|op|end)$/gm, '')
      const from = ampsBetween ? `I1 ${names.node.get(ampsBetween[1])} ${names.node.get(ampsBetween[0])} dc 1\n` : ''
      writeFileSync(deckFile, `${body}${from}.end\n`)
      const run = analysis === 'live' ? `ac lin 1 ${hertz} ${hertz}` : 'op'
      const text = await ask(`source deck.cir\n${run}\nprint all\ndestroy all\nremcirc`)
      const volts = new Map<number, Complex>()
      for (const [, node, re, im] of text.matchAll(/^v\((\d+)\) = (\S+?)(?:,(\S+))?$/gm))
        volts.set(Number(node), { re: Number(re), im: Number(im ?? 0) })
      if (volts.size === 0) throw new Error(`the simulator solved nothing:\n${text.slice(0, 1000)}`)
      return (name) => {
        const number = names.node.get(name)
        const found = number === 0 ? { re: 0, im: 0 } : volts.get(number ?? -1)
        if (!found) throw new Error(`the simulator printed no ${name}`)
        return found
      }
    },
    end: () => {
      child.stdin.end('quit\n')
      child.kill()
      rmSync(folder, { recursive: true, force: true })
    },
  }
}
