import { storedPath } from '../../../core/job/index.ts'
import { formatLength } from '../../../core/units/index.ts'
import { sideMiddle, withCorner } from '../../stage/PathHandles.tsx'
import { useMeasureStyle } from '../../state/useMeasureStyle.ts'
import { Choice, Row } from '../../ui/Choice.tsx'
import { MeasureField } from '../../ui/MeasureField.tsx'
import { usePath } from './usePath.ts'

/** How a side of a drawn path runs: straight, an arc with a rise, or a spline through points; and one more corner on it. */
export function RunFields({ id }: { id: string }) {
  const path = usePath()
  const style = useMeasureStyle()
  const i = path?.corners.findIndex((c) => c.side === id) ?? -1
  if (!path || i < 0) return null
  const corner = path.corners[i]!
  const next = path.corners[(i + 1) % path.corners.length]!
  const chord = Math.hypot(next.x - corner.x, next.y - corner.y)
  const mm = (n: number) => formatLength(n, style)
  const set = (run: typeof corner.run, label: string) =>
    path.commit(
      path.corners.map((c, k) => (k === i ? { ...c, run } : c)),
      label,
    )
  const start = (kind: string) => {
    if (kind === 'line') set({ kind: 'line' }, 'straighten the side')
    if (kind === 'arc') set({ kind: 'arc', rise: Math.round(chord * 0.15) }, 'turn the side into an arc')
    if (kind === 'spline') {
      const [nx, ny] = [(next.y - corner.y) / (chord || 1), -(next.x - corner.x) / (chord || 1)]
      const at = (t: number, off: number): [number, number] => [
        Math.round(corner.x + (next.x - corner.x) * t + nx * off),
        Math.round(corner.y + (next.y - corner.y) * t + ny * off),
      ]
      set(
        { kind: 'spline', through: [at(1 / 3, chord * 0.1), at(2 / 3, -chord * 0.1)] },
        'turn the side into a spline',
      )
    }
  }
  const { run } = corner
  return (
    <>
      <Choice
        label="Runs"
        hideLabel
        value={run.kind}
        options={[
          { value: 'line', name: 'straight' },
          { value: 'arc', name: 'arc' },
          { value: 'spline', name: 'spline' },
        ]}
        onChoose={(kind) => kind !== run.kind && start(kind)}
      />
      <Row label="Corner to corner">{mm(chord)}</Row>
      {run.kind === 'arc' && (
        <MeasureField
          label="Rise"
          note="outward of straight"
          value={run.rise}
          allowNegative
          onCommit={(rise) => set({ kind: 'arc', rise }, `rise ${mm(rise)}`)}
        />
      )}
      {run.kind === 'arc' && run.rise !== 0 && (
        <Row label="Radius">{mm((chord * chord) / (8 * Math.abs(run.rise)) + Math.abs(run.rise) / 2)}</Row>
      )}
      {run.kind === 'spline' &&
        run.through.map((p, k) => (
          <div key={k} className="grid grid-cols-2 gap-2">
            {([0, 1] as const).map((axis) => (
              <MeasureField
                key={axis}
                label={`${axis === 0 ? path.words.x : path.words.y} ${k + 1}`}
                value={p[axis]}
                allowNegative
                onCommit={(n) =>
                  set(
                    {
                      kind: 'spline',
                      through: run.through.map((q, m): [number, number] =>
                        m === k ? (axis === 0 ? [n, q[1]] : [q[0], n]) : q,
                      ),
                    },
                    'move a spline point',
                  )
                }
              />
            ))}
          </div>
        ))}
      {run.kind === 'spline' && (
        <button
          type="button"
          className="word"
          onClick={() => {
            const at = sideMiddle(corner, next)
            set(
              { kind: 'spline', through: [...run.through, [Math.round(at[0]), Math.round(at[1])]] },
              'add a spline point',
            )
          }}
        >
          add a point
        </button>
      )}
      <button
        type="button"
        className="word"
        onClick={() => path.commit(storedPath(withCorner(path.corners, i).corners), 'add a corner')}
      >
        add a corner in its middle
      </button>
    </>
  )
}
