import { useState } from 'react'
import { type Opening, type OpeningShape, openingFor, type PlaceRule } from '../../../core/job/index.ts'
import { reach, removeOpening, resolvePlacing } from '../../../core/piece/index.ts'
import { formatLength } from '../../../core/units/index.ts'
import { usePlan } from '../../app/PlanContext.tsx'
import { useAppDispatch, useChange } from '../../app/store.ts'
import { selected } from '../../app/viewSlice.ts'
import { Choice, More, Row } from '../../ui/Choice.tsx'
import { MeasureField, useMeasureStyle } from '../../ui/MeasureField.tsx'
import { NumberField } from '../../ui/NumberField.tsx'
import { EdgeField } from './EdgeField.tsx'

/** One opening: its size, where it stands by rule, its row, its rim. */
export function OpeningBench({ opening, onBack }: { opening: Opening; onBack: () => void }) {
  const { piece } = usePlan()
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
        ]}
        onChoose={(kind) =>
          kind !== shape.kind &&
          setShape(
            kind === 'round'
              ? {
                  kind: 'round',
                  diameter: shape.kind === 'rectangle' ? Math.min(shape.length, shape.width) : 35,
                }
              : {
                  kind: 'rectangle',
                  length: shape.kind === 'round' ? shape.diameter : 100,
                  width: shape.kind === 'round' ? shape.diameter : 100,
                  radius: 0,
                },
            `${opening.name} ${kind}`,
          )
        }
      />
      <h2>{opening.fixture ? 'Fixture' : 'Finished size'}</h2>
      {shape.kind === 'round' ? (
        <MeasureField
          label="Diameter"
          value={shape.diameter}
          min={1}
          onCommit={(diameter) => setShape({ ...shape, diameter }, `${opening.name} d ${mm(diameter)}`)}
        />
      ) : (
        <>
          <MeasureField
            label="Length"
            value={shape.length}
            min={1}
            onCommit={(length) => setShape({ ...shape, length }, `${opening.name} length ${mm(length)}`)}
          />
          <MeasureField
            label="Width"
            value={shape.width}
            min={1}
            onCommit={(width) => setShape({ ...shape, width }, `${opening.name} width ${mm(width)}`)}
          />
          <MeasureField
            label="Corner radius"
            value={shape.radius}
            min={0}
            onCommit={(radius) => setShape({ ...shape, radius }, `${opening.name} radius ${mm(radius)}`)}
          />
        </>
      )}
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
          <Row label="Opening">
            {opening.shape.kind === 'round'
              ? `d ${mm(opening.shape.diameter)}`
              : `${mm(opening.shape.length)} × ${mm(opening.shape.width)}`}
          </Row>
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
      <PlaceField axis="u" opening={opening} onRule={(u) => patch(`place ${opening.name}`, { u })} />
      <PlaceField axis="v" opening={opening} onRule={(v) => patch(`place ${opening.name}`, { v })} />
      <h2>Row</h2>
      <NumberField
        label="How many"
        value={opening.row?.count ?? 1}
        min={1}
        max={100}
        whole
        onCommit={(n) =>
          n &&
          patch(n === 1 ? `one ${opening.name}` : `${n} × ${opening.name}`, {
            row:
              n === 1
                ? null
                : { count: n, pitch: opening.row?.pitch ?? 200, along: opening.row?.along ?? 'u' },
          })
        }
      />
      {opening.row && (
        <>
          <MeasureField
            label="Apart"
            note="middle to middle"
            value={opening.row.pitch}
            min={1}
            onCommit={(pitch) =>
              opening.row && patch(`${opening.name} ${mm(pitch)} apart`, { row: { ...opening.row, pitch } })
            }
          />
          <Choice
            label="Row runs"
            value={opening.row.along}
            options={[
              { value: 'u', name: 'along the front' },
              { value: 'v', name: 'front to back' },
            ]}
            onChoose={(along) =>
              opening.row && patch(`turn the row of ${opening.name}`, { row: { ...opening.row, along } })
            }
          />
        </>
      )}
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
  axis,
  opening,
  onRule,
}: {
  axis: 'u' | 'v'
  opening: Opening
  onRule: (rule: PlaceRule) => void
}) {
  const { piece } = usePlan()
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

function ruleKeepingPlace(
  key: string,
  axis: 'u' | 'v',
  opening: Opening,
  piece: ReturnType<typeof usePlan>['piece'],
): PlaceRule {
  const k = axis === 'u' ? 0 : 1
  const { middles } = resolvePlacing(piece)
  const at = middles.get(opening.id)![k]
  const own = reach(opening, axis)
  const total = axis === 'u' ? piece.outline.length : piece.outline.width
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
