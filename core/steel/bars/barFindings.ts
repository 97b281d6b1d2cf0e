import type { findingList, Piece, Remedy } from '../../job/index.ts'
import type { PieceGeometry } from '../../piece/index.ts'
import type { Bar } from '../../stock/index.ts'
import { takesMesh } from '../takesMesh.ts'
import type { SteelFindings } from '../words.ts'
import { bendingList } from './bendingList.ts'
import { HELD } from './bentLength.ts'
import { type Bars, FIFTH, GHOSTING, type TakesBars } from './planBars.ts'

type Raise = ReturnType<typeof findingList<SteelFindings>>['raise']

/** Steel in a post, as a guide: this share of its section. */
const LEAST_SHARE = 0.0018

/** What is wrong with the bars that were asked for. */
export function barFindings(
  piece: Piece,
  geometry: PieceGeometry,
  planned: Bars,
  stock: readonly Bar[],
  raise: Raise,
): void {
  const { bars: choice } = piece.steel
  const { takes, main, cover } = planned
  const chosen = (code: string, patch: Partial<typeof choice>, facts: Remedy['facts'] = {}): Remedy => ({
    code,
    facts,
    changes: [{ type: 'steelChosen', pieceId: piece.id, patch: { bars: { ...choice, ...patch } } }],
  })
  const asked = (['rails', 'corners', 'hoops', 'cage', 'ribs'] as const).filter((k) => choice[k])
  if (asked.length === 0 && choice.own.length === 0) return
  const misfit: (keyof TakesBars | 'own')[] = asked.filter((k) => !takes[k])
  if (choice.own.length > 0 && !takesMesh(piece, geometry)) misfit.push('own')
  if (misfit.length > 0)
    raise('bars-not-here', 'note', { which: misfit.join(' ') }, [
      chosen('none', Object.fromEntries(misfit.map((k) => [k, k === 'own' ? [] : false]))),
    ])
  if (!main) {
    raise('bar-missing', 'stop', { row: choice.row ?? '' }, [chosen('usual', { row: null })])
    return
  }
  const thinner = stock
    .filter((b) => b.material === main.material && b.diameter < main.diameter)
    .sort((a, b) => b.diameter - a.diameter)
    .slice(0, 2)
    .map((b) => chosen(`bar/${b.id}`, { row: b.id }, { bar: b.name }))
  const without = (...keys: (keyof TakesBars)[]) =>
    chosen('none', Object.fromEntries(keys.map((k) => [k, false])))
  for (const which of planned.none)
    raise('bars-no-room', 'warn', { which, coverMm: cover, diameterMm: main.diameter }, [
      ...thinner,
      without(which),
    ])
  const { rails, corners, short, own, ownShort } = planned.bare
  if (own > 0)
    raise('own-bars-bare', 'warn', { count: own, coverMm: cover, diameterMm: main.diameter }, thinner)
  if (ownShort > 0) raise('own-bars-short', 'note', { count: ownShort, coverMm: cover })
  if (rails > 0)
    raise('rails-bare', 'warn', { count: rails, coverMm: cover, diameterMm: main.diameter }, [
      ...thinner,
      without('rails'),
    ])
  if (corners > 0)
    raise('corners-bare', 'note', { count: corners, coverMm: cover, diameterMm: main.diameter }, [
      ...thinner,
      without('corners'),
    ])
  if (short > 0) raise('corner-bars-short', 'note', { count: short, heldMm: HELD * main.diameter }, thinner)
  if (planned.hoopCover !== null)
    raise('hoop-cover', 'warn', { coverMm: planned.hoopCover, wantedMm: cover }, [
      ...thinner,
      without('hoops'),
    ])
  const inSlab = planned.height !== null && takesMesh(piece, geometry)
  if (inSlab && main.diameter > geometry.thickness / FIFTH + 1e-6)
    raise('bar-thick', 'warn', { diameterMm: main.diameter, mostMm: geometry.thickness / FIFTH }, thinner)
  if (inSlab && planned.bars.length > 0) {
    const least = Math.min(planned.height!, geometry.thickness - planned.height!) - main.diameter / 2
    if (least < GHOSTING - 1e-6)
      raise(
        'bar-cover',
        least < GHOSTING / 2 ? 'stop' : 'warn',
        { coverMm: Math.max(0, least), wantedMm: cover },
        [...thinner, without('rails', 'corners')],
      )
  }
  if (main.material === 'glass-fibre' && bendingList(planned.bars).some((b) => b.shape !== 'straight'))
    raise('bar-not-bent', 'stop', { bar: main.name }, [chosen('usual', { row: null })])
  const lapped = bendingList(planned.bars).filter((b) => b.pieces > 1)
  if (lapped.length > 0)
    raise('bars-lap', 'note', {
      count: lapped.reduce((sum, b) => sum + b.count, 0),
      lapMm: HELD * main.diameter,
      lengthMm: main.length,
    })
  if (planned.share > 0 && planned.share < LEAST_SHARE)
    raise('cage-light', 'note', { percent: planned.share * 100 })
}
