import type { Point } from '../../geometry/index.ts'
import { heldMeasure, upright } from '../kindParts.ts'
import type { PieceKind } from '../kinds.ts'
import { turnedProfile } from './turnedProfile.ts'

/** What is turned about an axis, from the front. */
export const turnedKind: PieceKind<'turned'> = {
  advise(piece) {
    const form = piece.turned
    if (form.form === 'bowl' || form.form === 'cap')
      return form.form === 'bowl'
        ? {
            down: 'top',
            reason: 'rim-down',
          }
        : { down: 'bottom', reason: 'flat-face-down' }
    if (form.form === 'frustum' && form.top > form.bottom) return { down: 'top', reason: 'wide-end-down' }
    if (form.form === 'tube' && form.floor > 0) return { down: 'top', reason: 'over-core' }
    return { down: 'bottom', reason: 'on-its-foot' }
  },
  box(piece) {
    if (piece.turned.form === 'fluted') {
      const { diameter, height } = piece.turned
      return { length: diameter, width: diameter, height }
    }
    const profile = turnedProfile(piece)!
    const d = 2 * Math.max(1e-3, ...profile.map((p) => p.radius))
    return { length: d, width: d, height: Math.max(1e-3, ...profile.map((p) => p.z)) }
  },
  marks(piece, { length, height }) {
    if (piece.turned.form === 'fluted') {
      const { diameter: d, count } = piece.turned
      const lines = Array.from(
        { length: Math.min(7, Math.floor(count / 2)) },
        (_, i, all = Math.min(7, Math.floor(count / 2))) => {
          const x = d / 2 - (d / 2) * Math.cos((Math.PI * (i + 1)) / (all + 1))
          return [
            [x, 0],
            [x, height],
          ] as Point[]
        },
      )
      return [upright(d, height), ...lines]
    }
    const profile = turnedProfile(piece)!
    const R = length / 2
    const outer = profile.filter((p) => p.name !== 'inside' && p.name !== 'bore' && p.name !== 'floor')
    return [
      [
        ...outer.map((p): Point => [R + p.radius, p.z]),
        ...[...outer].reverse().map((p): Point => [R - p.radius, p.z]),
      ],
    ]
  },
  held(piece) {
    const form = piece.turned
    const fields = Object.entries(form).filter(
      ([key, value]) => typeof value === 'number' && !['count', 'share', 'exponent'].includes(key),
    ) as [string, number][]
    return [
      ...fields.map(([key, value]) =>
        heldMeasure(piece.id, key, key, value, (mm) => ({ turned: { ...form, [key]: mm } })),
      ),
      ...(form.form === 'profile'
        ? [
            heldMeasure(
              piece.id,
              'scale',
              'width of the whole profile',
              Math.max(...form.corners.map((c) => c.x)),
              (mm) => {
                const k = mm / Math.max(...form.corners.map((c) => c.x))
                return { turned: { ...form, corners: form.corners.map((c) => ({ ...c, x: c.x * k })) } }
              },
            ),
          ]
        : []),
      ...(piece.bore > 0 ? [heldMeasure(piece.id, 'bore', 'bore', piece.bore, (bore) => ({ bore }))] : []),
    ]
  },
}
