import { execFileSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import type { Complex } from '@/src/core/units/complex'

/** Runs a deck in Debian's circuit simulator and reads every node's voltage; a node it does not know throws. */
export function simulate(deck: string): (node: number) => Complex {
  const folder = mkdtempSync(path.join(tmpdir(), 'nest-trace-deck-'))
  try {
    const isAc = deck.includes('.ac ')
    const analysis = isAc ? deck.match(/^\.ac (.*)$/m)?.[1] : ''
    const body = deck
      .replace(/^\.ac .*$/m, '')
      .replace(/^\.op$/m, '')
      .replace(/^\.end$/m, '')
    const control = `.control\nset numdgt=14\n${isAc ? `ac ${analysis}` : 'op'}\nprint all\nquit 0\n.endc\n.end\n`
    writeFileSync(path.join(folder, 'deck.cir'), `${body}${control}`)
    const output = execFileSync('ngspice', ['-b', 'deck.cir'], { cwd: folder, encoding: 'utf8', stdio: ['ignore', 'pipe', 'ignore'] })
    const volts = new Map<number, Complex>()
    for (const [, node, re, im] of output.matchAll(/^v\((\d+)\) = (\S+?)(?:,(\S+))?$/gm))
      volts.set(Number(node), { re: Number(re), im: Number(im ?? 0) })
    return (node) => {
      const found = node === 0 ? { re: 0, im: 0 } : volts.get(node)
      if (!found) throw new Error(`the simulator printed no node ${node}:\n${output.slice(0, 2000)}`)
      return found
    }
  } finally {
    rmSync(folder, { recursive: true })
  }
}
