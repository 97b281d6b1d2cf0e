import { useNavigate } from 'react-router'
import type { BoxPiece } from '../../../../core/job/index.ts'
import { panelPieces } from '../../../../core/piece/index.ts'
import { formatLength } from '../../../../core/units/index.ts'
import { newId } from '../../../state/files.ts'
import { usePlan } from '../../../state/PlanContext.tsx'
import { useMeasureStyle } from '../../../state/useMeasureStyle.ts'
import { Choice, More } from '../../../ui/Choice.tsx'
import { Measures } from '../../../ui/Measures.tsx'
import { NumberField } from '../../../ui/NumberField.tsx'
import { BackTo, NameField, RemoveButton } from '../BackTo.tsx'
import { EdgeField } from '../EdgeField.tsx'
import { ServiceFields } from '../ServiceFields.tsx'
import { FeatureRow } from '../SharedBench.tsx'
import { LeanFields } from '../SlopeFields.tsx'
import { useEdit } from '../useEdit.ts'

export function BoxBench({ piece }: { piece: BoxPiece }) {
  const style = useMeasureStyle()
  const { shape, keep, select } = useEdit()
  const { built } = piece
  return (
    <>
      <h1>Piece</h1>
      <p>A box or planter.</p>
      <Choice
        label="How it is made"
        hideLabel
        value={built ? 'built' : 'cast'}
        options={[
          { value: 'cast', name: 'cast in one', note: 'over a core' },
          { value: 'built', name: 'of panels', note: 'glued' },
        ]}
        onChoose={(how) =>
          how === 'cast'
            ? shape({ built: null }, 'cast in one')
            : shape(
                { built: { corners: 'mitre', floor: 'between', glue: 2, dividers: 0 }, taper: 0 },
                'of panels',
              )
        }
      />
      <h2>Outside, at the rim</h2>
      <Measures
        of={piece}
        rows={[
          { key: 'length', label: 'Length', min: 1 },
          { key: 'width', label: 'Width', min: 1 },
          { key: 'height', label: 'Height', min: 1 },
        ]}
        onChange={shape}
      />
      {!built && (
        <>
          <LeanFields
            label="Taper"
            note="each side, at the foot"
            run={piece.taper}
            over={piece.height}
            onRun={(taper) => shape({ taper }, `taper ${formatLength(taper, style)}`)}
          />
          <Measures of={piece} rows={[{ key: 'radiusOutside', label: 'Corner radius' }]} onChange={shape} />
        </>
      )}
      <h2>Inside</h2>
      <Measures
        of={piece}
        rows={[
          { key: 'wall', label: built ? 'Panel thickness' : 'Wall at the rim', min: 1 },
          { key: 'floor', label: 'Floor', min: 1 },
        ]}
        onChange={shape}
      />
      {built ? (
        <>
          <BuiltFields piece={piece} built={built} />
          <ServiceFields piece={piece} />
        </>
      ) : (
        <>
          <NumberField
            label="Draft of the core"
            unit="°"
            value={piece.coreDraftDeg}
            min={0}
            max={45}
            onCommit={(coreDraftDeg) =>
              coreDraftDeg !== null && shape({ coreDraftDeg }, `core draft ${coreDraftDeg}`)
            }
          />
          <Measures of={piece} rows={[{ key: 'radiusInside', label: 'Inside radius' }]} onChange={shape} />
          <h2>Holes</h2>
          <NumberField
            label="Drains in the floor"
            value={piece.drains.count}
            min={0}
            max={50}
            whole
            onCommit={(count) =>
              count !== null && shape({ drains: { ...piece.drains, count } }, `${count} drains`)
            }
          />
          {piece.drains.count > 0 && (
            <Measures
              of={piece.drains}
              rows={[{ key: 'diameter', label: 'Drain, diameter', min: 1 }]}
              onChange={(patch, label) => shape({ drains: { ...piece.drains, ...patch } }, label)}
            />
          )}
          {piece.sideHoles.map((h) => (
            <FeatureRow key={h.id} name={h.name} value={h.side} onOpen={() => select('sideHoles', h.id)} />
          ))}
          <button
            type="button"
            className="act mt-2"
            onClick={() => {
              const item = {
                id: newId('hole'),
                name: 'overflow',
                side: 'back' as const,
                u: 0,
                v: piece.height * 0.7,
                diameter: 25,
              }
              keep({ list: 'sideHoles', item }, 'add a side hole')
              select('sideHoles', item.id)
            }}
          >
            + side hole
          </button>
          <ServiceFields piece={piece} />
          <More title="Edges">
            <EdgeField
              label="Rim"
              edge={piece.rim}
              onChange={(rim) => shape({ rim } as never, `rim ${rim.kind}`)}
            />
            <EdgeField
              label="Foot"
              edge={piece.foot}
              onChange={(foot) => shape({ foot } as never, `foot ${foot.kind}`)}
            />
          </More>
        </>
      )}
    </>
  )
}

function BuiltFields({ piece, built }: { piece: BoxPiece; built: NonNullable<BoxPiece['built']> }) {
  const { job } = usePlan()
  const { shape, change } = useEdit()
  const navigate = useNavigate()
  const set = (patch: Partial<typeof built>, label: string) => shape({ built: { ...built, ...patch } }, label)
  const toSlabs = () => {
    const added = panelPieces(piece, job.stock).filter((p) => !job.pieces.some((own) => own.id === p.id))
    if (added.length > 0)
      change(
        `${added.length} panels as pieces`,
        ...added.map((slab) => ({ type: 'pieceAdded', piece: slab }) as const),
      )
    navigate(`/job/${job.id}/${panelPieces(piece, job.stock)[0]!.id}/piece`)
  }
  return (
    <>
      <h2>Joints</h2>
      <Choice
        label="Corners"
        value={built.corners}
        options={[
          { value: 'pinwheel', name: 'pinwheel' },
          { value: 'butt', name: 'butt' },
          { value: 'mitre', name: 'mitre' },
        ]}
        onChoose={(corners) => set({ corners }, `corners ${corners}`)}
      />
      <Choice
        label="Floor"
        value={built.floor}
        options={[
          { value: 'under', name: 'under the sides' },
          { value: 'between', name: 'between them' },
        ]}
        onChoose={(floor) => set({ floor }, `floor ${floor}`)}
      />
      <Measures of={built} rows={[{ key: 'glue', label: 'Glue line' }]} onChange={set} />
      <NumberField
        label="Dividers"
        value={built.dividers}
        min={0}
        max={20}
        whole
        onCommit={(dividers) => dividers !== null && set({ dividers }, `${dividers} dividers`)}
      />
      <button type="button" className="act mt-2" onClick={toSlabs}>
        Cast its panels
      </button>
    </>
  )
}

export function SideHoleBench({ hole, onBack }: { hole: BoxPiece['sideHoles'][number]; onBack: () => void }) {
  const { keep, remove } = useEdit()
  const set = (patch: Partial<typeof hole>, label: string) =>
    keep({ list: 'sideHoles', item: { ...hole, ...patch } }, `${hole.name}: ${label}`)
  return (
    <>
      <BackTo
        title={
          <NameField label="Name of the hole" value={hole.name} onName={(name) => set({ name }, name)} />
        }
        onBack={onBack}
      />
      <Choice
        label="Side"
        value={hole.side}
        options={(['front', 'right', 'back', 'left'] as const).map((value) => ({ value, name: value }))}
        onChoose={(side) => set({ side }, side)}
      />
      <Measures
        of={hole}
        rows={[
          { key: 'diameter', label: 'Diameter', min: 1 },
          { key: 'u', label: 'Off the middle', signed: true },
          { key: 'v', label: 'Above the foot' },
        ]}
        onChange={set}
      />
      <RemoveButton name={hole.name} onRemove={() => remove('sideHoles', hole.id, `remove ${hole.name}`)} />
    </>
  )
}
