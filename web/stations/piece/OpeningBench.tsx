import { useState } from 'react'
import {
  type Opening,
  type OpeningShape,
  openingFor,
  type Pattern,
  type PlaceRule,
  type SlabPiece,
} from '../../../core/job/index.ts'
import { halfSize, outlineSize, reach, removeOpening, resolvePlacing } from '../../../core/piece/index.ts'
import { formatLength } from '../../../core/units/index.ts'
import { useAppDispatch, useChange } from '../../app/store.ts'
import { selected } from '../../app/viewSlice.ts'
import { shapeText } from '../../stage/paths.ts'
import { Caution, Choice, More, Row } from '../../ui/Choice.tsx'
import { MeasureField, useMeasureStyle } from '../../ui/MeasureField.tsx'
import { Measures } from '../../ui/Measures.tsx'
import { NumberField } from '../../ui/NumberField.tsx'
import { EdgeField } from './EdgeField.tsx'
import { ImportOutline } from './ImportOutline.tsx'
import { Switch } from './SideBench.tsx'

/** One opening: its size, where it stands by rule, its row, its rim. */
export function OpeningBench({
  piece,
  opening,
  onBack,
}: {
  piece: SlabPiece
  opening: Opening
  onBack: () => void
}) {
  const change = useChange()
  const dispatch = useAppDispatch()
  const style = useMeasureStyle()
  const mm = (n: number) => formatLength(n, style)
  const patch = (label: string, next: Partial<Omit<Opening, 'id'>>) =>
    change(label, { type: 'openingChanged', pieceId: piece.id, openingId: opening.id, patch: next })
  const shape = opening.fixture?.shape ?? opening.shape
  const setShape = (next: OpeningShape, label: string) =>
    patch(label, opening.fixture ? { fixture: { ...opening.fixture, shape: next } } : { shape: next })
  return (
    <>
      <button type="button" className="word p-0! text-soft" onClick={onBack}>
        back to the piece
      </button>
      <h1>
        <NameInput key={opening.id} opening={opening} onName={(name) => patch(`name ${name}`, { name })} />
      </h1>
      <Choice
        label="Shape"
        hideLabel
        value={shape.kind}
        options={[
          { value: 'rectangle', name: 'rectangle' },
          { value: 'round', name: 'round' },
          { value: 'slot', name: 'slot' },
          { value: 'polygon', name: 'drawn' },
        ]}
        onChoose={(kind) =>
          kind !== shape.kind && setShape(startShape(kind, shape), `${opening.name} ${kind}`)
        }
      />
      <h2>{opening.fixture ? 'Fixture' : 'Finished size'}</h2>
      <ShapeFields shape={shape} setShape={(next, label) => setShape(next, `${opening.name} ${label}`)} />
      {opening.fixture ? (
        <>
          <MeasureField
            label="Clearance"
            note="each side"
            value={opening.fixture.clearance}
            min={0}
            onCommit={(clearance) =>
              opening.fixture &&
              patch(`${opening.name} clearance ${mm(clearance)}`, {
                fixture: { ...opening.fixture, clearance },
              })
            }
          />
          <Row label="Opening">{shapeText(opening.shape, mm)}</Row>
          <button
            type="button"
            className="word"
            onClick={() => patch(`${opening.name} by its own size`, { shape: opening.shape, fixture: null })}
          >
            give the opening’s own size
          </button>
        </>
      ) : (
        <button
          type="button"
          className="word"
          onClick={() =>
            patch(`${opening.name} round a fixture`, {
              fixture: { shape: opening.shape, clearance: 2 },
              shape: openingFor(opening.shape, 2),
            })
          }
        >
          draw it round a fixture
        </button>
      )}
      <h2>Place</h2>
      <PlaceField
        piece={piece}
        axis="u"
        opening={opening}
        onRule={(u) => patch(`place ${opening.name}`, { u })}
      />
      <PlaceField
        piece={piece}
        axis="v"
        opening={opening}
        onRule={(v) => patch(`place ${opening.name}`, { v })}
      />
      <h2>Depth</h2>
      <Switch
        label="Goes right through"
        on={opening.depth === null}
        onSwitch={(on) =>
          patch(on ? `${opening.name} goes through` : `${opening.name} is blind`, {
            depth: on ? null : Math.round(piece.thickness / 3),
          })
        }
      />
      {opening.depth !== null && (
        <MeasureField
          label="Depth"
          value={opening.depth}
          min={0.5}
          onCommit={(depth) => patch(`${opening.name} ${mm(depth)} deep`, { depth })}
        />
      )}
      <Choice
        label="Entered from"
        value={opening.on}
        options={[
          { value: 'top', name: 'the top' },
          { value: 'bottom', name: 'underneath' },
        ]}
        onChoose={(on) => patch(`${opening.name} from the ${on}`, { on })}
      />
      <h2>Pattern</h2>
      <PatternFields
        opening={opening}
        onPattern={(pattern, label) => patch(`${opening.name}: ${label}`, { pattern })}
      />
      <More title="Walls, how it is made">
        <NumberField
          label="Walls lean in"
          unit="°"
          value={opening.draftDeg}
          min={-45}
          max={45}
          onCommit={(draftDeg) =>
            draftDeg !== null && patch(`${opening.name} draft ${draftDeg}`, { draftDeg })
          }
        />
        <NumberField
          label="Turned"
          unit="°"
          value={opening.turnDeg}
          min={-360}
          max={360}
          onCommit={(turnDeg) => turnDeg !== null && patch(`${opening.name} turned ${turnDeg}`, { turnDeg })}
        />
        <Choice
          label="Made"
          value={opening.made}
          options={[
            { value: 'cast', name: 'cast in' },
            { value: 'drilled', name: 'drilled later' },
          ]}
          onChoose={(made) => patch(`${opening.name} ${made}`, { made })}
        />
        {opening.made === 'drilled' && (
          <Caution>
            Drill from 10 MPa on, two diameters from any edge, bit wet or dust drawn off, respirator on.
          </Caution>
        )}
      </More>
      <More title="Rim of the opening">
        <EdgeField
          label="Top rim"
          edge={opening.rim.top}
          onChange={(top) => patch(`${opening.name} rim`, { rim: { ...opening.rim, top } })}
        />
        <EdgeField
          label="Bottom rim"
          edge={opening.rim.bottom}
          onChange={(bottom) => patch(`${opening.name} rim`, { rim: { ...opening.rim, bottom } })}
        />
      </More>
      <button
        type="button"
        className="word mt-3 text-oxide"
        onClick={() => {
          dispatch(selected(null))
          change(`remove ${opening.name}`, ...removeOpening(piece, opening.id))
        }}
      >
        Remove {opening.name}
      </button>
    </>
  )
}

function NameInput({ opening, onName }: { opening: Opening; onName: (name: string) => void }) {
  const [typed, setTyped] = useState<string | null>(null)
  return (
    <input
      aria-label="Name of the opening"
      className="w-full border-b border-transparent bg-transparent hover:border-hair focus:border-ink"
      value={typed ?? opening.name}
      onChange={(e) => setTyped(e.target.value)}
      onBlur={() => {
        const name = typed?.trim().slice(0, 120)
        if (name && name !== opening.name) onName(name)
        setTyped(null)
      }}
      onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
    />
  )
}

const WORDS = {
  u: {
    fromStart: 'from the left',
    fromEnd: 'from the right',
    centred: 'centred on the piece',
    centredOn: 'centred on',
    beyond: 'right of',
    short: 'left of',
  },
  v: {
    fromStart: 'from the front',
    fromEnd: 'from the back',
    centred: 'centred on the piece',
    centredOn: 'centred on',
    beyond: 'behind',
    short: 'in front of',
  },
} as const

/** A placing rule: what it measures from, and how far. Choosing another rule keeps the opening where it stands. */
function PlaceField({
  piece,
  axis,
  opening,
  onRule,
}: {
  piece: SlabPiece
  axis: 'u' | 'v'
  opening: Opening
  onRule: (rule: PlaceRule) => void
}) {
  const rule = opening[axis]
  const words = WORDS[axis]
  const others = piece.openings.filter((o) => o.id !== opening.id)
  const key = 'opening' in rule ? `${rule.rule}:${rule.opening}` : rule.rule
  const choose = (next: string) => onRule(ruleKeepingPlace(next, axis, opening, piece))
  const amount = 'distance' in rule ? rule.distance : 'gap' in rule ? rule.gap : rule.offset
  const set = (n: number) =>
    onRule(
      'distance' in rule
        ? { ...rule, distance: n }
        : 'gap' in rule
          ? { ...rule, gap: n }
          : { ...rule, offset: n },
    )
  const label = axis === 'u' ? 'Left to right' : 'Front to back'
  const other =
    'opening' in rule ? (piece.openings.find((o) => o.id === rule.opening)?.name ?? rule.opening) : ''
  return (
    <div className="border-b pb-1">
      <div className="row border-b-0!">
        <label htmlFor={`place-${axis}`}>{label}</label>
        <select
          id={`place-${axis}`}
          className="plain-select"
          value={key}
          onChange={(e) => choose(e.target.value)}
        >
          {(['fromStart', 'fromEnd', 'centred'] as const).map((r) => (
            <option key={r} value={r}>
              {words[r]}
            </option>
          ))}
          {(['centredOn', 'beyond', 'short'] as const).flatMap((r) =>
            others.map((o) => (
              <option key={`${r}:${o.id}`} value={`${r}:${o.id}`}>
                {words[r]} {o.name}
              </option>
            )),
          )}
        </select>
      </div>
      <div className="flex justify-end">
        <MeasureField
          bare
          label={`${label}: ${opening.name} ${words[rule.rule]} ${other}`.trim()}
          value={amount}
          allowNegative
          onCommit={set}
        />
      </div>
    </div>
  )
}

function ruleKeepingPlace(key: string, axis: 'u' | 'v', opening: Opening, piece: SlabPiece): PlaceRule {
  const k = axis === 'u' ? 0 : 1
  const { middles } = resolvePlacing(piece)
  const at = middles.get(opening.id)![k]
  const own = reach(opening, axis)
  const size = outlineSize(piece.outline)
  const total = axis === 'u' ? size.length : size.width
  const tidy = (n: number) => Math.round(n * 1e4) / 1e4
  const [kind, onto] = key.split(':')
  const other = piece.openings.find((o) => o.id === onto)
  const otherAt = other ? middles.get(other.id)![k] : 0
  const otherReach = other ? reach(other, axis) : 0
  switch (kind) {
    case 'fromStart':
      return { rule: 'fromStart', distance: tidy(at - own) }
    case 'fromEnd':
      return { rule: 'fromEnd', distance: tidy(total - at - own) }
    case 'centredOn':
      return { rule: 'centredOn', opening: onto!, offset: 0 }
    case 'beyond':
      return { rule: 'beyond', opening: onto!, gap: Math.max(0, tidy(at - own - otherAt - otherReach)) }
    case 'short':
      return { rule: 'short', opening: onto!, gap: Math.max(0, tidy(otherAt - otherReach - at - own)) }
    default:
      return { rule: 'centred', offset: 0 }
  }
}

/** A shape of another kind about as large as this one. */
function startShape(kind: OpeningShape['kind'], shape: OpeningShape): OpeningShape {
  const [u, v] = halfSize(shape)
  const [length, width] = [Math.round(2 * u), Math.round(2 * v)]
  switch (kind) {
    case 'round':
      return { kind, diameter: Math.min(length, width) }
    case 'rectangle':
      return { kind, length, width, radius: 0 }
    case 'slot':
      return { kind, length: length === width ? 2 * length : length, width }
    case 'polygon':
      return {
        kind,
        corners: [
          [-u, -v],
          [u, -v],
          [u, v],
          [-u, v],
        ].map(([x, y], i) => ({ x: x!, y: y!, radius: 0, side: `side-${i + 1}`, run: { kind: 'line' } })),
      }
  }
}

function ShapeFields({
  shape,
  setShape,
}: {
  shape: OpeningShape
  setShape: (shape: OpeningShape, label: string) => void
}) {
  switch (shape.kind) {
    case 'round':
      return (
        <Measures
          of={shape}
          rows={[{ key: 'diameter', label: 'Diameter', min: 1 }]}
          onChange={(p, label) => setShape({ ...shape, ...p }, label)}
        />
      )
    case 'slot':
      return (
        <Measures
          of={shape}
          rows={[
            { key: 'length', label: 'Length', note: 'over its round ends', min: 1 },
            { key: 'width', label: 'Width', min: 1 },
          ]}
          onChange={(p, label) => setShape({ ...shape, ...p }, label)}
        />
      )
    case 'rectangle':
      return (
        <Measures
          of={shape}
          rows={[
            { key: 'length', label: 'Length', min: 1 },
            { key: 'width', label: 'Width', min: 1 },
            { key: 'radius', label: 'Corner radius' },
          ]}
          onChange={(p, label) => setShape({ ...shape, ...p }, label)}
        />
      )
    case 'polygon':
      return (
        <>
          <p>{shape.corners.length} sides, drawn about its middle.</p>
          <ImportOutline
            label="Import its outline"
            onOutline={(outline, name) => {
              if (outline.kind !== 'polygon') return
              const xs = outline.corners.map((c) => c.x)
              const ys = outline.corners.map((c) => c.y)
              const [cx, cy] = [
                (Math.min(...xs) + Math.max(...xs)) / 2,
                (Math.min(...ys) + Math.max(...ys)) / 2,
              ]
              setShape(
                {
                  kind: 'polygon',
                  corners: outline.corners.map((c) => ({ ...c, x: c.x - cx, y: c.y - cy })),
                },
                `outline of ${name}`,
              )
            }}
          />
        </>
      )
  }
}

/** Rows, grids, circles and equal gaps of one opening. */
function PatternFields({
  opening,
  onPattern,
}: {
  opening: Opening
  onPattern: (pattern: Pattern | null, label: string) => void
}) {
  const { pattern, shape } = opening
  const pitch = Math.round(4 * Math.max(...halfSize(shape)))
  const start = (kind: string) => {
    if (kind === 'one') onPattern(null, 'one')
    if (kind === 'row') onPattern({ kind: 'row', count: 2, pitch, along: 'u' }, 'a row')
    if (kind === 'grid')
      onPattern({ kind: 'grid', countU: 3, countV: 2, pitchU: pitch, pitchV: pitch }, 'a grid')
    if (kind === 'circle')
      onPattern({ kind: 'circle', count: 4, diameter: 2 * pitch, startDeg: 45 }, 'a bolt circle')
    if (kind === 'spread') onPattern({ kind: 'spread', count: 3, along: 'u' }, 'equal gaps')
  }
  return (
    <>
      <Choice
        label="Pattern"
        hideLabel
        value={pattern?.kind ?? 'one'}
        options={[
          { value: 'one', name: 'one' },
          { value: 'row', name: 'row' },
          { value: 'grid', name: 'grid' },
          { value: 'circle', name: 'circle' },
          { value: 'spread', name: 'gaps' },
        ]}
        onChoose={start}
      />
      {pattern && pattern.kind !== 'grid' && (
        <NumberField
          label="How many"
          value={pattern.count}
          min={pattern.kind === 'spread' ? 1 : 2}
          max={100}
          whole
          onCommit={(count) => count && onPattern({ ...pattern, count }, `${count}`)}
        />
      )}
      {pattern?.kind === 'row' && (
        <Measures
          of={pattern}
          rows={[{ key: 'pitch', label: 'Apart', note: 'middle to middle', min: 1 }]}
          onChange={(p, label) => onPattern({ ...pattern, ...p }, label)}
        />
      )}
      {pattern?.kind === 'grid' && (
        <>
          {(['countU', 'countV'] as const).map((key) => (
            <NumberField
              key={key}
              label={key === 'countU' ? 'Along the front' : 'Front to back'}
              value={pattern[key]}
              min={1}
              max={100}
              whole
              onCommit={(n) => n && onPattern({ ...pattern, [key]: n }, `${n}`)}
            />
          ))}
          <Measures
            of={pattern}
            rows={[
              { key: 'pitchU', label: 'Apart along', min: 1 },
              { key: 'pitchV', label: 'Apart back', min: 1 },
            ]}
            onChange={(p, label) => onPattern({ ...pattern, ...p }, label)}
          />
        </>
      )}
      {pattern?.kind === 'circle' && (
        <>
          <Measures
            of={pattern}
            rows={[{ key: 'diameter', label: 'Circle, diameter', min: 1 }]}
            onChange={(p, label) => onPattern({ ...pattern, ...p }, label)}
          />
          <NumberField
            label="First at"
            unit="°"
            value={pattern.startDeg}
            min={-360}
            max={360}
            onCommit={(startDeg) =>
              startDeg !== null && onPattern({ ...pattern, startDeg }, `from ${startDeg}`)
            }
          />
        </>
      )}
      {(pattern?.kind === 'row' || pattern?.kind === 'spread') && (
        <Choice
          label="Runs"
          value={pattern.along}
          options={[
            { value: 'u', name: 'along the front' },
            { value: 'v', name: 'front to back' },
          ]}
          onChoose={(along) => onPattern({ ...pattern, along }, along === 'u' ? 'along' : 'back')}
        />
      )}
    </>
  )
}
