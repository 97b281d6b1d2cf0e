import type { Kernel } from './geometry/index.ts'
import { applyChange, type Finding, isWorseOrEqual, type Job, type Remedy } from './job/index.ts'
import { type PiecePlan, planPiece } from './plan.ts'
import type { Memo } from './station.ts'

/** What is known only from the solid: its cure is looked for there too. */
const SOLID: ReadonlySet<string> = new Set([
  'too-thin',
  'move-waits',
  'move-cracks',
  'move-unstable',
  'use-cracks',
  'hands-off',
  'overhang-steel',
  'void-wall',
  'fixing-over',
  'fixings-lift-short',
  'apron-bare',
  'coats-thin',
  'void-no-room',
  'tips',
  'falls-over',
  'tips-sat-on',
  'footing-shallow',
  'land-narrow',
  'bar-missing',
  'bars-no-room',
  'own-bars-bare',
  'own-bars-short',
  'rails-bare',
  'corners-bare',
  'corner-bars-short',
  'hoop-cover',
  'bar-thick',
  'bar-cover',
  'bar-not-bent',
  'bars-not-here',
  'cold-joint-likely',
  'time-likely-short',
  'mix-likely-short',
])

/** What only the solids of the mould tell: its cures are tried with all of them. */
const WHOLE: ReadonlySet<string> = new Set(['part-locked', 'draft-short', 'air-trapped', 'jacket-undercut'])

const keyOf = (f: Finding): string =>
  `${f.station}|${f.code}|${f.about.map((a) => `${a.kind}:${a.id}`).join(',')}`

/**
 * Leaves each finding only the remedies that cure it: the line is run again with the change, and a remedy stays when
 * its finding is gone and no other of the same or a worse level has come.
 */
export function proveRemedies(kernel: Kernel, job: Job, plan: PiecePlan, memo?: Memo): PiecePlan {
  const before = new Set(plan.findings.map(keyOf))
  const cures = (finding: Finding, remedy: Remedy): boolean => {
    const changed = remedy.changes.reduce(applyChange, job)
    const piece = changed.pieces.find((p) => p.id === plan.id)
    if (!piece) return true
    const { findings: after, failed } = planPiece(kernel, changed, piece, {
      quick: !WHOLE.has(finding.code),
      thick: SOLID.has(finding.code) || WHOLE.has(finding.code),
      ...(memo && { memo }),
    })
    // A station that fails has no findings: nothing is cured by that.
    if (failed.length > plan.failed.length) return false
    const own = keyOf(finding)
    if (after.some((f) => keyOf(f) === own && isWorseOrEqual(f.level, finding.level))) return false
    return after.every((f) => before.has(keyOf(f)) || !isWorseOrEqual(f.level, finding.level))
  }
  return {
    ...plan,
    findings: plan.findings.map((finding) =>
      finding.remedies.length === 0
        ? finding
        : { ...finding, remedies: finding.remedies.filter((r) => cures(finding, r)) },
    ),
  }
}
