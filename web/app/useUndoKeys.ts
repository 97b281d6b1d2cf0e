import { useEffect } from 'react'
import { useUndo } from '../state/useUndo.ts'

export const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.isContentEditable || /^(INPUT|TEXTAREA)$/.test(target.tagName) || isList(target))

/** A list finds its choices by the letters typed over it. */
const isList = (target: HTMLElement): boolean =>
  target.closest('[role="combobox"], [role="listbox"]') !== null

/**
 * Whether an undo belongs to what is being typed, which its field takes back itself. Lists, boxes and fields whose entry
 * was taken have nothing of their own to undo: they say so by `data-typed`.
 */
export const undoesItself = (target: EventTarget | null): boolean =>
  isTyping(target) &&
  target instanceof HTMLElement &&
  !isList(target) &&
  !(target instanceof HTMLInputElement && /^(checkbox|radio|range|button|file)$/.test(target.type)) &&
  target.dataset.typed !== 'no'

/** Undo and redo by Ctrl and Z on every page of a job. */
export function useUndoKeys(): void {
  const { undo, redo } = useUndo()
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const undoing = (event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z'
      if (!undoing || undoesItself(event.target)) return
      event.preventDefault()
      ;(event.shiftKey ? redo : undo)()
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [undo, redo])
}
