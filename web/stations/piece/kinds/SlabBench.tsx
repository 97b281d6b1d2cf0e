import type { Outline, Rim, SlabPiece } from '../../../../core/job/index.ts'
import {
  drainerFall,
  freePlace,
  nameOfSide,
  outlineSize,
  resizedOutline,
  sidesOf,
} from '../../../../core/piece/index.ts'
import { formatLength, showNumber } from '../../../../core/units/index.ts'
import { shapeText } from '../../../stage/paths.ts'
import { usePlan } from '../../../state/PlanContext.tsx'
import { useAppSelector } from '../../../state/store.ts'
import { useMeasureStyle } from '../../../state/useMeasureStyle.ts'
import { More } from '../../../ui/Choice.tsx'
import { MeasureField } from '../../../ui/MeasureField.tsx'
import { QuantityRow } from '../../../ui/Quantity.tsx'
import { EdgeField } from '../EdgeField.tsx'
import { newBasin, newDrainer, newField, newFrame } from '../features/newFeatures.ts'
import { ImportOutline } from '../ImportOutline.tsx'
import { OpeningPalette } from '../OpeningPalette.tsx'
import { FeatureRow } from '../SharedBench.tsx'
import { useEdit } from '../useEdit.ts'
import { PLANS } from './plans.ts'

const CORNERS = ['front left', 'front right', 'back right', 'back left'] as const

export function SlabBench({ piece }: { piece: SlabPiece }) {
  const { plan, looks } = usePlan()
  const { change, pieceId, keep, select, shape } = useEdit()
  const style = useMeasureStyle()
  const lit = useAppSelector((s) => s.view.selection)
  const figures = plan?.stations.piece?.figures
  const mm = (n: number) => formatLength(n, style)
  const { outline } = piece
  const size = outlineSize(outline)
  const redraw = (next: Outline, label: string) =>
    change(label, { type: 'outlineChanged', pieceId, outline: next })
  const edge = (side: string, rim: keyof Rim) => (next: Rim['top']) =>
    change(
      `${nameOfSide(piece.outline, side)} ${rim === 'bottom' ? 'underside ' : ''}${next.kind}${next.kind === 'square' ? '' : ` ${mm(next.size)}`}`,
      { type: 'edgeChanged', pieceId, side, rim, edge: next },
    )
  return (
    <>
      <h1>Piece</h1>
      <p>A flat slab, as it will stand.</p>
      <h2>Size</h2>
      <MeasureField
        label="Length"
        note="along the front"
        value={size.length}
        min={1}
        onCommit={(length) => redraw(resizedOutline(outline, { length }), `length ${mm(length)}`)}
      />
      <MeasureField
        label="Width"
        note="front to back"
        value={size.width}
        min={1}
        onCommit={(width) => redraw(resizedOutline(outline, { width }), `width ${mm(width)}`)}
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
        <div className={looks.piece}>
          <QuantityRow
            label="Weight per area"
            of="massPerArea"
            value={figures.weightPerAreaKgPerM2}
            digits={0}
          />
          {figures.drilled.count > 0 && (
            <QuantityRow
              label="Of which drilled out later"
              of="mass"
              value={figures.drilled.massKg}
              digits={1}
            />
          )}
        </div>
      )}
      <More title="Plan">
        <div className="flex flex-wrap gap-2 pt-2" role="group" aria-label="Redraw the plan as">
          {PLANS.map((p) => (
            <button
              key={p.name}
              type="button"
              className="act"
              onClick={() => redraw(p.outline(size.length, size.width), `plan as ${p.name}`)}
            >
              {p.name}
            </button>
          ))}
        </div>
        <ImportOutline
          withOpenings
          onOutline={(next, name, openings) =>
            change(
              `outline of ${name}`,
              { type: 'outlineChanged', pieceId, outline: next },
              ...openings.map((opening) => ({ type: 'openingAdded', pieceId, opening }) as const),
            )
          }
        />
        {outline.kind === 'rectangle' &&
          CORNERS.map((corner, i) => (
            <MeasureField
              key={corner}
              label={`Radius ${corner}`}
              value={outline.radii[i]!}
              min={0}
              onCommit={(r) =>
                redraw(
                  {
                    ...outline,
                    radii: outline.radii.map((old, k) => (k === i ? r : old)) as typeof outline.radii,
                  },
                  `radius ${corner} ${mm(r)}`,
                )
              }
            />
          ))}
        {outline.kind === 'polygon' && (
          <p>Drag corners and sides on the plan; press a cross to add a corner.</p>
        )}
      </More>
      <h2>Openings</h2>
      {piece.openings.map((o) => (
        <FeatureRow
          key={o.id}
          name={`${o.name}${o.pattern ? ' …' : ''}`}
          value={shapeText(o.shape, mm)}
          onOpen={() => select('opening', o.id)}
        />
      ))}
      <OpeningPalette piece={piece} />
      <h2>Show edges</h2>
      {sidesOf(piece).map((side) => (
        <div key={side} className="flex items-baseline gap-1">
          <div className="flex-1">
            <EdgeField
              label={nameOfSide(piece.outline, side)}
              edge={piece.sides[side]!.top}
              lit={lit?.kind === 'side' && lit.id === side}
              onChange={edge(side, 'top')}
            />
          </div>
          <button
            type="button"
            className="word text-soft"
            aria-label={`More of side ${nameOfSide(piece.outline, side)}`}
            onClick={() => select('side', side)}
          >
            more
          </button>
        </div>
      ))}
      <h2>In the top</h2>
      {piece.drainers.map((d) => (
        <FeatureRow
          key={d.id}
          name={d.name}
          value={`${showNumber(drainerFall(d) * 100, 1)}%`}
          onOpen={() => select('drainers', d.id)}
        />
      ))}
      {piece.panels.map((p) => (
        <FeatureRow
          key={p.id}
          name={p.name}
          value={p.kind === 'frame' ? `${mm(p.width)} × ${mm(p.height)}` : mm(p.rise)}
          onOpen={() => select('panels', p.id)}
        />
      ))}
      {piece.basin && (
        <FeatureRow
          name="basin below"
          value={`${mm(piece.basin.depth)} deep`}
          onOpen={() => select('basin', 'basin')}
        />
      )}
      <div className="flex flex-wrap gap-2 pt-2" role="group" aria-label="Add to the top">
        <AddButton
          name="drainer"
          onAdd={() => {
            // As large as usual, or as much smaller as the free room is.
            const sizes = [1, 0.7, 0.5, 0.3].map((k) => newDrainer(size.length * k, size.width * k))
            const placed = sizes.map((d) => ({ d, at: freePlace(piece, [d.length / 2, d.width / 2]) }))
            const { d, at } = placed.find((p) => p.at) ?? placed[0]!
            const item = at ? { ...d, u: at[0], v: at[1] } : d
            keep({ list: 'drainers', item }, 'add a drainer')
            select('drainers', item.id)
          }}
        />
        <AddButton
          name="field"
          onAdd={() => {
            const item = newField()
            keep({ list: 'panels', item }, 'add a sunken field')
            select('panels', item.id)
          }}
        />
        <AddButton
          name="frame"
          onAdd={() => {
            const item = newFrame()
            keep({ list: 'panels', item }, 'add a frame')
            select('panels', item.id)
          }}
        />
        {!piece.basin && (
          <AddButton
            name="basin below"
            onAdd={() => {
              const plain = newBasin(size.length, size.width)
              const at = freePlace(piece, [plain.length / 2 + plain.shell, plain.width / 2 + plain.shell])
              shape({ basin: at ? { ...plain, u: at[0], v: at[1] } : plain }, 'add a basin below')
              select('basin', 'basin')
            }}
          />
        )}
      </div>
      <More title="Underside edges">
        {sidesOf(piece).map((side) => (
          <EdgeField
            key={side}
            label={`${nameOfSide(piece.outline, side)}, underside`}
            edge={piece.sides[side]!.bottom}
            onChange={edge(side, 'bottom')}
          />
        ))}
      </More>
    </>
  )
}

const AddButton = ({ name, onAdd }: { name: string; onAdd: () => void }) => (
  <button type="button" className="act" onClick={onAdd}>
    + {name}
  </button>
)
