import type { Opening, Pattern } from '../../../../core/job/index.ts'
import { halfSize } from '../../../../core/piece/index.ts'
import { Choice } from '../../../ui/Choice.tsx'
import { Measures } from '../../../ui/Measures.tsx'
import { NumberField } from '../../../ui/NumberField.tsx'

/** Rows, grids, circles and equal gaps of one opening. */
export function PatternFields({
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
