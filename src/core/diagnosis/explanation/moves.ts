import type { Engine } from '@/src/core/diagnosis/engine'
import { priorWeights } from '@/src/core/diagnosis/hypotheses/priors'
import { zoneProbabilities } from '@/src/core/diagnosis/inference/posterior'
import type { Complaint } from '@/src/core/job/complaint'
import { emptyComplaint, sayChanged, saySymptom } from '@/src/core/job/complaint'
import { sayCall } from '@/src/core/wiring/call'
import { zonesOf } from '@/src/core/wiring/system'

/** How the complaint moved one zone, before any reading. */
export interface ZoneMove {
  readonly zone: string
  readonly name: string
  readonly probability: number
  /** Change against what is usual for this system, in probability. */
  readonly change: number
  /** The part of the complaint that did most of it. */
  readonly because: string | null
}

/**
 * Zone probabilities before any reading, what the complaint changed, and which part of it did most: each part is left
 * out in turn and the difference taken.
 */
export function movesOf(engine: Engine, complaint: Complaint): ZoneMove[] {
  const zonesFor = (told: Complaint) =>
    zoneProbabilities(engine, priorWeights(engine.system, engine.hypotheses, engine.rates, engine.behaviours, told))
  const usual = zonesFor(emptyComplaint)
  const now = zonesFor(complaint)
  const parts = [
    ...complaint.symptoms.map((symptom) => ({
      say:
        symptom === 'fuse-on-call' && complaint.call
          ? `fuse on ${sayCall[complaint.call]}`
          : symptom === 'mode-dead' && complaint.call
            ? `${sayCall[complaint.call]} dead`
            : saySymptom[symptom],
      without: zonesFor({ ...complaint, symptoms: complaint.symptoms.filter((other) => other !== symptom) }),
    })),
    ...complaint.changed.map((changed) => ({
      say: sayChanged[changed],
      without: zonesFor({ ...complaint, changed: complaint.changed.filter((other) => other !== changed) }),
    })),
    ...complaint.codes.map((code) => ({
      say: `code ${code.code}`,
      without: zonesFor({ ...complaint, codes: complaint.codes.filter((other) => other !== code) }),
    })),
  ]
  return zonesOf(engine.system)
    .map(({ id, name }): ZoneMove => {
      const probability = now.get(id) ?? 0
      const change = probability - (usual.get(id) ?? 0)
      const pushes = parts
        .map(({ say, without }) => ({ say, push: probability - (without.get(id) ?? 0) }))
        .filter(({ push }) => Math.sign(push) === Math.sign(change))
      const strongest = pushes.sort((a, b) => Math.abs(b.push) - Math.abs(a.push))[0]
      return { zone: id, name, probability, change, because: strongest && Math.abs(strongest.push) > 0.01 ? strongest.say : null }
    })
    .sort((a, b) => b.probability - a.probability)
}
