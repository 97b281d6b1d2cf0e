import type { Edge, SideId } from '../../../core/job/index.ts'
import { SIDES } from '../../../core/piece/index.ts'
import { formatLength } from '../../../core/units/index.ts'
import { usePlan } from '../../app/PlanContext.tsx'
import { useAppDispatch, useAppSelector, useChange } from '../../app/store.ts'
import { selected } from '../../app/viewSlice.ts'
import { Caution, Choice, More, Pick, Row } from '../../ui/Choice.tsx'
import { MeasureField, useMeasureStyle } from '../../ui/MeasureField.tsx'
import { NumberField } from '../../ui/NumberField.tsx'
import { EdgeField } from './EdgeField.tsx'
import { OpeningBench } from './OpeningBench.tsx'
import { OpeningPalette } from './OpeningPalette.tsx'

const CORNERS = ['front left', 'front right', 'back right', 'back left'] as const

export function PieceBench() {
  const { piece, plan, fresh } = usePlan()
  const change = useChange()
  const dispatch = useAppDispatch()
  const style = useMeasureStyle()
  const selection = useAppSelector((s) => s.view.selection)
  const pieceId = piece.id
  const figures = plan?.stations.piece?.figures
  const opening =
    selection?.kind === 'opening' ? piece.openings.find((o) => o.id === selection.id) : undefined
  if (opening) return <OpeningBench opening={opening} onBack={() => dispatch(selected(null))} />
  const mm = (n: number) => formatLength(n, style)
  const outline = (patch: Partial<typeof piece.outline>, label: string) =>
    change(label, { type: 'outlineChanged', pieceId, outline: { ...piece.outline, ...patch } })
  return (
    <>
      <h1>Piece</h1>
      <p>A flat slab, as it will stand.</p>
      <h2>Size</h2>
      <MeasureField
        label="Length"
        note="along the front"
        value={piece.outline.length}
        min={1}
        onCommit={(length) => outline({ length }, `length ${mm(length)}`)}
      />
      <MeasureField
        label="Width"
        note="front to back"
        value={piece.outline.width}
        min={1}
        onCommit={(width) => outline({ width }, `width ${mm(width)}`)}
      />
      <MeasureField
        label="Thickness"
        value={piece.thickness}
        min={0.5}
        onCommit={(thickness) =>
          change(`thickness ${mm(thickness)}`, { type: 'thicknessChanged', pieceId, thickness })
        }
      />
      {figures && (
        <div className={fresh ? '' : 'stale'}>
          <Row label="Weight per area" unit="kg/m²">
            {figures.weightPerAreaKgPerM2.toFixed(0)}
          </Row>
        </div>
      )}
      <h2>Openings</h2>
      {piece.openings.map((o) => (
        <div className="row" key={o.id}>
          <button
            type="button"
            className="word p-0!"
            onClick={() => dispatch(selected({ kind: 'opening', id: o.id }))}
          >
            {o.name}
            {o.row ? ` × ${o.row.count}` : ''}
          </button>
          <span className="value">
            {o.shape.kind === 'round'
              ? `d ${mm(o.shape.diameter)}`
              : `${mm(o.shape.length)} × ${mm(o.shape.width)}`}
          </span>
        </div>
      ))}
      <OpeningPalette />
      <h2>Show edges</h2>
      {SIDES.map((side) => (
        <EdgeField
          key={side}
          label={side}
          edge={piece.sides[side].top}
          lit={selection?.kind === 'side' && selection.id === side}
          onChange={(edge) =>
            change(edgeLabel(side, edge, mm), { type: 'edgeChanged', pieceId, side, rim: 'top', edge })
          }
        />
      ))}
      <h2>In the pour</h2>
      <Choice
        label="Face down in the pour"
        hideLabel
        value={piece.attitude.down}
        options={[
          { value: 'top', name: 'show face down', note: 'mould gives the face' },
          { value: 'bottom', name: 'show face up', note: 'trowel gives the face' },
        ]}
        onChoose={(down) =>
          change(down === 'top' ? 'pour show face down' : 'pour show face up', {
            type: 'pieceDescribed',
            pieceId,
            patch: { attitude: { down, turnDeg: 0 } },
          })
        }
      />
      <Pick
        label="Exposure"
        value={piece.exposure}
        options={[
          { id: 'dry', name: 'indoors, dry' },
          { id: 'kitchen', name: 'kitchen' },
          { id: 'wet-room', name: 'wet room' },
          { id: 'outdoors', name: 'outdoors, frost' },
        ]}
        onChoose={(exposure) =>
          change(`exposure ${exposure}`, {
            type: 'pieceDescribed',
            pieceId,
            patch: { exposure: exposure as typeof piece.exposure },
          })
        }
      />
      <More title="Corners, underside, quantity">
        {CORNERS.map((corner, i) => (
          <MeasureField
            key={corner}
            label={`Radius ${corner}`}
            value={piece.outline.radii[i]!}
            min={0}
            onCommit={(r) =>
              outline(
                {
                  radii: piece.outline.radii.map((old, k) =>
                    k === i ? r : old,
                  ) as typeof piece.outline.radii,
                },
                `radius ${corner} ${mm(r)}`,
              )
            }
          />
        ))}
        {SIDES.map((side) => (
          <EdgeField
            key={side}
            label={`${side}, underside`}
            edge={piece.sides[side].bottom}
            onChange={(edge) =>
              change(`${side} underside ${edge.kind}`, {
                type: 'edgeChanged',
                pieceId,
                side,
                rim: 'bottom',
                edge,
              })
            }
          />
        ))}
        <NumberField
          label="How many"
          value={piece.quantity}
          min={1}
          max={10000}
          whole
          onCommit={(n) =>
            n &&
            change(`quantity ${n}`, {
              type: 'pieceDescribed',
              pieceId,
              patch: { quantity: n, plannedCasts: Math.max(n, piece.plannedCasts) },
            })
          }
        />
        <NumberField
          label="Moulds"
          value={piece.mouldCount}
          min={1}
          max={1000}
          whole
          onCommit={(n) =>
            n && change(`${n} moulds`, { type: 'pieceDescribed', pieceId, patch: { mouldCount: n } })
          }
        />
        <NumberField
          label="Casts planned"
          value={piece.plannedCasts}
          min={1}
          max={10000}
          whole
          onCommit={(n) =>
            n && change(`${n} casts planned`, { type: 'pieceDescribed', pieceId, patch: { plannedCasts: n } })
          }
        />
        {figures && (
          <Row label="Centre of gravity">
            {mm(figures.centreOfGravity.xMm)}, {mm(figures.centreOfGravity.yMm)},{' '}
            {mm(figures.centreOfGravity.zMm)}
          </Row>
        )}
        <RemovePiece />
      </More>
      {figures && figures.concreteKg > 25 && (
        <Caution>
          {figures.concreteKg.toFixed(0)} kg is more than one person lifts. Plan hands or a trolley before you
          pour.
        </Caution>
      )}
    </>
  )
}

const edgeLabel = (side: SideId, edge: Edge, mm: (n: number) => string): string =>
  edge.kind === 'square' ? `${side} square` : `${side} ${edge.kind} ${mm(edge.size)}`

function RemovePiece() {
  const { piece } = usePlan()
  const change = useChange()
  return (
    <button
      type="button"
      className="word mt-2 text-oxide"
      onClick={() => change(`remove ${piece.name}`, { type: 'pieceRemoved', pieceId: piece.id })}
    >
      Remove this piece
    </button>
  )
}
