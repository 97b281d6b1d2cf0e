import type { Finding, Piece } from '../job/index.ts'
import type { MakingFace, MouldStation } from '../mould/index.ts'
import { type Agent, type Stock, startingStock } from '../stock/index.ts'
import { act, type Operation, operation } from '../work/index.ts'

type Kind = Agent['kind']
export type PatternOf = Piece['release']['pattern']['of']

/** So many coats of something, and how long until the next thing may go on it. */
type Coat = {
  readonly name: string
  readonly coats: number
  readonly waitMinutes: number
  readonly amount: number
  readonly unit: Agent['unit']
}
const coatOf = (agent: Agent, areaM2: number): Coat => ({
  name: agent.name,
  coats: agent.coats,
  waitMinutes: agent.coats * agent.waitMinutes + agent.readyMinutes,
  amount: (areaM2 * agent.coats) / agent.coverM2PerUnit,
  unit: agent.unit,
})

/** What goes on a pattern, a cured half or the back of a rubber while the mould is made. */
export type MakingRow = {
  readonly making: MakingFace['making']
  readonly against: MakingFace['against']
  /** What the pattern is made of; rubber where that is what is coated. */
  readonly of: PatternOf | 'rubber'
  readonly areaM2: number
  /** What closes it; null of rubber, and where no stock row does. */
  readonly seal: Coat | null
  readonly agent: string | null
  readonly agentKind: Kind
  readonly coats: number
  readonly waitMinutes: number
  readonly amount: number
  readonly unit: Agent['unit'] | null
  readonly cost: number | null
}

/** Agents that let go, the first the usual; none where nothing is needed. */
const SUITS: Readonly<
  Record<MakingFace['against'], Readonly<Record<MakingFace['making'], readonly Kind[]>>>
> = {
  // It sticks to nearly everything, and to itself.
  polyurethane: {
    pattern: ['silicone'],
    'cured-half': ['silicone'],
    'rubber-back': ['petroleum-jelly', 'paste-wax', 'film'],
  },
  // They stick to silicone and to bare glass alone.
  'tin-silicone': { pattern: [], 'cured-half': ['petroleum-jelly', 'film'], 'rubber-back': [] },
  'platinum-silicone': { pattern: [], 'cured-half': ['petroleum-jelly', 'film'], 'rubber-back': [] },
  // Plaster and resin that are laid up on it.
  shell: {
    pattern: ['paste-wax', 'film', 'petroleum-jelly'],
    'cured-half': ['paste-wax', 'film', 'petroleum-jelly'],
    'rubber-back': [],
  },
}

/** What a pattern may have met before, by what it then spoils. */
const SPOILS: Readonly<Record<MakingFace['against'], readonly Piece['release']['pattern']['before'][]>> = {
  polyurethane: ['sealant', 'damp'],
  'tin-silicone': ['sealant'],
  'platinum-silicone': ['tin-silicone', 'sealant', 'latex'],
  shell: [],
}

/** Agents that do not release anything. */
const NOT_ONE: ReadonlySet<Kind> = new Set(['none', 'lacquer', 'varnish', 'fuel'])

/** What closes a pattern: the seal that was chosen, where it seals and is not taped on; of foam what has no solvent, which eats it. */
function sealOf(
  of: PatternOf,
  chosen: Agent | undefined,
  { agents }: Pick<Stock, 'agents'>,
): Agent | undefined {
  const kinds: readonly Kind[] = of === 'foam' ? ['varnish'] : ['varnish', 'lacquer']
  return chosen && kinds.includes(chosen.kind)
    ? chosen
    : kinds.flatMap((kind) => agents.filter((a) => a.kind === kind))[0]
}

/** Rows of what goes on while the mould is made. */
export function makingRows(
  making: readonly MakingFace[],
  { pattern, edgeSeal }: Piece['release'],
  stock: Pick<Stock, 'agents'>,
): MakingRow[] {
  const seal = sealOf(
    pattern.of,
    stock.agents.find((a) => a.id === edgeSeal),
    stock,
  )
  const own = stock.agents.find((a) => a.id === pattern.agent)
  return making.map((face): MakingRow => {
    const suits = SUITS[face.against][face.making]
    const usual = suits.flatMap((kind) => stock.agents.filter((a) => a.kind === kind))[0]
    const agent = (face.making === 'pattern' ? own : undefined) ?? usual
    const coat = agent && coatOf(agent, face.areaM2)
    return {
      making: face.making,
      against: face.against,
      of: face.making === 'pattern' ? pattern.of : 'rubber',
      areaM2: face.areaM2,
      seal: face.making === 'pattern' && seal ? coatOf(seal, face.areaM2) : null,
      agent: agent?.name ?? null,
      agentKind: agent?.kind ?? 'none',
      coats: coat?.coats ?? 0,
      waitMinutes: coat?.waitMinutes ?? 0,
      amount: coat?.amount ?? 0,
      unit: coat?.unit ?? null,
      cost: agent?.price == null ? null : coat!.amount * agent.price,
    }
  })
}

/** Minutes of hands [own]: a pattern sealed and rubbed down, a square metre a coat of release, the least. */
const WORK = { seal: 30, releasePerM2: 20, least: 15 } as const

/** Sealing and releasing what the mould is made against, in the places of the building order that it names. */
export function makingOperations(
  rows: readonly MakingRow[],
  { making }: Pick<MouldStation['figures'], 'making'>,
): Operation[] {
  return rows.flatMap((row, i): Operation[] => {
    const face = making[i]!
    const plain = { station: 'release', per: 'mould', leads: face.before } as const
    const { seal } = row
    return [
      ...(seal
        ? [
            operation({
              ...plain,
              ...act('seal-pattern', {
                of: row.of,
                seal: seal.name,
                coats: seal.coats,
                against: row.against,
              }),
              id: `seal/${face.making}`,
              minutes: WORK.seal,
              waitMinutes: seal.waitMinutes,
              leads: [...face.after, ...face.before],
              takes: [{ name: seal.name, amount: seal.amount, unit: seal.unit }],
            }),
          ]
        : []),
      ...(row.agent !== null && !NOT_ONE.has(row.agentKind)
        ? [
            operation({
              ...plain,
              ...act('release-making', {
                making: row.making,
                agent: row.agent,
                coats: row.coats,
                by: row.agentKind,
              }),
              id: `release/${face.making}`,
              minutes: Math.max(WORK.least, row.areaM2 * row.coats * WORK.releasePerM2),
              waitMinutes: row.waitMinutes,
              needs: [...face.after, ...(seal ? [`seal/${face.making}`] : [])],
              takes: [{ name: row.agent, amount: row.amount, unit: row.unit ?? '' }],
            }),
          ]
        : []),
    ]
  })
}

type Told = Pick<Finding, 'code' | 'level' | 'facts' | 'remedies'>

/** What keeps rubber from curing, foams it, or bonds it to what it is poured on; each with what cures it. */
export function makingFindings(
  piece: Piece,
  rows: readonly MakingRow[],
  { making }: Pick<MouldStation['figures'], 'making'>,
  stock: Pick<Stock, 'agents' | 'rubbers'>,
): Told[] {
  const { pattern } = piece.release
  const put = (patch: Partial<typeof pattern>, agent?: Agent): Finding['remedies'][number]['changes'] => [
    ...(agent ? [{ type: 'stockRowKept' as const, list: 'agents' as const, row: agent }] : []),
    { type: 'releaseChosen', pieceId: piece.id, patch: { pattern: { ...pattern, ...patch } } },
  ]
  const rubber = 'rubber' in piece.mould ? piece.mould.rubber : null
  const tin = stock.rubbers.find((r) => r.family === 'tin-silicone' && r.id !== rubber)
  const toTin: Finding['remedies'] = tin
    ? [
        {
          code: 'other-rubber',
          facts: { rubber: tin.name },
          changes: [{ type: 'mouldChosen', pieceId: piece.id, patch: { rubber: tin.id } }],
        },
      ]
    : []
  const plainClay: Finding['remedies'] = [
    { code: 'plain-clay', facts: {}, changes: put({ clay: 'sulphur-free' }) },
  ]
  return rows.flatMap((row, i): Told[] => {
    const { against } = row
    const clay = making[i]!.clay ? pattern.clay : 'sulphur-free'
    const told: Told[] = []
    if (against === 'platinum-silicone' && clay === 'sulphur')
      told.push({
        code: 'cure-inhibited',
        level: 'stop',
        facts: { by: 'sulphur-clay' },
        remedies: [...plainClay, ...toTin],
      })
    if (row.making === 'pattern' && against === 'platinum-silicone' && row.of === 'resin-print')
      told.push({ code: 'cure-inhibited', level: 'warn', facts: { by: 'resin-print' }, remedies: toTin })
    const met = pattern.before
    if (row.making === 'pattern' && met !== 'nothing' && SPOILS[against].includes(met))
      told.push({
        code: 'pattern-spoils',
        level: 'warn',
        facts: { met, against },
        remedies: [
          { code: 'washed', facts: { met }, changes: put({ before: 'nothing' }) },
          ...(against === 'platinum-silicone' && met !== 'sealant' ? toTin : []),
        ],
      })
    if (against === 'polyurethane' && clay === 'water')
      told.push({ code: 'rubber-foams', level: 'warn', facts: {}, remedies: plainClay })
    const suits = SUITS[against][row.making]
    if (suits.length > 0 && !suits.includes(row.agentKind)) {
      // An older stock may have none that suits: then a row of it comes with the cure.
      const agent =
        stock.agents.find((a) => suits.includes(a.kind)) ??
        startingStock().agents.find((a) => suits.includes(a.kind))!
      told.push({
        code: 'making-bonds',
        level: NOT_ONE.has(row.agentKind) ? 'stop' : 'warn',
        facts: { making: row.making, against, agent: row.agent ?? '', instead: agent.name },
        remedies: [
          {
            code: 'making-bonds',
            facts: { agent: agent.name },
            changes: put(
              row.making === 'pattern' ? { agent: null } : {},
              stock.agents.includes(agent) ? undefined : agent,
            ),
          },
        ],
      })
    }
    return told
  })
}
