import { useEffect, useState } from 'react'
import type { Lettering } from '../../../../core/job/index.ts'
import { holdFonts, LETTER_FONTS, letterFont } from '../../../../core/piece/index.ts'
import { usePlan } from '../../../state/PlanContext.tsx'
import { Choice, Pick } from '../../../ui/Choice.tsx'
import { MeasureField } from '../../../ui/MeasureField.tsx'
import { Measures } from '../../../ui/Measures.tsx'
import { NumberField } from '../../../ui/NumberField.tsx'
import { BackTo, RemoveButton } from '../BackTo.tsx'
import { useEdit } from '../useEdit.ts'

/** Letters or numerals on a flat face. Mirroring is the mould's business: here they read as they will stand. */
export function LetteringBench({ lettering, onBack }: { lettering: Lettering; onBack: () => void }) {
  const { plan } = usePlan()
  const { keep, remove } = useEdit()
  const [text, setText] = useState(lettering.text)
  useEffect(() => setText(lettering.text), [lettering.text])
  const faces = plan?.stations.piece?.geometry.faces ?? []
  const set = (patch: Partial<Lettering>, label: string) =>
    keep({ list: 'lettering', item: { ...lettering, ...patch } }, `letters: ${label}`)
  const choose = async (font: string) => {
    await holdFonts([font])
    set(
      { font, fontHash: letterFont(font)?.hash ?? '' },
      LETTER_FONTS.find((f) => f.id === font)?.name ?? font,
    )
  }
  return (
    <>
      <BackTo title="Letters" onBack={onBack} />
      <p>They read here as they will stand; as poured face down the plan shows them mirrored.</p>
      <label className="label mt-2 block text-[16px]">
        Text
        <textarea
          className="label mt-1 block w-full border border-ink bg-sheet px-2 py-1 text-[18px] font-bold"
          rows={Math.min(4, text.split('\n').length)}
          maxLength={400}
          value={text}
          onChange={(e) => setText(e.target.value)}
          onBlur={() => {
            if (text.trim() === '') setText(lettering.text)
            else if (text !== lettering.text) set({ text }, `“${text.split('\n')[0]}”`)
          }}
        />
      </label>
      <Pick
        label="Font"
        value={lettering.font}
        options={LETTER_FONTS}
        onChoose={(font) => void choose(font)}
      />
      <Pick
        label="On"
        value={lettering.on}
        options={faces.map((f) => ({ id: f.name, name: f.words }))}
        onChoose={(on) => set({ on, u: 0, v: 0 }, `on the ${on.replace('/', ' ')}`)}
      />
      <Measures
        of={lettering}
        rows={[{ key: 'height', label: 'Height of a capital', min: 1 }]}
        onChange={set}
      />
      <MeasureField
        label="Raised by"
        note="below zero is sunk"
        value={lettering.depth}
        allowNegative
        onCommit={(depth) => set({ depth }, `depth ${depth}`)}
      />
      <NumberField
        label="Spacing"
        unit="% of height"
        value={lettering.spacing}
        min={-50}
        max={500}
        onCommit={(spacing) => spacing !== null && set({ spacing }, `spacing ${spacing}`)}
      />
      {text.includes('\n') && (
        <Choice
          label="Lines"
          value={lettering.align}
          options={(['left', 'middle', 'right'] as const).map((value) => ({ value, name: value }))}
          onChoose={(align) => set({ align }, `lines ${align}`)}
        />
      )}
      <h2>Place</h2>
      <Measures
        of={lettering}
        rows={[
          { key: 'u', label: 'Off the middle, along', signed: true },
          { key: 'v', label: 'Off the middle, up', signed: true },
        ]}
        onChange={set}
      />
      <NumberField
        label="Turned"
        unit="°"
        value={lettering.turnDeg}
        min={-360}
        max={360}
        onCommit={(turnDeg) => turnDeg !== null && set({ turnDeg }, `turned ${turnDeg}`)}
      />
      <RemoveButton
        name="these letters"
        onRemove={() => remove('lettering', lettering.id, 'remove letters')}
      />
    </>
  )
}
