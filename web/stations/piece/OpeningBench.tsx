import { useState } from 'react'
import { type Opening, type OpeningShape, openingFor, type SlabPiece } from '../../../core/job/index.ts'
import { removeOpening } from '../../../core/piece/index.ts'
import { formatLength } from '../../../core/units/index.ts'
import { shapeText } from '../../stage/paths.ts'
import { useAppDispatch, useChange } from '../../state/store.ts'
import { useMeasureStyle } from '../../state/useMeasureStyle.ts'
import { selected } from '../../state/viewSlice.ts'
import { Caution, Choice, More, Row } from '../../ui/Choice.tsx'
import { MeasureField } from '../../ui/MeasureField.tsx'
import { NumberField } from '../../ui/NumberField.tsx'
import { useWordsStyle } from '../../ui/Quantity.tsx'
import { Switch } from '../../ui/Switch.tsx'
import { EdgeField } from './EdgeField.tsx'
import { PatternFields } from './opening/PatternFields.tsx'
import { PlaceField } from './opening/PlaceField.tsx'
import { ShapeFields, startShape } from './opening/ShapeFields.tsx'

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
  const words = useWordsStyle()
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
            Its concrete is poured and lifted with the piece. Drill from {words.mpa(10)} on and a day old, as
            far from any edge as it is across, bit wet or dust drawn off, respirator on.
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
