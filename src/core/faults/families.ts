import type { FaultFamilyRecord } from '@/src/core/faults/family'
import { corroded, fewTurns, leaking, loose, otherAccessory, pitted, resistive, sagging, worn } from '@/src/core/faults/milder'

/** Along cables and in cabinets, and where their wires land. */
const wiring = {
  'conductor-open': {
    rate: 2,
    wearsOutdoors: true,
    comesAndGoes: 'touch-or-heat',
    leavesMark: true,
    setsCode: 'low-voltage',
    readApart: 'copper',
    milder: corroded,
  },
  'conductor-short': {
    rate: 1.2,
    comesAndGoes: 'touch',
    leavesMark: true,
    setsCode: 'over-current',
    burnsOutTransformers: true,
    readApart: 'cable',
    milder: resistive,
  },
  'conductor-to-chassis': {
    rate: 2.5,
    wearsOutdoors: true,
    comesAndGoes: 'touch',
    leavesMark: true,
    setsCode: 'over-current',
    burnsOutTransformers: true,
    readApart: 'cable',
    milder: resistive,
  },
  'lead-to-chassis': {
    rate: 1.5,
    wearsOutdoors: true,
    comesAndGoes: 'touch',
    leavesMark: true,
    setsCode: 'over-current',
    burnsOutTransformers: true,
    readApart: 'lead',
    milder: resistive,
  },
  'lead-loose': { rate: 0.5, comesAndGoes: 'touch-or-heat', readApart: 'spade', milder: corroded },
  'not-landed': { rate: 0.8, endsAmiss: true },
  'landed-wrong': { rate: 0.3, endsAmiss: true },
  'ends-swapped': { rate: 0.2, endsAmiss: true },
  'spare-serves': { rate: 0.1, showsOnNoCall: true },
  'strip-corroded': { rate: 0.15, wearsOutdoors: true, seenAtLandings: 'corroded', readApart: 'joint' },
  'water-in-connector': { rate: 0.5, seenAtLandings: 'wet', burnsOutTransformers: true },
  'jumper-left': { rate: 0.15, seenAtLandings: 'strap', burnsOutTransformers: true },
  'transformers-tied': { rate: 0.4, seenAtLandings: 'strap', burnsOutTransformers: true },
} as const satisfies Families

/** Coils, switches, boards and thermostats. */
const parts = {
  'coil-shorted': { rate: 2, setsCode: 'over-current', burnsOutTransformers: true, readApart: 'turns', milder: fewTurns },
  'coil-open': { rate: 2, comesAndGoes: 'touch-or-heat', readApart: 'coil' },
  'coil-to-ground': { rate: 0.7, setsCode: 'over-current', burnsOutTransformers: true, readApart: 'coil', milder: resistive },
  'armature-jammed': { rate: 0.7, comesAndGoes: 'touch', readApart: 'armature' },
  'contact-welded': { rate: 1, readApart: 'weld' },
  'contact-burned': { rate: 1.5, readApart: 'faces', milder: pitted },
  'load-dead': { rate: 1, readApart: 'load' },
  'capacitor-weak': { rate: 1.5, readApart: 'microfarads' },
  'accessory-across': { rate: 0.2, isAdded: true, burnsOutTransformers: true, milder: otherAccessory },
  'switch-open': { rate: 3, comesAndGoes: 'touch-or-heat', milder: corroded },
  'delay-running': { rate: 1, readApart: 'delay' },
  'output-dead': { rate: 1.2, readApart: 'output' },
  'output-on': { rate: 0.4 },
  'output-toggles': { rate: 0.3, readApart: 'toggle' },
  'output-chatters': { rate: 0.2 },
  'board-dead': { rate: 0.8 },
  'flame-not-sensed': { rate: 2.5, readApart: 'signal' },
  'defrost-stuck': { rate: 0.5 },
  'thermostat-not-called': { rate: 3 },
  'thermostat-dead': { rate: 2 },
  'thermostat-not-closing': { rate: 1.5, comesAndGoes: 'touch', readApart: 'contact', milder: worn },
  'thermostat-stuck-closed': { rate: 0.5, readApart: 'stuck', milder: leaking },
  'thermostat-shorted': { rate: 0.7, burnsOutTransformers: true },
  'thermostat-joined': { rate: 0.1 },
  'thermostat-false-code': { rate: 0.2 },
} as const satisfies Families

/** From the line to the fuse. */
const supply = {
  'bond-missing': { rate: 0.5, showsOnNoCall: true },
  'transformer-dead': { rate: 3, burnedOut: true, readApart: 'winding' },
  'transformer-weak': { rate: 0.6, setsCode: 'low-voltage', burnedOut: true, readApart: 'winding', milder: sagging },
  'wrong-tap': { rate: 0.4, setsCode: 'low-voltage', burnsOutTransformers: true, readApart: 'winding' },
  'supply-off': { rate: 2, readApart: 'line' },
  'supply-leg-open': { rate: 0.8, setsCode: 'low-voltage', readApart: 'across', milder: loose },
  'neutral-open': { rate: 0.7, setsCode: 'low-voltage', readApart: 'across', milder: loose },
  'fuse-clip-loose': { rate: 0.4, setsCode: 'low-voltage', readApart: 'clip' },
  'fuse-only': { rate: 2 },
} as const satisfies Families

type Families = { readonly [family: string]: FaultFamilyRecord }

const records = { ...wiring, ...parts, ...supply }
export type FaultFamily = keyof typeof records

export const faultFamilies: Readonly<{ [F in FaultFamily]: FaultFamilyRecord }> = records
