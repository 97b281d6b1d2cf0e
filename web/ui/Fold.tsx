import { ChevronRight } from 'lucide-react'
import { Collapsible } from 'radix-ui'
import { type ReactNode, useState } from 'react'

/** What is folded away under its title until it is asked for. */
export function Fold({
  title,
  children,
  open: first = false,
  heading = false,
  late = false,
}: {
  title: ReactNode
  children: ReactNode
  /** Whether it begins open; it opens when this turns true. */
  open?: boolean
  heading?: boolean
  /** Whether what it holds is so much that it is made only when it is asked for. */
  late?: boolean
}) {
  const [open, setOpen] = useState(first)
  const [asked, setAsked] = useState(first)
  if (asked !== first) {
    setAsked(first)
    if (first) setOpen(true)
  }
  const trigger = (
    <Collapsible.Trigger className="fold">
      <ChevronRight aria-hidden size={16} strokeWidth={2.4} className={open ? 'rotate-90' : ''} />
      {title}
    </Collapsible.Trigger>
  )
  return (
    <Collapsible.Root open={open} onOpenChange={setOpen} className="mt-3">
      {heading ? <h2 className="m-0!">{trigger}</h2> : trigger}
      <Collapsible.Content className="pb-1" {...(!late && { forceMount: true, hidden: !open })}>
        {children}
      </Collapsible.Content>
    </Collapsible.Root>
  )
}
