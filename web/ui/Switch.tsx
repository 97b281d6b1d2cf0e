import { useId } from 'react'
import { Box } from './Box.tsx'

/** Something that is so or is not, on a row of the bench. */
export function Switch({
  label,
  on,
  onSwitch,
}: {
  label: string
  on: boolean
  onSwitch: (on: boolean) => void
}) {
  const id = useId()
  return (
    <div className="row items-center!">
      <label htmlFor={id} className="flex min-h-8 flex-1 cursor-pointer items-center">
        {label}
      </label>
      <Box id={id} on={on} onTick={onSwitch} />
    </div>
  )
}
