import type { ReleaseChoice } from '../job/index.ts'
import type { MouldFace, MouldStation, Surface } from '../mould/index.ts'
import type { Agent, Stock } from '../stock/index.ts'
import { act, type Operation, operation, partRefs } from '../work/index.ts'
import type { AgentRow } from './types.ts'

/** What each surface wants: a seal first, and then the agent, a light film, or nothing. */
const TREATS: Readonly<
  Record<Surface, { readonly seal: boolean; readonly use: 'release' | 'film' | 'none' }>
> = {
  faced: { seal: false, use: 'release' },
  raw: { seal: true, use: 'release' },
  'raw edge': { seal: true, use: 'release' },
  // What is wrapped in foam leaves its wrap in the cast, and that peels out.
  wrapped: { seal: true, use: 'none' },
  card: { seal: false, use: 'release' },
  coated: { seal: false, use: 'release' },
  soaks: { seal: true, use: 'release' },
  // Aluminium and zinc give off gas in wet concrete.
  'bare metal': { seal: true, use: 'release' },
  smooth: { seal: false, use: 'release' },
  printed: { seal: false, use: 'release' },
  rubber: { seal: false, use: 'film' },
  texture: { seal: false, use: 'film' },
  // A bag comes away with the cast, and what is left on is never parted from it.
  film: { seal: false, use: 'none' },
  'taped foam': { seal: true, use: 'none' },
}

/** Minutes of hands [own]: cleaning and waxing, sealing, a square metre a coat; least for any face. */
const WORK = { releasePerM2: 20, sealPerM2: 25, least: 5 } as const
/** Films of light release take little time, minutes a square metre [own]. */
const FILM_PER_M2 = 5

type Agents = {
  readonly face: Agent | undefined
  readonly seal: Agent | undefined
  /** The reason for using none anywhere. */
  readonly leftOut: string | null
  /** Where a face is treated otherwise than the rest. */
  readonly faces?: ReleaseChoice['faces']
}

/** Foam bears no solvent: its seal is tape whatever seals the rest; a shell is curved and is never taped. */
function sealFor(face: MouldFace, seal: Agent | undefined, stock: Pick<Stock, 'agents'>): Agent | undefined {
  const of = (kind: Agent['kind']) => stock.agents.find((a) => a.kind === kind)
  if (face.surface === 'taped foam') return of('packing-tape') ?? seal
  if (face.surface === 'soaks' && seal?.kind === 'packing-tape') return of('lacquer') ?? seal
  return seal
}

/** Rows of what goes on every face of a mould, in the order in which they are told. */
export function treatFaces(
  faces: readonly MouldFace[],
  stock: Pick<Stock, 'agents'>,
  agents: Agents,
): AgentRow[] {
  return faces.flatMap((face): AgentRow[] => {
    const { seal, use } = TREATS[face.surface]
    const sealer = sealFor(face, agents.seal, stock)
    const rows: AgentRow[] = []
    if (seal && sealer) rows.push(agentRow(face, 'seal', sealer))
    const taped = face.surface === 'raw edge' && sealer?.kind === 'packing-tape'
    const own = agents.faces?.[face.face]
    const agent = own?.agent ? stock.agents.find((a) => a.id === own.agent) : agents.face
    // An agent of its own goes on it also where all others are left bare.
    const leftOut = own?.leftOut ?? (own?.agent ? null : agents.leftOut)
    if (use === 'film') rows.push(bareRow(face, 'film'))
    else if (use === 'release' && !taped) {
      if (leftOut !== null) rows.push({ ...bareRow(face, 'none'), own: own?.leftOut != null, leftOut })
      else if (agent) rows.push({ ...agentRow(face, 'release', agent), own: own?.agent != null })
    }
    return rows.length > 0 ? rows : [bareRow(face, 'none')]
  })
}

function agentRow(face: MouldFace, use: 'seal' | 'release', agent: Agent): AgentRow {
  const amount = (face.areaM2 * agent.coats) / agent.coverM2PerUnit
  return {
    ...faceOf(face),
    use,
    agent: agent.name,
    agentKind: agent.kind,
    coats: agent.coats,
    waitMinutes: agent.coats * agent.waitMinutes + agent.readyMinutes,
    amount,
    unit: agent.unit,
    cost: agent.price === null ? null : amount * agent.price,
    own: false,
    leftOut: null,
  }
}

const bareRow = (face: MouldFace, use: 'film' | 'none'): AgentRow => ({
  ...faceOf(face),
  use,
  agent: '',
  agentKind: 'none',
  coats: 0,
  waitMinutes: 0,
  amount: 0,
  unit: null,
  cost: 0,
  own: false,
  leftOut: null,
})

const faceOf = ({ face, surface, material, partIds, areaM2 }: MouldFace) => ({
  face,
  surface,
  material,
  partIds,
  areaM2,
})

const minutesFor = (rows: readonly AgentRow[], perM2: number): number =>
  Math.max(WORK.least, rows.reduce((sum, r) => sum + r.areaM2 * Math.max(1, r.coats), 0) * perM2)

/**
 * Sealing and releasing as operations: raw faces once for each mould, where they can still be reached; the agent for
 * every cast, all faces in one go, after all that is built and before what closes over them.
 */
export function faceOperations(
  rows: readonly AgentRow[],
  faces: readonly MouldFace[],
  { operations, afterRelease }: Pick<MouldStation, 'operations' | 'afterRelease'>,
): Operation[] {
  const later = new Set(afterRelease)
  const built = operations.filter((op) => !later.has(op.id))
  const known = new Set(operations.map((op) => op.id))
  const seals = rows
    .filter((r) => r.use === 'seal')
    .map((row): Operation => {
      const face = faces.find((f) => f.face === row.face && f.surface === row.surface)!
      const leads = (face.sealBefore ?? []).filter((id) => known.has(id))
      const own = new Set(row.partIds)
      const needs =
        face.sealAfter ??
        built
          .filter((op) => !leads.includes(op.id) && op.about.some((r) => r.kind === 'part' && own.has(r.id)))
          .map((op) => op.id)
      return operation({
        ...act('seal-face', {
          face: row.face,
          agent: row.agent,
          coats: row.coats,
          tape: row.agentKind === 'packing-tape',
          edges: row.surface === 'raw edge' || row.surface === 'wrapped',
          metal: row.surface === 'bare metal',
        }),
        id: `seal/${row.face}/${row.surface.replace(' ', '-')}`,
        station: 'release',
        per: 'mould',
        about: partRefs(row.partIds),
        minutes: minutesFor([row], WORK.sealPerM2),
        waitMinutes: row.waitMinutes,
        needs: needs.filter((id) => known.has(id)),
        leads,
        takes: [{ name: row.agent, amount: row.amount, unit: row.unit ?? '' }],
      })
    })
  const before = [...built.map((op) => op.id), ...seals.map((op) => op.id)]
  const waxed = rows.filter((r) => r.use === 'release')
  // All faces of one agent in one go: that of all faces bears no name, one of its own that of its face.
  const release = [...new Set(waxed.map((r) => r.agent))].map((agent) => {
    const own = waxed.filter((r) => r.agent === agent)
    const [first] = own
    const forAll = own.some((r) => !r.own)
    return operation({
      ...act('release-face', {
        faces: [...new Set(own.map((r) => r.face))],
        agent,
        coats: first!.coats,
        by: first!.agentKind,
      }),
      id: forAll ? 'release/faces' : `release/${first!.face}`,
      station: 'release',
      per: 'cast',
      about: partRefs([...new Set(own.flatMap((r) => r.partIds))]),
      minutes: minutesFor(own, WORK.releasePerM2),
      waitMinutes: Math.max(...own.map((r) => r.waitMinutes)),
      needs: before,
      leads: afterRelease,
      takes: [{ name: agent, amount: own.reduce((sum, r) => sum + r.amount, 0), unit: first!.unit ?? '' }],
    })
  })
  const films = rows
    .filter((r) => r.use === 'film')
    .map((row) =>
      operation({
        ...act('film-face', { face: row.face }),
        id: `film/${row.face}`,
        station: 'release',
        per: 'cast',
        about: partRefs(row.partIds),
        minutes: minutesFor([row], FILM_PER_M2),
        needs: before,
        leads: afterRelease,
      }),
    )
  return [...seals, ...release, ...films]
}
