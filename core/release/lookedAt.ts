import type { MouldPart } from '../mould/index.ts'
import { act, type Operation, operation, partRefs } from '../work/index.ts'
import type { AirFigures } from './air/planAir.ts'
import type { DraftRow } from './draft/planDraft.ts'
import { BONDS } from './mustNotMeet.ts'
import type { AgentRow } from './types.ts'

/** Minutes of looking [own]. */
const LOOK = 3

/** What the checks come after and before: the agents, and what closes the mould over its faces. */
type Between = { readonly needs: readonly string[]; readonly leads: readonly string[] }

/**
 * What is looked at before a mould is filled because nothing mends it after: no bare spot where concrete bonds, wax on
 * what it grips, and open vents.
 */
export function lookedAt(
  agents: readonly AgentRow[],
  grips: readonly DraftRow[],
  parts: readonly MouldPart[],
  { pockets }: AirFigures,
  between: Between,
): Operation[] {
  const checks: Operation[] = []
  const look = (told: Parameters<typeof operation>[0]) => checks.push(operation(told))
  const plain = { station: 'release', per: 'cast', minutes: LOOK, tick: 'stops', ...between } as const
  const put = agents.filter((a) => (a.use === 'release' || a.use === 'seal') && a.leftOut === null)
  // What only seals is under its release, unless nothing goes over it.
  const outermost = put.filter(
    (a) =>
      a.use === 'release' ||
      !agents.some((b) => b.use === 'release' && b.face === a.face && b.surface === a.surface),
  )
  const bonds = outermost.filter((a) => BONDS.has(a.surface) || a.surface === 'taped foam')
  if (bonds.length > 0)
    look({
      ...plain,
      ...act('check-no-bare-spot', {
        faces: [...new Set(bonds.map((a) => a.face))],
        agents: [...new Set(bonds.map((a) => a.agent))],
      }),
      id: 'check/bare-spots',
      about: partRefs([...new Set(bonds.flatMap((a) => a.partIds))]),
    })
  const waxed = new Set(outermost.flatMap((a) => a.partIds))
  const gripped = parts.filter((p) => waxed.has(p.id) && grips.some((r) => r.partId === p.id))
  if (gripped.length > 0)
    look({
      ...plain,
      ...act('check-gripped', { names: gripped.map((p) => p.name) }),
      id: 'check/gripped',
      about: partRefs(gripped.map((p) => p.id)),
    })
  const vented = pockets.filter((p) => p.vented)
  if (vented.length > 0)
    look({
      ...plain,
      ...act('check-vents', { vents: vented.length }),
      id: 'check/vents',
      about: partRefs([...new Set(vented.map((p) => p.partId))]),
    })
  return checks
}
