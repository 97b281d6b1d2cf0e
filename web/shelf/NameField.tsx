import { useState } from 'react'

/** A name that is typed over where it stands. */
export function NameField({
  value,
  label,
  onName,
}: {
  value: string
  label: string
  onName: (name: string) => void
}) {
  const [typed, setTyped] = useState<string | null>(null)
  return (
    <input
      aria-label={label}
      className="label w-full border-b border-transparent bg-transparent text-[18px] font-bold hover:border-hair focus:border-ink"
      value={typed ?? value}
      onChange={(e) => setTyped(e.target.value)}
      onBlur={() => {
        const name = typed?.trim().slice(0, 120)
        if (name && name !== value) onName(name)
        setTyped(null)
      }}
    />
  )
}
