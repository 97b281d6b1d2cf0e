import { Tooltip } from 'radix-ui'
import type { ReactElement } from 'react'

/** Says more of a control to whoever rests on it, by pointer or by key. */
export function HintBody({ text, children }: { text: string; children: ReactElement }) {
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
