import { lazy, Suspense, useEffect, useState } from 'react'
import type { Piece, StationName } from '../../core/job/index.ts'
import { pouredSize } from '../../core/piece/index.ts'
import { PlanView } from '../stage/PlanView.tsx'
import { SectionView } from '../stage/SectionView.tsx'
import { usePlan } from '../state/PlanContext.tsx'
import { useAppDispatch, useAppSelector, useChange } from '../state/store.ts'
import {
  attitudeShown,
  type Lens,
  lensTurned,
  partsMoved,
  type ReleaseLens,
  releaseLensTurned,
} from '../state/viewSlice.ts'
import { Turns } from '../ui/Turns.tsx'

import { SCREENS } from './stations.ts'

const SolidView = lazy(() => import('../stage/SolidView.tsx').then((m) => ({ default: m.SolidView })))

/** The stage: plan, solid and section of the same solids, turned over together. */
export function Stage({ station }: { station: StationName }) {
  const { attitude, apart } = useAppSelector((s) => s.view)
  const { piece, plan } = usePlan()
  const poured = plan?.stations.piece?.figures.poured
  const dispatch = useAppDispatch()
  const turning = useTurning(attitude)
  const { band, hero, stage: Own } = SCREENS[station]
  const { lens, releaseLens } = useAppSelector((s) => s.view)
  const Hero = plan?.panels || (station === 'release' && !plan?.stations.mould) ? undefined : hero
  if (Own && !plan?.panels)
    return (
      <Suspense fallback={null}>
        <Own />
      </Suspense>
    )
  // A band of boards or of stripping needs a mould to tell of.
  const mould = plan?.stations.mould
  const bare =
    plan !== null && (plan.panels !== null || (station === 'mould' && !mould?.figures.layouts.length))
  const Band = bare ? undefined : band
  const down = piece.attitude.down === 'top'
  const geometry = plan?.stations.piece?.geometry
  const [across, , high] = geometry ? pouredSize(piece.attitude, geometry) : [1, 1, 0]
  const tall = high > TALL * across
  return (
    <div className="grid min-h-0 min-w-0 grid-cols-[minmax(0,1fr)] grid-rows-[40px_minmax(0,1fr)]">
      <div className="flex items-center gap-4 border-b px-4">
        <PieceName />
        {Hero && station === 'release' && (
          <LensTurns
            value={releaseLens}
            ways={RELEASE_LENSES}
            onTurn={(next) => dispatch(releaseLensTurned(next))}
          />
        )}
        {Hero && station === 'steel' && (
          <LensTurns value={lens} ways={STEEL_LENSES} onTurn={(next) => dispatch(lensTurned(next))} />
        )}
        {!plan?.panels && (!Hero || turnsOver(station, lens, releaseLens)) && (
          <Turns
            label="Attitude shown"
            value={attitude}
            ways={[
              { value: 'poured', name: 'as poured' },
              { value: 'placed', name: 'as placed' },
            ]}
            onTurn={(next) => dispatch(attitudeShown(next))}
            className="flex flex-none border-[1.5px] border-ink"
            item={(on) => `label min-h-8 px-4 text-[16px] font-bold ${on ? 'bg-ink text-sheet' : ''}`}
          />
        )}
        <span className="label hidden min-w-0 flex-1 text-[14px] leading-none text-soft min-[1200px]:block">
          {plan?.panels
            ? 'as it is glued up'
            : Hero && station === 'steel' && lens !== 'inside'
              ? 'as placed'
              : Hero && (station === 'release' || station === 'mix' || station === 'pour')
                ? ''
                : lies(piece, attitude, poured ?? '')}
        </span>
        <span className="label flex-1 text-[14px] leading-none text-soft min-[1200px]:hidden">
          {piece.kind === 'slab' && !Hero && attitude === 'poured' && (down ? 'mirrored' : 'not mirrored')}
        </span>
        {plan && plan.leftOut.length > 0 && (
          <strong className="label text-[14px] leading-none text-oxide">
            planned without {plan.leftOut.map((l) => l.name).join(', ')}
          </strong>
        )}
        {!Hero && (
          <button
            type="button"
            className="word label flex-none text-soft"
            aria-pressed={apart}
            onClick={() => dispatch(partsMoved())}
            disabled={attitude === 'placed'}
          >
            {apart ? 'parts together' : 'parts apart'}
          </button>
        )}
      </div>
      <div
        className={`grid min-h-0 grid-cols-[minmax(0,1fr)] ${rowsFor(Band !== undefined, tall, Hero !== undefined && station !== 'steel')}`}
      >
        {Hero ? (
          <div id="plan" tabIndex={-1} className="grid min-h-0 min-w-0">
            <Suspense fallback={<div />}>
              <Hero />
            </Suspense>
          </div>
        ) : (
          <div
            className={`grid min-h-0 grid-cols-[minmax(0,2.25fr)_minmax(0,1fr)] ${turning ? 'turning' : ''}`}
          >
            <div id="plan" tabIndex={-1} className="grid min-h-0 min-w-0">
              <PlanView station={station} />
            </div>
            <Suspense fallback={<div className="border-l" />}>
              <SolidView />
            </Suspense>
          </div>
        )}
        <SectionView />
        {Band && (
          <Suspense fallback={<div className="border-t" />}>
            <Band />
          </Suspense>
        )}
      </div>
    </div>
  )
}

/** Whether a hero shows the piece, so that it can be turned over. */
const turnsOver = (station: StationName, lens: Lens, releaseLens: ReleaseLens): boolean =>
  station === 'steel' ? lens === 'inside' : station === 'release' && releaseLens !== 'film'

type Way<T> = { readonly value: T; readonly name: string }
const STEEL_LENSES: readonly Way<Lens>[] = [
  { value: 'inside', name: 'inside' },
  { value: 'thickness', name: 'thickness' },
  { value: 'handling', name: 'handling' },
]
const RELEASE_LENSES: readonly Way<ReleaseLens>[] = [
  { value: 'film', name: 'coming apart' },
  { value: 'faces', name: 'on the faces' },
  { value: 'draft', name: 'draft' },
]

/** Through which of its lenses a station is looked at. */
function LensTurns<T extends string>(turns: {
  value: T
  ways: readonly Way<T>[]
  onTurn: (value: T) => void
}) {
  return (
    <Turns
      label="Lens"
      {...turns}
      className="flex flex-none border-[1.5px] border-ink"
      item={(on) => `label min-h-8 px-3 text-[16px] font-bold ${on ? 'bg-ink text-sheet' : ''}`}
    />
  )
}

/** How the piece lies as it is shown, and whether its plan is a mirror image. */
function lies(piece: Piece, attitude: 'poured' | 'placed', poured: string): string {
  if (piece.kind !== 'slab') return attitude === 'placed' ? 'as it will stand' : poured
  if (attitude === 'placed') return 'show face up, as it will stand'
  return piece.attitude.down === 'top'
    ? 'show face down: the plan is a mirror image'
    : 'show face up in the pour: nothing is mirrored'
}

/** As high as this against its length, a piece is tall [own]. */
const TALL = 0.3

/** A tall piece has more to show in its section than a slab has. */
const rowsFor = (band: boolean, tall: boolean, witness: boolean): string => {
  // The section is a witness there: the room is the film's, or the vessels'.
  if (witness) return 'grid-rows-[minmax(0,3fr)_minmax(0,1fr)]'
  if (!band) return 'grid-rows-[minmax(0,1.7fr)_minmax(0,1fr)]'
  return tall
    ? 'grid-rows-[minmax(0,1.1fr)_minmax(0,1.05fr)_minmax(0,0.85fr)]'
    : 'grid-rows-[minmax(0,1.35fr)_minmax(0,0.72fr)_minmax(0,0.95fr)]'
}

/** True for the moment in which the stage turns over. */
function useTurning(attitude: string): boolean {
  const [seen, setSeen] = useState(attitude)
  const turning = seen !== attitude
  useEffect(() => {
    if (!turning) return
    const timer = setTimeout(() => setSeen(attitude), 380)
    return () => clearTimeout(timer)
  }, [turning, attitude])
  return turning
}

/** Long names are written smaller, so that all of them is read. */
const nameSize = (letters: number): string =>
  letters <= 16 ? 'text-[20px]' : letters <= 22 ? 'text-[16px]' : 'text-[12px]'

function PieceName() {
  const { piece } = usePlan()
  const change = useChange()
  const [typed, setTyped] = useState<string | null>(null)
  const commit = () => {
    const name = typed?.trim()
    if (name && name !== piece.name)
      change(`name ${name}`, {
        type: 'pieceDescribed',
        pieceId: piece.id,
        patch: { name: name.slice(0, 120) },
      })
    setTyped(null)
  }
  return (
    <input
      aria-label="Name of the piece"
      className={`label min-h-8 w-[150px] border-b border-transparent bg-transparent font-bold hover:border-hair focus:border-ink min-[1200px]:w-[210px] ${nameSize((typed ?? piece.name).length)}`}
      value={typed ?? piece.name}
      onChange={(e) => setTyped(e.target.value)}
      onBlur={commit}
      maxLength={120}
      data-typed={typed === null ? 'no' : undefined}
      onKeyDown={(e) => {
        if (e.key === 'Enter') commit()
        if (e.key === 'Escape') setTyped(null)
      }}
    />
  )
}
