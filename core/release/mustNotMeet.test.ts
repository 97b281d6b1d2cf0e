import { beforeAll, describe, expect, it } from 'vitest'
import type { Kernel } from '../geometry/index.ts'
import { newTurned, type Piece, type ReleaseChoice, withChoice } from '../job/index.ts'
import { anyPiece, seeded } from '../testing/anyPiece.ts'
import { rounds } from '../testing/rounds.ts'
import { testKernel } from '../testing/testKernel.ts'
import { testJob, testStock, testTop } from '../testing/testPiece.ts'
import { planPiece, proveRemedies } from '../testing/wholeLine.ts'
import { partIdsOf } from '../work/index.ts'

let kernel: Kernel
beforeAll(async () => {
  kernel = await testKernel()
})
const idOf = (kind: string) => testStock.agents.find((a) => a.kind === kind)?.id ?? kind
const fuel = { ...testStock.agents[0]!, id: 'diesel', name: 'diesel', kind: 'fuel' as const }
const top = (release: Partial<ReleaseChoice>): Piece => {
  const piece = testTop()
  return { ...piece, release: { ...piece.release, ...release } }
}
/** A bowl of revolution in one printed shell. */
const printed = (release: Partial<ReleaseChoice>): Piece => {
  const piece = newTurned({ id: 'top', name: 'Drum', start: '2026-05-30T09:00', zone: 'UTC' }, testStock)
  return {
    ...piece,
    mould: withChoice(piece.mould, { method: 'printed', shells: 2 }),
    release: { ...piece.release, ...release },
  }
}
const jobOf = (piece: Piece) => {
  const job = testJob(piece)
  return { ...job, stock: { ...job.stock, agents: [...job.stock.agents, fuel] } }
}
const planned = (piece: Piece) => planPiece(kernel, jobOf(piece), piece, { quick: true })
const CODES = [
  'agent-refused',
  'agent-seals',
  'agent-tape',
  'agent-fills',
  'agent-wets',
  'silicone-under-sealer',
  'left-out-bonds',
]

describe('what must not be put where', () => {
  it.each<[string, Piece, string | null, string | null]>([
    ['wax on melamine', top({}), null, null],
    ['fuel', top({ faceAgent: 'diesel' }), 'agent-refused', 'stop'],
    [
      'fuel on one face alone',
      top({ faces: { base: { agent: 'diesel', leftOut: null } } }),
      'agent-refused',
      'stop',
    ],
    ['lacquer', top({ faceAgent: idOf('lacquer') }), 'agent-seals', 'stop'],
    ['varnish', top({ faceAgent: idOf('varnish') }), 'agent-seals', 'stop'],
    ['silicone under a sealer', top({ faceAgent: idOf('silicone') }), 'silicone-under-sealer', 'warn'],
    ['tape on flat board', top({ faceAgent: idOf('packing-tape') }), null, null],
    ['tape on a print', printed({ faceAgent: idOf('packing-tape') }), 'agent-tape', 'warn'],
    ['jelly in layer lines', printed({ faceAgent: idOf('petroleum-jelly') }), 'agent-fills', 'warn'],
    ['jelly on melamine', top({ faceAgent: idOf('petroleum-jelly') }), null, null],
    ['a print with nothing on it', printed({ leftOut: 'a trial' }), 'left-out-bonds', 'stop'],
    [
      'one face of a print with nothing',
      printed({ faces: { inside: { agent: null, leftOut: 'a trial' } } }),
      'left-out-bonds',
      'stop',
    ],
    ['melamine with nothing on it is a warning of its own', top({ leftOut: 'a trial' }), null, null],
  ])('%s', (_, piece, code, level) => {
    const plan = planned(piece)
    const found = plan.findings.filter((f) => CODES.includes(f.code))
    expect(found.map((f) => [f.code, f.level])).toEqual(code ? [[code, level]] : [])
    if (!code) return
    // Its cure is tried, and cures it.
    const proven = proveRemedies(kernel, jobOf(piece), plan)
    expect(proven.findings.find((f) => f.code === code)?.remedies.map((r) => r.code)).toEqual([code])
  })
})

describe('a face treated otherwise than the rest', () => {
  const oil = idOf('oil')
  const plan = () => planned(top({ faces: { sides: { agent: oil, leftOut: null } } }))
  it('has its own agent, amount and operation; the rest theirs', () => {
    const { figures, operations } = plan().stations.release!
    const rows = figures.agents.filter((a) => a.use === 'release').map((a) => [a.face, a.agentKind])
    expect(rows).toEqual([
      ['base', 'paste-wax'],
      ['sides', 'oil'],
    ])
    const released = operations.filter((op) => op.code === 'release-face')
    expect(released.map((op) => op.id)).toEqual(['release/faces', 'release/sides'])
    expect(released.flatMap(partIdsOf).sort()).toEqual(
      [...new Set(figures.agents.filter((a) => a.use === 'release').flatMap((a) => a.partIds))].sort(),
    )
  })
  it('is left out with its reason, the others not', () => {
    const { agents } = planned(
      top({ faces: { base: { agent: null, leftOut: 'polished steel lies on it' } } }),
    ).stations.release!.figures
    expect(agents.filter((a) => a.leftOut !== null).map((a) => [a.face, a.use, a.leftOut])).toEqual([
      ['base', 'none', 'polished steel lies on it'],
    ])
    expect(agents.some((a) => a.face === 'sides' && a.use === 'release')).toBe(true)
  })
})

describe('of any piece by any method', () => {
  it.each(Array.from({ length: rounds(5, 60) }, (_, i) => 4400 + i))(
    'every part that meets the cast is told of by a row of what goes on it, seed %d',
    (seed) => {
      const piece = anyPiece(seeded(seed))
      const { release, mould } = planPiece(kernel, testJob(piece), piece).stations
      if (!release || !mould) return
      const named = new Set(release.figures.agents.flatMap((a) => a.partIds))
      const missed = release.figures.drafts.filter((d) => d.meetsMm2 > 100 && !named.has(d.partId))
      // A bead of sealant needs nothing: concrete does not hold on it.
      const bare = missed.filter((d) => mould.parts.find((p) => p.id === d.partId)!.role !== 'sealant')
      expect(bare.map((d) => d.partId)).toEqual([])
    },
  )
})
