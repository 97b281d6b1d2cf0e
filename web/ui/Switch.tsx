export function Switch({
  label,
  on,
  onSwitch,
}: {
  label: string
  on: boolean
  onSwitch: (on: boolean) => void
}) {
  return (
    <label className="row cursor-pointer">
      <span>{label}</span>
      <input
        type="checkbox"
        className="h-5 w-5 accent-[var(--ink)]"
        checked={on}
        onChange={(e) => onSwitch(e.target.checked)}
      />
    </label>
  )
}
