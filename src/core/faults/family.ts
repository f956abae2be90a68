import type { Effect, FaultVariant } from '@/src/core/faults/effect'

/**
 * All that the rest of the core asks about a family of faults. A new family is one of these records and the lines that enumerate it;
 * nothing else keeps a list of families by name.
 */
export interface FaultFamilyRecord {
  /**
   * Relative frequency of each fault of the family, before the complaint. All assumptions, in the order that field-work.md section 11
   * gives (most rub-outs are outdoors, at the switches' leads); a shop's own closed jobs replace them later.
   */
  readonly rate: number
  /** It is commoner where sun, vibration and tools reach. */
  readonly wearsOutdoors?: true
  /** It may come and go: with a touch or vibration, and for joints, windings and contacts also with the heat of the call. */
  readonly comesAndGoes?: 'touch' | 'touch-or-heat'
  /** The damage may have left a mark on the wiring that the eye finds. */
  readonly leavesMark?: true
  /** It is itself something that was wired in, and is seen in the wiring of its place. */
  readonly isAdded?: true
  /** A wire off its screw, or on a wrong one: the eye finds it at the landings of its place. */
  readonly endsAmiss?: true
  /** What else the eye finds there. */
  readonly seenAtLandings?: 'strap' | 'wet' | 'corroded'
  /** The code of a board or thermostat that it may have set off. */
  readonly setsCode?: 'over-current' | 'low-voltage'
  /** Draws more than a transformer stands, or adds enough to what it carries. A wire on the wrong screw may or may not, which is not sure. */
  readonly burnsOutTransformers?: true
  /** It is itself a transformer that was burned out: it seldom dies by itself. */
  readonly burnedOut?: true
  /** No call shows it, and nobody would miss it: a house that has it counts as sound. */
  readonly showsOnNoCall?: true
  /** What has to stand by itself to be read, or be jumped past or waited for, before the repair is named. */
  readonly readApart?:
    | 'cable'
    | 'lead'
    | 'line'
    | 'coil'
    | 'turns'
    | 'contact'
    | 'across'
    | 'output'
    | 'toggle'
    | 'delay'
    | 'armature'
    | 'load'
    | 'microfarads'
    | 'copper'
    | 'winding'
    | 'clip'
    | 'weld'
    | 'faces'
    | 'stuck'
    | 'joint'
    | 'signal'
    | 'spade'
  /** Milder forms of the same damage. */
  readonly milder?: (effects: readonly Effect[]) => FaultVariant[]
}
