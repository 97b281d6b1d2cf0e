import { useEffect, useMemo, useRef, useState } from 'react'
import { filmSteps, frameAt, stuckParts } from '../../../core/release/index.ts'
import { isStripping, partIdsOf } from '../../../core/work/index.ts'
import { useSize } from '../../stage/useSize.ts'
import { useSolidScene } from '../../stage/useSolidScene.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useAppDispatch, useAppSelector } from '../../state/store.ts'
import { useWork } from '../../state/useWork.ts'
import { pointedAt } from '../../state/viewSlice.ts'
import { FilmStepCard } from './FilmStepCard.tsx'

/** A step lasts so long when the film is played, ms; with less motion it stands so long. */
const STEP_MS = 1800
/** A step's name has room below the film in so much, and beside the canvas stands so much, px. */
const [NAMED, BESIDE] = [92, 90]

/** The mould coming apart, step after step, as a solid: scrubbed by hand or played. */
export function FilmLens() {
  const { piece, plan, scene, looks, whole } = usePlan()
  const { theme, lit } = useAppSelector((s) => s.view)
  const dispatch = useAppDispatch()
  const { attach, size } = useSize<HTMLDivElement>()
  const { canvas, solid } = useSolidScene(size, (id) => dispatch(pointedAt(id)))
  const lines = useWork(isStripping)
  const moves = plan?.stations.release?.figures.moves
  const steps = useMemo(() => {
    const longest = scene ? Math.max(...scene.size) : 1
    return filmSteps(
      lines.map(({ of }) => of),
      moves ?? [],
      longest,
    )
  }, [lines, moves, scene])
  const stuck = useMemo(
    () =>
      stuckParts(
        (scene?.parts ?? []).flatMap((p) => (p.pull ? [p.id] : [])),
        lines.map(({ of }) => of),
        moves ?? [],
      ),
    [scene, lines, moves],
  )
  const [moment, setMoment] = useState(0)
  const [playing, setPlaying] = useState(false)
  const last = steps.length
  const at = Math.min(moment, last)

  useEffect(() => {
    if (!scene || !solid.current) return
    solid.current.show(scene)
  }, [scene, solid])
  useEffect(() => {
    solid.current?.dress({ attitude: 'poured', lit, apart: false, theme })
  }, [solid, lit, theme])
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new scene is shown whole until its moment is set again
  useEffect(() => {
    solid.current?.film(frameAt(steps, at, stuck))
  }, [scene, solid, steps, stuck, at])

  // biome-ignore lint/correctness/useExhaustiveDependencies: another piece begins with its mould whole
  useEffect(() => {
    setMoment(0)
    setPlaying(false)
  }, [piece.id])
  const from = useRef(0)
  from.current = at
  useEffect(() => {
    if (!playing) return
    if (matchMedia('(prefers-reduced-motion: reduce)').matches) {
      const timer = setInterval(() => {
        const next = Math.floor(from.current) + 1
        from.current = next
        setMoment(next)
        if (next >= last) setPlaying(false)
      }, STEP_MS)
      return () => clearInterval(timer)
    }
    let frame = 0
    let before = performance.now()
    const go = (now: number) => {
      const next = from.current + (now - before) / STEP_MS
      before = now
      setMoment(Math.min(next, last))
      if (next < last) frame = requestAnimationFrame(go)
      else setPlaying(false)
    }
    frame = requestAnimationFrame(go)
    return () => cancelAnimationFrame(frame)
  }, [playing, last])

  const shown = Math.min(last - 1, Math.max(0, Math.ceil(at) - 1))
  const line = lines[shown]
  const named = size.width + BESIDE >= NAMED * lines.length
  const ready = line !== undefined && moves !== undefined && moves.length > 0
  return (
    <div
      className={`grid h-full min-h-0 w-full grid-cols-[minmax(180px,280px)_minmax(0,1fr)] grid-rows-[minmax(0,1fr)_auto] ${whole ? looks.release : 'stale'}`}
      data-testid="lens"
    >
      <div className="min-h-0 overflow-auto px-4 pt-2">
        {plan && last === 0 && <p className="label text-soft">Nothing is taken off this mould in steps.</p>}
        {plan && last > 0 && !ready && (
          <>
            <p className="label text-soft" role="status">
              {plan.guessed.mould
                ? 'The mould is being built as solids; the film comes with it.'
                : 'The film needs the solids of the mould.'}
            </p>
            <ol className="label mt-2 list-decimal pl-5 text-[15px]">
              {lines.map(({ text, of }) => (
                <li key={of[0]!.id}>{text}</li>
              ))}
            </ol>
          </>
        )}
        {ready && <FilmStepCard n={shown} of={last} line={line} begun={at > 0} />}
      </div>
      <div ref={attach} className="relative min-h-0 min-w-0 overflow-hidden">
        <canvas
          ref={canvas}
          className="absolute inset-0 h-full w-full"
          role="img"
          aria-label={`${piece.name} coming out of its mould${line && at > 0 ? `, step ${shown + 1} of ${last}: ${line.short}` : ', the mould whole'}`}
        />
      </div>
      {ready && (
        <div className="col-span-2 flex items-start gap-4 px-4 pb-2">
          <button
            type="button"
            className="act min-w-[78px] flex-none"
            onClick={() => {
              if (!playing && at >= last) setMoment(0)
              setPlaying(!playing)
            }}
          >
            {playing ? 'Pause' : at >= last ? 'Again' : 'Play'}
          </button>
          <div className="min-w-0 flex-1">
            <input
              type="range"
              className="film w-full"
              aria-label="Moment of the film"
              aria-valuetext={at === 0 ? 'the mould whole' : `step ${shown + 1} of ${last}: ${line.short}`}
              min={0}
              max={last}
              step={0.02}
              value={at}
              onKeyDown={(e) => {
                const way = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }[e.key]
                if (way === undefined) return
                e.preventDefault()
                setPlaying(false)
                setMoment(Math.min(last, Math.max(0, way > 0 ? Math.floor(at) + 1 : Math.ceil(at) - 1)))
              }}
              onChange={(e) => {
                setPlaying(false)
                setMoment(Number(e.target.value))
              }}
            />
            <ol className="flex" aria-label="Steps">
              {lines.map(({ short, of }, i) => (
                <li key={of[0]!.id} className="min-w-0 flex-1 border-l border-hair pl-1 last:border-r">
                  <button
                    type="button"
                    className={`label block min-h-[38px] w-full text-left align-top text-[14px] leading-tight ${i === shown && at > 0 ? 'font-bold' : 'text-soft'}`}
                    aria-label={`Show step ${i + 1}: ${short}`}
                    title={short}
                    onClick={() => {
                      setPlaying(false)
                      setMoment(i + 1)
                    }}
                    onPointerEnter={() => dispatch(pointedAt(partIdsOf(of[0]!)[0] ?? null))}
                    onPointerLeave={() => dispatch(pointedAt(null))}
                  >
                    <strong>{i + 1}</strong>
                    {named && ` ${short}`}
                  </button>
                </li>
              ))}
            </ol>
          </div>
        </div>
      )}
    </div>
  )
}
