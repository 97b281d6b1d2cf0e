import { ToggleGroup } from 'radix-ui'

/** One of a few ways to look at the same thing, side by side; arrows go from one to the next. */
export function Turns<T extends string>({
  label,
  value,
  ways,
  onTurn,
  className,
  item,
}: {
  label: string
  value: T
  ways: readonly { readonly value: T; readonly name: string }[]
  onTurn: (value: T) => void
  className: string
  item: (on: boolean) => string
}) {
  return (
    <ToggleGroup.Root
      type="single"
      aria-label={label}
      className={className}
      value={value}
      onValueChange={(next) => {
        // Pressing the one that is on leaves it on.
        if (next) onTurn(next as T)
      }}
    >
      {ways.map((w) => (
        <ToggleGroup.Item key={w.value} value={w.value} className={item(w.value === value)}>
          {w.name}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  )
}
