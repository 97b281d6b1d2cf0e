import { useEffect, useRef, useState } from 'react'
import type { ImportedPiece } from '../../../core/job/index.ts'
import type { MeshHealth } from '../../../core/readers/meshHealth.ts'
import { FILE_UNITS, likelyUnit } from '../../../core/readers/types.ts'
import { USUAL_DENSITY } from '../../../core/stock/index.ts'
import {
  formatLength,
  KG_PER_POUND,
  type MeasureStyle,
  otherUnits,
  wordsStyle,
} from '../../../core/units/index.ts'
import { database } from '../../state/useAutosave.ts'
import { useMeasureStyle } from '../../state/useMeasureStyle.ts'
import { Choice, Row } from '../../ui/Choice.tsx'
import { FileButton } from '../../ui/FileButton.tsx'
import { QuantityRow } from '../../ui/Quantity.tsx'
import { importFile } from '../../worker/importFile.ts'
import type { ImportReply } from '../../worker/importWork.ts'

type FileUnit = (typeof FILE_UNITS)[number]['id']
type Read = Extract<ImportReply, { kind: 'mesh' }> & { readonly name: string }

/** Reads a mesh, tells its health, asks the unit when the file does not say, and hands it over. */
export function ImportMesh({ onMesh }: { onMesh: (file: ImportedPiece['file'], mmPerUnit: number) => void }) {
  const stop = useRef<() => void>(() => undefined)
  const [reading, setReading] = useState<string | null>(null)
  const [wrong, setWrong] = useState<string | null>(null)
  const [read, setRead] = useState<Read | null>(null)
  const [crossings, setCrossings] = useState<{ part: number; count: number | null } | null>(null)
  const [unit, setUnit] = useState<FileUnit>('mm')
  const style = useMeasureStyle()
  useEffect(() => () => stop.current(), [])
  const take = (file: File) => {
    setWrong(null)
    setRead(null)
    setCrossings(null)
    setReading(file.name)
    stop.current = importFile({ kind: 'mesh', file }, (reply) => {
      if (reply.kind === 'refused') {
        setReading(null)
        setWrong(reply.text)
      }
      if (reply.kind === 'mesh') {
        setReading(null)
        setRead({ ...reply, name: file.name })
        setUnit(
          FILE_UNITS.find((u) => reply.mmPerUnit !== null && Math.abs(u.mm - reply.mmPerUnit) < 1e-9)?.id ??
            likelyUnit(Math.max(...reply.mended.extents)).id,
        )
      }
      if (reply.kind === 'crossings') setCrossings(reply)
    })
  }
  const use = async () => {
    if (!read) return
    try {
      await database.files.put({
        id: read.id,
        name: read.name,
        positions: read.positions,
        triangles: read.triangles,
      })
    } catch {
      setWrong('The browser could not keep the mesh: its storage is full or blocked.')
      return
    }
    onMesh(
      {
        id: read.id,
        name: read.name.slice(0, 120),
        triangles: read.mended.triangleCount,
        extents: [...read.mended.extents],
      },
      FILE_UNITS.find((u) => u.id === unit)!.mm,
    )
  }
  const k = FILE_UNITS.find((u) => u.id === unit)!.mm
  return (
    <div className="pt-2">
      <FileButton
        label="Mesh file"
        text="Read a mesh (STL, OBJ, 3MF)"
        accept=".stl,.obj,.3mf"
        reading={reading}
        wrong={wrong}
        onFile={take}
        onCancel={() => {
          stop.current()
          setReading(null)
        }}
      />
      {read && (
        <section aria-label="Health of the mesh">
          <h2>Health of {read.name}</h2>
          <HealthRows read={read} />
          <div className="row">
            <span>Facets that cross</span>
            <span className="value">
              {crossings?.count != null ? (
                crossings.count === 0 ? (
                  'none'
                ) : (
                  `${crossings.count}${crossings.count >= 100 ? ' or more' : ''}`
                )
              ) : (
                <>
                  looking, {Math.round((crossings?.part ?? 0) * 100)}%{' '}
                  <button
                    type="button"
                    className="word"
                    onClick={() => {
                      stop.current()
                      setCrossings({ part: 1, count: 0 })
                    }}
                  >
                    stop
                  </button>
                </>
              )}
            </span>
          </div>
          <Choice
            label={read.mmPerUnit === null ? 'The file does not say its unit. It is drawn in' : 'Drawn in'}
            value={unit}
            options={FILE_UNITS.map((u) => {
              const litres = (Math.abs(read.mended.volume) * u.mm ** 3) / 1e6
              return {
                value: u.id,
                name: u.name,
                note: (
                  <>
                    {read.mended.extents.map((e) => formatLength(e * u.mm, style)).join(' × ')}
                    <br />
                    {weightWords(litres, style)}
                  </>
                ),
              }
            })}
            onChoose={setUnit}
            stacked
          />
          <QuantityRow
            label="Volume then"
            of="volume"
            value={(Math.abs(read.mended.volume) * k ** 3) / 1e6}
            digits={2}
          />
          <Verdict health={read.mended} />
          <button
            type="button"
            className="act mt-2"
            disabled={!read.mended.closed}
            onClick={() => void use()}
          >
            Use this mesh
          </button>
        </section>
      )}
    </div>
  )
}

/** What so much concrete weighs, as it tells one unit from another at a glance. */
function weightWords(litres: number, style: MeasureStyle): string {
  const kg = (litres * USUAL_DENSITY.hardenedKgPerM3) / 1000
  const pounds = otherUnits(style).mass === 'lb'
  const tons = kg / (pounds ? 2000 * KG_PER_POUND : 1000)
  return tons >= 1
    ? `${tons.toLocaleString('en', { maximumFractionDigits: tons < 10 ? 1 : 0 })} ${pounds ? 'short tons' : 't'}`
    : wordsStyle(style).kg(kg, kg < 10 ? 1 : 0)
}

function HealthRows({ read: { found, mended, turnedCount, closedHoleCount } }: { read: Read }) {
  const rows: [string, number, string][] = [
    [
      'Open edges',
      found.openEdgeCount,
      closedHoleCount > 0
        ? `${closedHoleCount} ${closedHoleCount === 1 ? 'hole' : 'holes'} closed, ${mended.openEdgeCount === 0 ? 'none' : mended.openEdgeCount} left`
        : '',
    ],
    ['Flipped facets', found.flippedCount, turnedCount > 0 ? `${turnedCount} turned` : ''],
    ['Facets without area', found.zeroAreaCount, found.zeroAreaCount > 0 ? 'left out' : ''],
    ['Facets drawn twice', found.duplicateCount, found.duplicateCount > 0 ? 'left out' : ''],
    ['Edges of more than two facets', found.crowdedEdgeCount, ''],
  ]
  return (
    <>
      <Row label="Triangles">{found.triangleCount.toLocaleString('en')}</Row>
      <Row label="Shells">{found.shellCount}</Row>
      {rows.map(([label, count, cure]) => (
        <div key={label} className="row">
          <span>
            {label}
            {cure && <span className="unit">{cure}</span>}
          </span>
          <span className={`value ${count > 0 && !cure ? 'text-oxide' : ''}`}>{count}</span>
        </div>
      ))}
    </>
  )
}

function Verdict({ health }: { health: MeshHealth }) {
  if (health.closed) return <p>It closes: it has an inside and a volume.</p>
  const why = [
    health.openEdgeCount > 0 && `${health.openEdgeCount} open edges`,
    health.crowdedEdgeCount > 0 && `${health.crowdedEdgeCount} edges that more than two facets share`,
    health.flippedCount > 0 && `${health.flippedCount} facets that cannot be turned to agree`,
  ].filter(Boolean)
  return (
    <p role="alert" className="text-oxide!">
      It has no inside: {why.join(', ')}. What belongs there would be a guess: only its size holds; its
      weight, walls, draft and handling are told once it closes. Mend it where it was drawn, then read it
      again.
    </p>
  )
}
