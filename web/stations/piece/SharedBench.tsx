import { Link, useNavigate } from 'react-router'
import type { Point } from '../../../core/geometry/index.ts'
import { freePlace, noteValue, noteWords, outlineSize, reasonWords } from '../../../core/piece/index.ts'
import { formatLength, wordsStyle } from '../../../core/units/index.ts'
import { newId } from '../../state/files.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useMeasureStyle } from '../../state/useMeasureStyle.ts'
import { Caution, More, Pick, Row } from '../../ui/Choice.tsx'
import { NumberField } from '../../ui/NumberField.tsx'
import { QuantityRow, useWordsStyle } from '../../ui/Quantity.tsx'
import { newInsert, newLettering } from './features/newFeatures.ts'
import { HoldFigure } from './HoldFigure.tsx'
import { useEdit } from './useEdit.ts'

const EXPOSURES = [
  { id: 'dry', name: 'indoors, dry' },
  { id: 'kitchen', name: 'kitchen' },
  { id: 'wet-room', name: 'wet room' },
  { id: 'outdoors', name: 'outdoors, frost' },
  { id: 'soil', name: 'in soil' },
  { id: 'heat', name: 'heat' },
] as const

/** What every kind of piece is told: features on its faces, how it lies in the pour, where it will stand, how many. */
export function SharedBench() {
  const { plan, looks, job } = usePlan()
  const { piece, pieceId, change, tell, select } = useEdit()
  const style = useMeasureStyle()
  const words = useWordsStyle()
  const mm = (n: number) => formatLength(n, style)
  const station = plan?.stations.piece
  const figures = station?.figures
  const faces = station?.geometry.faces ?? []
  const navigate = useNavigate()
  const duplicate = () => {
    const own = job.pieces.find((p) => p.id === pieceId)
    if (!own) return
    const taken = new Set(job.pieces.map((p) => p.name))
    const stem = own.name.replace(/ \d+$/, '').slice(0, 110)
    let n = 2
    while (taken.has(`${stem} ${n}`)) n += 1
    const copy = { ...own, id: newId('piece'), name: `${stem} ${n}`, run: null }
    change(`duplicate ${own.name}`, { type: 'pieceAdded', piece: copy, at: job.pieces.indexOf(own) + 1 })
    navigate(`/job/${job.id}/${copy.id}/piece`)
  }
  return (
    <>
      {piece.run && (
        <p>
          Piece {piece.run.part} of{' '}
          <Link className="word p-0!" to={`/job/${job.id}/run/${piece.run.run}`}>
            {job.runs.find((r) => r.id === piece.run?.run)?.name ?? 'a run'}
          </Link>
          . Its outline follows the run.
        </p>
      )}
      <h2>On its faces</h2>
      {piece.lettering.map((l) => (
        <FeatureRow
          key={l.id}
          name={`“${l.text.split('\n')[0]}”`}
          value={mm(l.height)}
          onOpen={() => select('lettering', l.id)}
        />
      ))}
      {piece.inserts.map((i) => (
        <FeatureRow
          key={i.id}
          name={i.name}
          value={`d ${mm(i.diameter)}`}
          onOpen={() => select('inserts', i.id)}
        />
      ))}
      <AddOnFaces />
      {figures && figures.blocks.length > 0 && (
        <div className={looks.piece}>
          <h2>{piece.kind === 'box' ? 'Panels' : 'Blocks'}</h2>
          {figures.blocks.map((b) => (
            <QuantityRow key={b.id} label={b.name} of="mass" value={b.weightKg} digits={1} />
          ))}
        </div>
      )}
      {figures?.finished && (
        <Row label="Cast size, less its liners">
          {mm(figures.finished.lengthMm)} × {mm(figures.finished.widthMm)}
        </Row>
      )}
      {figures?.inside && (
        <div className={looks.piece}>
          <Row label="Inside, at the rim">
            {mm(figures.inside.rimLengthMm)} × {mm(figures.inside.rimWidthMm)}
          </Row>
          <Row label="Inside, at the floor">
            {mm(figures.inside.floorLengthMm)} × {mm(figures.inside.floorWidthMm)}
          </Row>
          <Row label="Wall at the rim, at the floor">
            {mm(figures.inside.wallAtRimMm)}, {mm(figures.inside.wallAtFloorMm)}
          </Row>
        </div>
      )}
      {figures?.holds && (
        <div className={looks.piece}>
          <QuantityRow
            label="Holds, level with the rim"
            of="volume"
            value={figures.holds.volumeLitres}
            digits={1}
          />
          <QuantityRow label="Full of water it weighs" of="mass" value={figures.holds.fullKg} digits={1} />
        </div>
      )}
      {figures && figures.notes.length > 0 && (
        <div className={looks.piece}>
          <h2>{piece.kind === 'fitted' ? 'Fit' : 'Glue'}</h2>
          {figures.notes.map((n) => (
            <Row key={`${n.code}${'side' in n ? n.side : ''}`} label={noteWords(n, wordsStyle(style))}>
              {noteValue(n, wordsStyle(style))}
            </Row>
          ))}
        </div>
      )}
      <h2>In the pour</h2>
      <Pick
        label="Face down"
        value={piece.attitude.down}
        options={faces.map((f) => ({ id: f.name, name: downWords(f.name, f.words, piece.kind) }))}
        onChoose={(down) =>
          tell({ attitude: { down, turnDeg: 0 } }, `pour with the ${wordsOf(faces, down)} down`)
        }
      />
      {figures && (
        <p>
          {figures.attitude.advised === piece.attitude.down
            ? 'As advised: '
            : `Advised: ${wordsOf(faces, figures.attitude.advised)} down; `}
          {reasonWords(figures.attitude.reason)}.
        </p>
      )}
      <Pick
        label="Exposure"
        value={piece.exposure}
        options={EXPOSURES}
        onChoose={(exposure) => tell({ exposure: exposure as typeof piece.exposure }, `exposure ${exposure}`)}
      />
      <HoldFigure />
      <More title="How many, balance">
        <NumberField
          label="How many"
          value={piece.quantity}
          min={1}
          max={10000}
          whole
          onCommit={(n) =>
            n && tell({ quantity: n, plannedCasts: Math.max(n, piece.plannedCasts) }, `quantity ${n}`)
          }
        />
        <NumberField
          label="Moulds"
          value={piece.mouldCount}
          min={1}
          max={1000}
          whole
          onCommit={(n) => n && tell({ mouldCount: n }, `${n} moulds`)}
        />
        <NumberField
          label="Casts planned"
          value={piece.plannedCasts}
          min={1}
          max={10000}
          whole
          onCommit={(n) => n && tell({ plannedCasts: n }, `${n} casts planned`)}
        />
        {figures && (
          <Row label="Centre of gravity">
            {mm(figures.centreOfGravity.xMm)}, {mm(figures.centreOfGravity.yMm)},{' '}
            {mm(figures.centreOfGravity.zMm)}
          </Row>
        )}
        {figures && <Row label="Round the plan">{mm(figures.perimeterMm)}</Row>}
        {figures && <QuantityRow label="Surface" of="area" value={figures.surfaceAreaM2} digits={2} />}
        <span className="flex gap-4 pt-2">
          <button type="button" className="word" onClick={duplicate}>
            Duplicate this piece
          </button>
          <button
            type="button"
            className="word text-oxide"
            onClick={() => change(`remove ${piece.name}`, { type: 'pieceRemoved', pieceId })}
          >
            Remove this piece
          </button>
        </span>
      </More>
      {figures && figures.concreteKg > 25 && (
        <Caution>
          {words.kg(figures.concreteKg)} is more than one person lifts. Plan hands or a trolley before you
          pour.
        </Caution>
      )}
      {HOLDS_PEOPLE.has(piece.kind) && (
        <Caution>
          Where a piece carries people, hangs overhead or covers a shaft, local codes and a licensed
          professional decide; these figures are a maker’s check.
        </Caution>
      )}
    </>
  )
}

const HOLDS_PEOPLE: ReadonlySet<string> = new Set(['swept', 'fitted'])

const downWords = (name: string, words: string, kind: string): string =>
  kind === 'slab' && name === 'top'
    ? 'top (show face)'
    : kind === 'slab' && name === 'bottom'
      ? 'underside (show face up)'
      : words

const wordsOf = (faces: readonly { name: string; words: string }[], name: string): string =>
  faces.find((f) => f.name === name)?.words ?? name

export function FeatureRow({ name, value, onOpen }: { name: string; value: string; onOpen: () => void }) {
  return (
    <div className="row">
      <button type="button" className="word p-0!" onClick={onOpen}>
        {name}
      </button>
      <span className="value">{value}</span>
    </div>
  )
}

/** Buttons that put letters or an insert on the first face of the piece. */
function AddOnFaces() {
  const { plan, piece } = usePlan()
  const { keep, select } = useEdit()
  const faces = plan?.stations.piece?.geometry.faces ?? []
  const top = faces.find((f) => f.name === 'top') ?? faces[0]
  const under = faces.find((f) => f.name === 'bottom') ?? faces[0]
  if (!top || !under) return null
  /** Put where the plan of a slab has free room for it; in the middle of a face of any other kind. */
  const free = <T extends { u: number; v: number }>(item: T, half: Point, face: string): T => {
    if (piece.kind !== 'slab' || (face !== 'top' && face !== 'bottom')) return item
    const at = freePlace(piece, half)
    if (!at) return item
    const { length, width } = outlineSize(piece.outline)
    const u = at[0] - length / 2
    return { ...item, u: face === 'bottom' ? -u : u, v: at[1] - width / 2 }
  }
  return (
    <div className="flex gap-2 pt-2">
      <button
        type="button"
        className="act"
        onClick={() => {
          const plain = newLettering(top.name, Math.min(60, top.size[1] * 0.3))
          const item = free(plain, [plain.height * 2.2, plain.height / 2], top.name)
          keep({ list: 'lettering', item }, 'add letters')
          select('lettering', item.id)
        }}
      >
        + letters
      </button>
      <button
        type="button"
        className="act"
        onClick={() => {
          const plain = newInsert(under.name)
          const item = free(plain, [plain.diameter / 2, plain.diameter / 2], under.name)
          keep({ list: 'inserts', item }, 'add a socket')
          select('inserts', item.id)
        }}
      >
        + insert
      </button>
    </div>
  )
}
