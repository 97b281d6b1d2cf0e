import { Tooltip } from 'radix-ui'
import { type ReactElement, useState } from 'react'

/**
 * Says more of a control to whoever rests on it, by pointer or by key. The control is the same one with a text or
 * without: it is never made anew under a pointer that is about to press it.
 */
export function Hint({ text, children }: { text: string | undefined; children: ReactElement }) {
  const [open, setOpen] = useState(false)
  return (
    <Tooltip.Provider delayDuration={350}>
      <Tooltip.Root open={open && text !== undefined} onOpenChange={setOpen}>
        <Tooltip.Trigger asChild>{children}</Tooltip.Trigger>
        {text !== undefined && (
          <Tooltip.Portal>
            <Tooltip.Content className="hint" sideOffset={4} collisionPadding={8}>
              {text}
            </Tooltip.Content>
          </Tooltip.Portal>
        )}
      </Tooltip.Root>
    </Tooltip.Provider>
  )
}
