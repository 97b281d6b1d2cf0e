import { AlertDialog } from 'radix-ui'
import type { ReactNode } from 'react'

/** A word that asks once more before it does what is hard to take back. */
export function Asked({
  name,
  word,
  act,
  keep,
  onAct,
  children,
}: {
  name: string
  word: string
  act: string
  keep: string
  onAct: () => void
  children: ReactNode
}) {
  return (
    <AlertDialog.Root>
      <AlertDialog.Trigger className="word text-oxide" aria-label={name}>
        {word}
      </AlertDialog.Trigger>
      <AlertDialog.Portal>
        <AlertDialog.Overlay className="dialog-back" />
        <AlertDialog.Content className="dialog">
          <AlertDialog.Title className="text-xl font-bold">{name}</AlertDialog.Title>
          <AlertDialog.Description className="mt-2">{children}</AlertDialog.Description>
          <div className="mt-4 flex gap-2">
            <AlertDialog.Action className="act act-oxide" onClick={onAct}>
              {act}
            </AlertDialog.Action>
            <AlertDialog.Cancel className="act">{keep}</AlertDialog.Cancel>
          </div>
        </AlertDialog.Content>
      </AlertDialog.Portal>
    </AlertDialog.Root>
  )
}
