import type { Facts, Finding, Piece } from '../job/index.ts'
import type { Agent, Stock } from '../stock/index.ts'
import { type FaceWord, faceWords } from '../work/index.ts'
import type { AgentRow } from './types.ts'

type Kind = Agent['kind']
type Surface = AgentRow['surface']

/** What must not be put where: by what the agent is, and on which surfaces; any where none is named. */
type Rule = {
  readonly code: string
  readonly level: Finding['level']
  readonly kinds: readonly Kind[]
  readonly on?: readonly Surface[]
  /** Only under a sealer that takes hold of the face. */
  readonly underSealer?: true
}

/** Kept as a table: who adds an agent adds a row. Sources in docs/method.md, Release. */
export const MUST_NOT_MEET: readonly Rule[] = [
  { code: 'agent-refused', level: 'stop', kinds: ['fuel'] },
  { code: 'agent-seals', level: 'stop', kinds: ['lacquer', 'varnish', 'none'] },
  // Tape lies on flat board; on rounds it wrinkles, in texture it bridges.
  {
    code: 'agent-tape',
    level: 'warn',
    kinds: ['packing-tape'],
    on: ['smooth', 'printed', 'coated', 'soaks', 'bare metal', 'card'],
  },
  { code: 'agent-fills', level: 'warn', kinds: ['petroleum-jelly'], on: ['printed', 'texture'] },
  { code: 'oil-under-sealer', level: 'warn', kinds: ['oil'], underSealer: true },
  { code: 'silicone-under-sealer', level: 'warn', kinds: ['silicone'], underSealer: true },
  { code: 'agent-wets', level: 'warn', kinds: ['water-based', 'film'], on: ['card'] },
]

/** Surfaces that fresh concrete bonds to, or locks in, where nothing is on them. */
export const BONDS: ReadonlySet<Surface> = new Set([
  'raw',
  'raw edge',
  'card',
  'coated',
  'soaks',
  'bare metal',
  'printed',
])

type Told = Pick<Finding, 'code' | 'level' | 'remedies'> & { readonly facts: Facts; readonly face: FaceWord }

/** What is wrong between the agents chosen and the faces they are chosen for; each with the change that mends it. */
export function mustNotMeet(
  piece: Piece,
  rows: readonly AgentRow[],
  stock: Pick<Stock, 'agents' | 'sealers'>,
): Told[] {
  const wax = stock.agents.find((a) => a.kind === 'paste-wax')
  const sealer = stock.sealers.find((s) => s.id === piece.finish.sealer)
  const holds = sealer !== undefined && sealer.school !== 'wax'
  const put = MUST_NOT_MEET.flatMap((rule): Told[] => {
    const hit = rows.filter(
      (r) =>
        r.use === 'release' &&
        (!rule.underSealer || holds) &&
        rule.kinds.includes(r.agentKind) &&
        (rule.on === undefined || rule.on.includes(r.surface)),
    )
    const [first] = hit
    if (!first) return []
    return [
      {
        code: rule.code,
        level: rule.level,
        face: first.face,
        facts: {
          agent: first.agent,
          faces: listOf(hit),
          instead: wax?.name ?? '',
          ...(rule.underSealer && { sealer: sealer!.name }),
        },
        remedies: wax
          ? [
              {
                code: rule.code,
                facts: { agent: wax.name },
                changes: [
                  {
                    type: 'releaseChosen',
                    pieceId: piece.id,
                    patch: instead(piece, hit, wax.id, rule.on === undefined),
                  },
                ],
              },
            ]
          : [],
      },
    ]
  })
  // What is left out everywhere is told as that; here of what bonds.
  const bare = rows.filter((r) => r.leftOut !== null && BONDS.has(r.surface))
  const [bonds] = bare
  return [
    ...put,
    ...(bonds
      ? [
          {
            code: 'left-out-bonds',
            level: 'stop' as const,
            face: bonds.face,
            facts: { faces: listOf(bare), reason: bonds.leftOut! },
            remedies: [
              {
                code: 'left-out-bonds',
                facts: {},
                changes: [
                  {
                    type: 'releaseChosen' as const,
                    pieceId: piece.id,
                    patch: {
                      leftOut: null,
                      faces: mapFaces(piece, bare, (own) => ({ ...own, leftOut: null })),
                    },
                  },
                ],
              },
            ],
          },
        ]
      : []),
  ]
}

const listOf = (rows: readonly AgentRow[]): string =>
  [...new Set(rows.map((r) => faceWords(r.face)))].join(', ')

type Own = Piece['release']['faces'][string]

/** The choices by face with those of some rows changed; what says nothing any more is dropped. */
function mapFaces(
  piece: Piece,
  rows: readonly AgentRow[],
  change: (own: Own) => Own,
): Piece['release']['faces'] {
  const faces = { ...piece.release.faces }
  for (const { face } of rows) {
    const own = change(faces[face] ?? { agent: null, leftOut: null })
    if (own.agent === null && own.leftOut === null) delete faces[face]
    else faces[face] = own
  }
  return faces
}

/** Another agent where these are: for all faces where it serves nowhere and was chosen for all, else on them alone. */
const instead = (
  piece: Piece,
  hit: readonly AgentRow[],
  agent: string,
  everywhere: boolean,
): Partial<Piece['release']> =>
  everywhere && hit.every((r) => !piece.release.faces[r.face]?.agent)
    ? { faceAgent: agent }
    : { faces: mapFaces(piece, hit, (own) => ({ ...own, agent })) }
