import { useEffect, useRef, useState } from 'react'
import { loopChords, type PathCorner, type Point, pathLoop } from '../../../core/geometry/index.ts'
import { newOpening, type Opening, type Outline, storedPath } from '../../../core/job/index.ts'
import { crossingOf, scalePath } from '../../../core/readers/chain.ts'
import { type DrawnOutline, FILE_UNITS, likelyUnit } from '../../../core/readers/types.ts'
import { formatLength } from '../../../core/units/index.ts'
import { ringPath } from '../../stage/paths.ts'
import { newId } from '../../state/files.ts'
import { useMeasureStyle } from '../../state/useMeasureStyle.ts'
import { Pick } from '../../ui/Choice.tsx'
import { FileButton } from '../../ui/FileButton.tsx'
import { Switch } from '../../ui/Switch.tsx'
import { importFile } from '../../worker/importFile.ts'

type Found = {
  readonly name: string
  readonly outlines: readonly DrawnOutline[]
  readonly mmPerUnit: number | null
  readonly leftOut: readonly string[]
}

type Props = {
  readonly label?: string
  readonly onOutline?: (
    outline: Extract<Outline, { kind: 'polygon' }>,
    name: string,
    openings: readonly Opening[],
    inner: ReturnType<typeof storedPath>[],
  ) => void
  readonly onPoints?: (points: [number, number][], name: string) => void
  /** Whether inner outlines can become openings here. */
  readonly withOpenings?: boolean
}

/** Takes a closed outline from a DXF or SVG file: which one, in what unit, and whether inner ones become openings. */
export function ImportOutline({ label = 'Import a plan', onOutline, onPoints, withOpenings }: Props) {
  const stop = useRef<() => void>(() => undefined)
  const [reading, setReading] = useState<string | null>(null)
  const [wrong, setWrong] = useState<string | null>(null)
  const [found, setFound] = useState<Found | null>(null)
  const [which, setWhich] = useState('0')
  const [unit, setUnit] = useState('mm')
  const style = useMeasureStyle()
  const [openingsToo, setOpeningsToo] = useState(true)
  useEffect(() => () => stop.current(), [])

  const take = (file: File) => {
    setWrong(null)
    setFound(null)
    setReading(file.name)
    stop.current = importFile({ kind: 'drawing', file }, (reply) => {
      setReading(null)
      if (reply.kind === 'refused') setWrong(reply.text)
      if (reply.kind !== 'drawing') return
      if (!reply.drawing.ok) {
        setWrong(reply.drawing.problem.text)
        return
      }
      const { outlines, mmPerUnit, leftOut } = reply.drawing
      const first = outlines[0]!
      setWhich('0')
      setUnit(
        FILE_UNITS.find((u) => mmPerUnit !== null && Math.abs(u.mm - mmPerUnit) < 1e-9)?.id ??
          (mmPerUnit === null ? likelyUnit(Math.max(first.length, first.width)).id : 'file'),
      )
      setFound({ name: file.name, outlines, mmPerUnit, leftOut })
    })
  }
  const outline = found?.outlines[Number(which)]
  const k = unit === 'file' ? (found?.mmPerUnit ?? 1) : FILE_UNITS.find((u) => u.id === unit)!.mm
  const use = () => {
    if (!found || !outline) return
    const corners = scalePath(outline.corners, k)
    const crossing = crossingOf(corners)
    if (crossing) {
      setWrong(
        `This outline crosses itself near ${crossing.at[0].toFixed(1)}, ${crossing.at[1].toFixed(1)} mm.`,
      )
      return
    }
    if (onPoints) {
      const points = loopChords(pathLoop(corners, { side: (i) => i, corner: (a) => a }), 40).points
      onPoints(
        points.slice(0, 400).map(([x, y]): [number, number] => [x, y]),
        found.name,
      )
    }
    const [x0, y0] = boxOf(corners)
    const openings =
      withOpenings && openingsToo
        ? outline.inner.map((inner, i) => openingOf(scalePath(inner, k), [x0, y0], i))
        : []
    onOutline?.(
      { kind: 'polygon', corners: storedPath(corners) },
      found.name,
      openings,
      outline.inner.map((inner) => storedPath(scalePath(inner, k))),
    )
    setFound(null)
  }
  return (
    <div className="pt-2">
      <FileButton
        label={label}
        text={`${label} (DXF, SVG)`}
        accept=".dxf,.svg"
        reading={reading}
        wrong={wrong}
        onFile={take}
        onCancel={() => {
          stop.current()
          setReading(null)
        }}
      />
      {found && outline && (
        <div className="border-b pb-2">
          <svg aria-hidden viewBox="-70 -45 140 90" className="my-1 h-[90px] w-full">
            <path
              d={preview(outline)}
              fill="var(--concrete)"
              fillRule="evenodd"
              stroke="var(--ink)"
              strokeWidth="1.2"
            />
          </svg>
          <Pick
            label="Outline"
            value={which}
            options={found.outlines.slice(0, 60).map((o, i) => ({
              id: String(i),
              name: `${o.layer}: ${formatLength(o.length * k, style)} × ${formatLength(o.width * k, style)}`,
            }))}
            onChoose={setWhich}
          />
          <Pick
            label={found.mmPerUnit === null ? 'The file does not say its unit' : 'Unit'}
            value={unit}
            options={[
              ...FILE_UNITS.map((u) => ({
                id: u.id,
                name: `${u.name}: ${formatLength(outline.length * u.mm, style)} × ${formatLength(outline.width * u.mm, style)}`,
              })),
              ...(found.mmPerUnit === null ? [] : [{ id: 'file', name: 'as the file says' }]),
            ]}
            onChoose={setUnit}
          />
          {withOpenings && outline.inner.length > 0 && (
            <Switch
              label={`${outline.inner.length} inside it as openings`}
              on={openingsToo}
              onSwitch={setOpeningsToo}
            />
          )}
          {found.leftOut.length > 0 && <p>Left out: {found.leftOut.join(', ')}.</p>}
          <button type="button" className="act mt-1" onClick={use}>
            Use this outline
          </button>
          <button type="button" className="word" onClick={() => setFound(null)}>
            leave it
          </button>
        </div>
      )}
    </div>
  )
}

function boxOf(corners: readonly PathCorner[]): [number, number, number, number] {
  const { points } = loopChords(pathLoop(corners, { side: (i) => i, corner: (a) => a }))
  const xs = points.map((p) => p[0])
  const ys = points.map((p) => p[1])
  return [Math.min(...xs), Math.min(...ys), Math.max(...xs), Math.max(...ys)]
}

/** An inner outline as an opening: round where it is a circle, else drawn, measured from the left and front. */
function openingOf(corners: readonly PathCorner[], [x0, y0]: Point, i: number): Opening {
  const [left, front, right, back] = boxOf(corners)
  const [cx, cy] = [(left + right) / 2, (front + back) / 2]
  const round = corners.every(
    (c) =>
      c.run.kind === 'arc' &&
      Math.abs(Math.hypot(c.x - cx, c.y - cy) - (right - left) / 2) < (right - left) * 1e-3,
  )
  return {
    ...newOpening(
      newId('opening'),
      `opening ${i + 1}`,
      round
        ? { kind: 'round', diameter: Math.round((right - left) * 1e3) / 1e3 }
        : { kind: 'polygon', corners: storedPath(corners.map((c) => ({ ...c, x: c.x - cx, y: c.y - cy }))) },
    ),
    u: { rule: 'fromStart', distance: Math.round((left - x0) * 1e3) / 1e3 },
    v: { rule: 'fromStart', distance: Math.round((front - y0) * 1e3) / 1e3 },
  }
}

function preview({ corners, inner, length, width }: DrawnOutline): string {
  const rings = [corners, ...inner].map(
    (c) => loopChords(pathLoop(c, { side: (i) => i, corner: (a) => a }), 40).points,
  )
  const [x0, y0] = boxOf(corners)
  const k = Math.min(130 / (length || 1), 80 / (width || 1))
  const at = ([x, y]: Point): Point => [(x - x0 - length / 2) * k, -(y - y0 - width / 2) * k]
  return rings.map((ring) => ringPath(ring, at)).join(' ')
}
