import { useEffect, useRef, useState } from 'react'

/** A name that is typed over where it stands; Escape gives back the one it had. */
export function NameField({
  value,
  label,
  onName,
  onDone,
  autoFocus,
}: {
  value: string
  label: string
  onName: (name: string) => void
  onDone?: () => void
  autoFocus?: boolean
}) {
  const [typed, setTyped] = useState<string | null>(null)
  const input = useRef<HTMLInputElement>(null)
  useEffect(() => {
    if (autoFocus) input.current?.select()
  }, [autoFocus])
  return (
    <input
      ref={input}
      aria-label={label}
      className="label min-h-8 w-full border-b border-transparent bg-transparent text-[18px] font-bold hover:border-hair focus:border-ink"
      value={typed ?? value}
      maxLength={120}
      data-typed={typed === null ? 'no' : undefined}
      onChange={(e) => setTyped(e.target.value)}
      onBlur={() => {
        const name = typed?.trim().slice(0, 120)
        if (name && name !== value) onName(name)
        setTyped(null)
        onDone?.()
      }}
      onKeyDown={(e) => {
        if (e.key === 'Enter') e.currentTarget.blur()
        if (e.key !== 'Escape') return
        setTyped(null)
        onDone?.()
      }}
    />
  )
}
