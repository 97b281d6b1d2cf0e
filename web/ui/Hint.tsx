import { Tooltip } from 'radix-ui'
import type { ReactElement } from 'react'

/** Says more of a control to whoever rests on it, by pointer or by key. */
export function Hint({ text, children }: { text: string | undefined; children: ReactElement }) {
  if (!text) return children
  return (
    <Tooltip.Provider delayDuration={350}>
      <Tooltip.Root>
        <Tooltip.Trigger asChild>{children}</Tooltip.Trigger>
        <Tooltip.Portal>
          <Tooltip.Content className="hint" sideOffset={4} collisionPadding={8}>
            {text}
          </Tooltip.Content>
        </Tooltip.Portal>
      </Tooltip.Root>
    </Tooltip.Provider>
  )
}
