import type { ReactElement } from 'react'
import type { OpeningShape } from '../../../../core/job/index.ts'
import { halfSize } from '../../../../core/piece/index.ts'
import { Measures } from '../../../ui/Measures.tsx'
import { ImportOutline } from '../ImportOutline.tsx'

/** A shape of another kind about as large as this one. */
export function startShape(kind: OpeningShape['kind'], shape: OpeningShape): OpeningShape {
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

export function ShapeFields({
  shape,
  setShape,
}: {
  shape: OpeningShape
  setShape: (shape: OpeningShape, label: string) => void
}): ReactElement {
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
