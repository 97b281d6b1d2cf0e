import { lazy, Suspense } from 'react'
import type { MouldChoice, Piece } from '../../../core/job/index.ts'
import { METHODS, methodOf, misfitOf, misfitWords, whyNoMould } from '../../../core/mould/index.ts'
import { showNumber } from '../../../core/units/index.ts'
import { Caution, More, Pick } from '../../ui/Choice.tsx'
import { BlockBench } from './BlockBench.tsx'
import { BoardBoxBench } from './BoardBoxBench.tsx'
import { BuildingOrder } from './BuildingOrder.tsx'
import { CostOfCast } from './CostOfCast.tsx'
import { Exports } from './Exports.tsx'
import { Hardware } from './Hardware.tsx'
import { PlanksBench } from './PlanksBench.tsx'
import { RingBench } from './RingBench.tsx'
import { Sawn } from './Sawn.tsx'
import {
  BrushedBench,
  ClosedBench,
  FoundBench,
  LayersBench,
  LinedBench,
  PackedBench,
  PrintedBench,
  RibsBench,
  UpperFormBench,
} from './ShapedBenches.tsx'
import { TableLevel } from './TableLevel.tsx'
import { TubeBench } from './TubeBench.tsx'
import { useMould } from './useMould.ts'

const RUBBER =
  'Uncured rubber and its vapours harm skin and lungs: gloves, air, and no food near. Polyurethane foams on damp.'

const MethodChart = lazy(() => import('./MethodChart.tsx').then((m) => ({ default: m.MethodChart })))
const BENCHES = {
  'board-box': BoardBoxBench,
  'upper-form': UpperFormBench,
  lined: LinedBench,
  planks: PlanksBench,
  tube: TubeBench,
  ring: RingBench,
  ribs: RibsBench,
  packed: PackedBench,
  layers: LayersBench,
  printed: PrintedBench,
  block: BlockBench,
  brushed: BrushedBench,
  closed: ClosedBench,
  found: FoundBench,
} as const satisfies Record<MouldChoice['method'], () => unknown>

/** The caution that stands where the method is. */
const CAUTIONS: Partial<Record<MouldChoice['method'], string>> = {
  block: RUBBER,
  brushed: RUBBER,
  closed:
    'Resins and their vapours harm skin and lungs: gloves, air. A full closed form is heavy and pushes apart: straps on before it is filled.',
  printed:
    'Printers fume: air. Sanding printed plastic makes dust: wet, with a respirator. Tall shells burst without sand or straps round them.',
  layers:
    'Foam and filler dust harm the lungs: extraction and a respirator. Hot wires fume: only in moving air.',
  packed:
    'Packed fill is heavy: build it where it stands. Tall forms fail under pressure: have them designed by someone qualified.',
}

/** The methods that do not form a piece, each with its reason. */
function Unfit({ piece }: { piece: Piece }) {
  const rows = METHODS.flatMap((m) => {
    const misfit = misfitOf(m, piece)
    return misfit === null ? [] : [{ name: m.name, why: misfitWords(misfit) }]
  })
  if (rows.length === 0) return null
  return (
    <>
      <h3 className="mt-2 text-[15px] font-bold">Do not form it</h3>
      <ul className="label text-[14px] leading-tight" aria-label="Methods that do not form it">
        {rows.map(({ name, why }) => (
          <li key={name} className="border-b py-1">
            {name}: <span className="text-soft">{why}</span>
          </li>
        ))}
      </ul>
    </>
  )
}

/** How the mould is built: the method, and what that method decides. */
export function MouldBench() {
  const { piece, mould, station, figures, look, choose } = useMould()
  const why = whyNoMould(piece)
  const fits = METHODS.filter((m) => misfitOf(m, piece) === null)
  const Bench = BENCHES[mould.method]
  return (
    <>
      <h1>Mould</h1>
      <Pick
        label="Built as"
        value={why === null ? mould.method : ''}
        options={[
          ...(why === null ? [] : [{ id: '', name: fits.length > 0 ? 'choose a method' : 'no method yet' }]),
          ...fits,
        ]}
        onChoose={(id) => {
          const method = METHODS.find((m) => m.id === id)
          if (method) choose(`mould: ${method.name}`, { method: method.id })
        }}
      />
      {why !== null && (
        <p>
          A {methodOf(mould.method).name} does not form this piece: {why}.{' '}
          {fits.length === 0 &&
            'Volume, weight, bags, section and sheet hold all the same; form it as you know, and mind the attitude shown.'}
        </p>
      )}
      {figures && (
        <p className={look}>
          <CostOfCast figures={figures} casts={piece.plannedCasts} />, {showNumber(figures.buildHours, 2)} h
          to build, lasts {figures.lifeCasts} {figures.lifeCasts === 1 ? 'cast' : 'casts'}. Finish:{' '}
          {methodOf(figures.methodId).finish}.
        </p>
      )}
      {figures && (
        <More title="Beside other ways to build it">
          {figures.methods.length > 1 && (
            <Suspense fallback={null}>
              <MethodChart rows={figures.methods} />
            </Suspense>
          )}
          <Unfit piece={piece} />
        </More>
      )}
      {why === null && <Bench />}
      <Hardware />
      {station && <BuildingOrder mould={station} />}
      {figures && <TableLevel />}
      <Sawn />
      <Exports />
      <Caution>
        {(why === null && CAUTIONS[mould.method]) ||
          'Sawn board dust harms the lungs: extraction and a respirator. No screw point through into the mould. Tall or closed forms fail under pressure: have them designed by someone qualified.'}
      </Caution>
    </>
  )
}
