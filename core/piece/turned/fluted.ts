import { type Loop, type PathCorner, type Point, pathLoop } from '../../geometry/index.ts'
import type { TurnedForm } from '../../job/index.ts'

type Fluted = Extract<TurnedForm, { form: 'fluted' }>

/**
 * The section of a fluted or ribbed shaft about `centre`. Each of n divisions is a land on the circle and a flute (or
 * rib) that takes `share` of it: round ones are circular arcs of the stated depth, flat ones have radial sides.
 */
export function flutedLoop(form: Fluted, centre: Point): Loop {
  const R = form.diameter / 2
  const ribs = form.way === 'ribs'
  const base = ribs ? R - form.depth : R
  const tip = ribs ? R : R - form.depth
  const half = (Math.PI / form.count) * form.share
  const land = (Math.PI / form.count) * (1 - form.share)
  const at = (radius: number, a: number) => ({
    x: centre[0] + radius * Math.cos(a),
    y: centre[1] + radius * Math.sin(a),
  })
  const bulge = (radius: number, angle: number) =>
    ({ kind: 'arc', rise: radius * (1 - Math.cos(angle)) }) as const
  const line = { kind: 'line' } as const
  const corners = Array.from({ length: form.count }, (_, i): PathCorner[] => {
    const a = (2 * Math.PI * i) / form.count
    const name = `${ribs ? 'rib' : 'flute'}-${i + 1}`
    const on = { ...at(base, a + half), radius: 0, side: 'land', run: bulge(base, land) }
    const from = { ...at(base, a - half), radius: 0, side: name }
    if (form.cut === 'round')
      // The chord stands base cos(half) from the axis; the arc's middle at the tip.
      return [{ ...from, run: { kind: 'arc', rise: tip - base * Math.cos(half) } }, on]
    return [
      { ...from, run: line },
      { ...at(tip, a - half), radius: 0, side: name, run: bulge(tip, half) },
      { ...at(tip, a + half), radius: 0, side: name, run: line },
      on,
    ]
  }).flat()
  return pathLoop(corners, { side: (id) => `side/${id}`, corner: (b, c) => `corner/${b}-${c}` })
}
