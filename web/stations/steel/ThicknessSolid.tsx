import { useEffect, useMemo, useState } from 'react'
import type { SteelFigures, ThicknessMap } from '../../../core/steel/index.ts'
import { formatLength } from '../../../core/units/index.ts'
import { rgbOf } from '../../stage/rgbOf.ts'
import { useSolidScene } from '../../stage/useSolidScene.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useAppSelector } from '../../state/store.ts'
import { useMeasureStyle } from '../../state/useMeasureStyle.ts'
import type { Scene } from '../../worker/protocol.ts'
import { placeLabels } from './placeLabels.ts'
import { fillOf } from './thicknessFill.ts'
import { contourLevels, INSIDE } from './thicknessGrid.ts'
import { moved, type Tinted, tinting } from './thicknessTint.ts'

/** How thick it is behind every place of its surface: in steps, turned by hand, the thinnest places with their figures. */
export default function ThicknessSolid({
  map,
  places,
  wanted,
  size,
}: {
  map: ThicknessMap
  places: SteelFigures['thinPlaces']
  wanted: number
  size: { readonly width: number; readonly height: number }
}) {
  const { piece, scene } = usePlan()
  const { theme } = useAppSelector((s) => s.view)
  const style = useMeasureStyle()
  const { canvas, solid, drawn } = useSolidScene(size)
  const own = useMemo(
    () => scene && { ...scene, parts: scene.parts.filter((p) => p.role === 'piece') },
    [scene],
  )
  const tinted = useTinted(own, map)
  useEffect(() => {
    if (!own || !solid.current) return
    solid.current.show(own)
    solid.current.dress({ attitude: 'placed', lit: null, apart: false, theme })
    solid.current.tint(
      tinted ? { positions: tinted.positions, colours: coloursOf(tinted.mm, map, wanted) } : null,
    )
  }, [own, tinted, map, wanted, theme, solid])
  // None over another: the thinnest first.
  const labels = placeLabels(
    drawn > 0 && own
      ? places.flatMap((p, i) => {
          const at = solid.current?.seenAt(moved([p.xMm, p.yMm, p.zMm], own.toPoured))
          return at
            ? [{ key: String(i), at, away: 0, text: `${i + 1}: ${formatLength(p.leastMm, style)}` }]
            : []
        })
      : [],
    size,
  )
  return (
    <>
      <canvas
        ref={canvas}
        className="absolute inset-0 h-full w-full"
        role="img"
        aria-label={`How thick ${piece.name} is, on its solid: ${places.map((p, i) => `${i + 1}, ${formatLength(p.leastMm, style)}`).join('; ')}`}
      />
      {(!own || tinted === undefined) && (
        <p className="label absolute left-4 top-10 text-soft" role="status">
          Its solid is being drawn.
        </p>
      )}
      {tinted === null && own && (
        <p className="label absolute left-4 top-10 text-soft">
          This mesh is too fine to be drawn with its thickness: look from above, from the front, or cut
          through.
        </p>
      )}
      {drawn > 0 &&
        own &&
        places.map((p, i) => {
          const seen = labels.get(String(i))
          if (!seen) return null
          const thin = p.wantedMm !== null && p.leastMm < p.wantedMm - 1e-6
          return (
            <span
              key={`${p.between.join()}${p.xMm},${p.yMm}`}
              className={`label pointer-events-none absolute -translate-x-1/2 -translate-y-1/2 bg-sheet px-1 text-[14px] ${thin ? 'font-bold text-oxide' : ''}`}
              style={{ left: seen[0], top: seen[1] }}
            >
              {i + 1}: {formatLength(p.leastMm, style)}
            </span>
          )
        })}
    </>
  )
}

/** The tinted surface, worked out in slices so that the page stays quick; undefined until it is there, null of too fine a mesh. */
function useTinted(scene: Scene | null, map: ThicknessMap): Tinted | null | undefined {
  const [tinted, setTinted] = useState<Tinted | null | undefined>(undefined)
  useEffect(() => {
    setTinted(undefined)
    const mesh = scene?.parts[0]?.mesh
    if (!mesh) return
    const work = tinting(mesh, map, scene.toPoured)
    let timer = 0
    const slice = () => {
      const until = performance.now() + SLICE
      for (;;) {
        const { done, value } = work.next()
        if (done) {
          setTinted(value)
          return
        }
        if (performance.now() > until) break
      }
      timer = window.setTimeout(slice, 0)
    }
    timer = window.setTimeout(slice, 0)
    return () => clearTimeout(timer)
  }, [scene, map])
  return tinted
}
/** Work on the page's thread at a time, ms. */
const SLICE = 12

/** Three corners a triangle, in the fills of the drawing on paper. */
function coloursOf(mm: Float32Array, map: ThicknessMap, wanted: number): Float32Array {
  const levels = contourLevels(map.samples, wanted)
  const known = new Map<number, readonly [number, number, number]>()
  const colours = new Float32Array(mm.length * 9)
  mm.forEach((thick, t) => {
    const level = levels.find((l) => thick <= l) ?? INSIDE
    const rgb = known.get(level) ?? rgbOf(fillOf(level, wanted))
    known.set(level, rgb)
    for (let k = 0; k < 9; k += 1) colours[9 * t + k] = rgb[k % 3]!
  })
  return colours
}
