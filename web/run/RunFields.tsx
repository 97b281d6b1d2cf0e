import type { Run } from '../../core/job/index.ts'
import { showNumber } from '../../core/units/index.ts'
import { newId } from '../state/files.ts'
import { Choice, More, Row } from '../ui/Choice.tsx'
import { Measures } from '../ui/Measures.tsx'

export function withLegs(run: Run, n: number): Partial<Run> {
  const legs = [...run.legs]
  while (legs.length < n) legs.push({ id: newId('leg'), length: 1400, depth: legs[0]!.depth })
  return {
    legs: legs.slice(0, n),
    corners: Array.from({ length: n - 1 }, (_, i) => run.corners[i] ?? { by: 'square' as const }),
  }
}

export function CornerFields({
  run,
  index,
  set,
  deg,
}: {
  run: Run
  index: number
  set: (patch: Partial<Run>, label: string) => void
  deg: number | null
}) {
  const corner = run.corners[index] ?? { by: 'square' as const }
  const put = (next: Run['corners'][number], label: string) =>
    set(
      {
        corners: Array.from({ length: run.legs.length - 1 }, (_, i) =>
          i === index ? next : (run.corners[i] ?? { by: 'square' as const }),
        ),
      },
      label,
    )
  return (
    <>
      <Choice
        label="Corner of the walls"
        value={corner.by}
        options={[
          { value: 'square', name: 'square' },
          { value: 'diagonal', name: 'by diagonal' },
          { value: 'offset', name: 'by offset' },
        ]}
        onChoose={(by) => {
          if (by === 'square') put({ by }, 'corner square')
          if (by === 'diagonal') put({ by, along: 900, across: 1200, diagonal: 1500 }, 'corner by diagonal')
          if (by === 'offset') put({ by, over: 1000, off: 0 }, 'corner by offset')
        }}
      />
      {corner.by === 'diagonal' && (
        <Measures
          of={corner}
          rows={[
            { key: 'along', label: 'Along the first wall', min: 1 },
            { key: 'across', label: 'Along this wall', min: 1 },
            { key: 'diagonal', label: 'Between the marks', min: 1 },
          ]}
          onChange={(patch, label) => put({ ...corner, ...patch }, label)}
        />
      )}
      {corner.by === 'offset' && (
        <Measures
          of={corner}
          rows={[
            { key: 'over', label: 'Out from the first wall', min: 1 },
            { key: 'off', label: 'This wall leans away', signed: true },
          ]}
          onChange={(patch, label) => put({ ...corner, ...patch }, label)}
        />
      )}
      {deg !== null && corner.by !== 'square' && <Row label="Corner">{showNumber(deg, 2)}°</Row>}
    </>
  )
}

type Item = { id: string; name: string; leg: number }

export function ItemList<T extends Item>({
  title,
  items,
  legs,
  rows,
  add,
  onItems,
}: {
  title: string
  items: readonly T[]
  legs: number
  rows: readonly { key: Exclude<keyof T, 'id' | 'name' | 'leg'> & string; label: string; min?: number }[]
  add: () => T
  onItems: (items: T[], label: string) => void
}) {
  return (
    <>
      <h2>{title}</h2>
      {items.map((item) => {
        const put = (patch: Partial<T>, label: string) =>
          onItems(
            items.map((o) => (o.id === item.id ? { ...o, ...patch } : o)),
            `${item.name}: ${label}`,
          )
        return (
          <More key={item.id} title={item.name}>
            {legs > 1 && (
              <Choice
                label="On leg"
                value={String(item.leg)}
                options={Array.from({ length: legs }, (_, i) => ({ value: String(i), name: `leg ${i + 1}` }))}
                onChoose={(leg) => put({ leg: Number(leg) } as Partial<T>, `leg ${Number(leg) + 1}`)}
              />
            )}
            <Measures
              of={item as unknown as Readonly<Record<(typeof rows)[number]['key'], number>>}
              rows={rows}
              onChange={(patch, label) => put(patch as Partial<T>, label)}
            />
            <button
              type="button"
              className="word text-oxide"
              onClick={() =>
                onItems(
                  items.filter((o) => o.id !== item.id),
                  `no ${item.name}`,
                )
              }
            >
              remove {item.name}
            </button>
          </More>
        )
      })}
      <button type="button" className="word" onClick={() => onItems([...items, add()], `one more`)}>
        add
      </button>
    </>
  )
}
