import type { ReactNode } from 'react'

/** The head of a bench that shows one part of the piece: the way back, and its name. */
export function BackTo({ title, onBack }: { title: ReactNode; onBack: () => void }) {
  return (
    <>
      <button type="button" className="word p-0! text-soft" onClick={onBack}>
        back to the piece
      </button>
      <h1>{title}</h1>
    </>
  )
}

export function RemoveButton({ name, onRemove }: { name: string; onRemove: () => void }) {
  return (
    <button type="button" className="word mt-3 text-oxide" onClick={onRemove}>
      Remove {name}
    </button>
  )
}

/** A name typed in place of a heading. */
export function NameField({
  label,
  value,
  onName,
}: {
  label: string
  value: string
  onName: (name: string) => void
}) {
  return (
    <input
      key={value}
      aria-label={label}
      className="w-full border-b border-transparent bg-transparent hover:border-hair focus:border-ink"
      defaultValue={value}
      onBlur={(e) => {
        const name = e.target.value.trim().slice(0, 120)
        if (name && name !== value) onName(name)
        else e.target.value = value
      }}
      onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
    />
  )
}
