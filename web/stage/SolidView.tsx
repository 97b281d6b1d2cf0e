import { useEffect, useRef } from 'react'
import { usePlan } from '../state/PlanContext.tsx'
import { useAppDispatch, useAppSelector } from '../state/store.ts'
import { pointedAt } from '../state/viewSlice.ts'
import { openSolidScene, type SolidScene } from './solidScene.ts'
import { useSize } from './useSize.ts'

/** The solid: piece and mould in space, turned by hand, drawn only when something changed. */
export function SolidView() {
  const { piece, scene, solidFresh, plan, previewing } = usePlan()
  const { attitude, lit, theme, apart } = useAppSelector((s) => s.view)
  const dispatch = useAppDispatch()
  const { attach, size } = useSize<HTMLDivElement>()
  const canvas = useRef<HTMLCanvasElement>(null)
  const solid = useRef<SolidScene | null>(null)
  useEffect(() => {
    if (!canvas.current) return
    try {
      solid.current = openSolidScene(canvas.current, (id) => dispatch(pointedAt(id)))
    } catch {
      solid.current = null
    }
    return () => {
      solid.current?.close()
      solid.current = null
    }
  }, [dispatch])
  useEffect(() => {
    if (size.width > 0) solid.current?.resize(size.width, size.height)
  }, [size])
  useEffect(() => {
    if (scene) solid.current?.show(scene)
  }, [scene])
  // biome-ignore lint/correctness/useExhaustiveDependencies: the colours are read again when the theme turns
  useEffect(() => {
    solid.current?.dress({ attitude, lit, apart, theme })
  }, [attitude, lit, apart, theme, scene])
  const stale = plan !== null && !solidFresh && !previewing
  const broken = plan !== null && plan.stations.piece?.geometry.recipe === null
  return (
    <div ref={attach} className="relative h-full min-h-0 w-full overflow-hidden border-l">
      <span className="view-name absolute left-4 top-2">
        Solid{broken ? ': the last one that could be built' : ''}
      </span>
      <canvas
        ref={canvas}
        className={`absolute inset-0 h-full w-full ${stale || broken ? 'stale' : ''}`}
        role="img"
        aria-label={`Solid view of ${piece.name}, ${attitude === 'poured' ? 'as poured in its mould' : 'as placed'}`}
      />
      {lit && (
        <span className="label absolute bottom-1 left-4 text-[14px] text-soft">{lit.replace('/', ' ')}</span>
      )}
    </div>
  )
}
