/**
 * The layers of the core, lowest first: each may import itself and what stands before it. Writes them into biome.json as lint rules;
 * with --check it says whether they are written as they stand here. node tests/layers/write-layers.mjs [--check]
 */
import { readFileSync, writeFileSync } from 'node:fs'
import path from 'node:path'

const layers = [
  'units',
  'circuit',
  'wiring',
  'operation',
  'bench',
  'faults',
  'protection',
  'readings',
  'job',
  'cable',
  'repair',
  'prove',
  'diagnosis',
  'advice',
  'quick-line',
  'practice',
  'formats',
]

const file = path.join(import.meta.dirname, '../../biome.json')
const config = JSON.parse(readFileSync(file, 'utf8'))
const isLayer = ({ includes }) => /^src\/core\/[a-z-]+\/\*\*$/.test(includes[0])
const restrictionsOf = ({ linter }) => linter.rules.style.noRestrictedImports.options.patterns

const whole = config.overrides.findIndex(({ includes }) => includes[0] === 'src/core/**')
const [core] = restrictionsOf(config.overrides[whole])

const rules = layers.slice(0, -1).map((layer, place) => {
  const below = layers.slice(0, place + 1)
  const group = ['@/src/core/**', ...below.map((one) => `!@/src/core/${one}/**`)]
  const message = `core/${layer} may import only: ${below.join(', ')}. Arrows go down the layers.`
  const patterns = [core, { group, message }]
  return {
    includes: [`src/core/${layer}/**`, '!src/core/**/*.test.ts'],
    linter: { rules: { style: { noRestrictedImports: { level: 'error', options: { patterns } } } } },
  }
})

const others = config.overrides.filter((override) => !isLayer(override))
const overrides = [...others.slice(0, whole + 1), ...rules, ...others.slice(whole + 1)]
const isWritten = JSON.stringify(overrides) === JSON.stringify(config.overrides)

if (process.argv.includes('--check')) {
  if (!isWritten)
    console.error('biome.json does not hold the layers of tests/layers/write-layers.mjs. Run it: node tests/layers/write-layers.mjs')
  process.exitCode = isWritten ? 0 : 1
} else writeFileSync(file, `${JSON.stringify({ ...config, overrides }, null, 2)}\n`)
