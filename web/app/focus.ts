/** Parts of the frame that the keyboard goes to at once, each with its key. */
export const PLACES = [
  { id: 'bench', name: 'bench', key: 'B' },
  { id: 'plan', name: 'plan', key: 'P' },
  { id: 'findings', name: 'findings', key: 'F' },
] as const
export type Place = (typeof PLACES)[number]['id']

const CONTROLS =
  'a[href], button:not(:disabled), input:not(:disabled), select:not(:disabled), summary, [tabindex="0"]'

/** Focuses the first control within a part of the frame, or the part itself where it has none. */
export function focusIn(id: Place): void {
  const part = document.getElementById(id) ?? document.getElementById('stage')
  const first = part?.querySelector<HTMLElement>(CONTROLS)
  ;(first ?? part)?.focus()
}

/** Focuses what names a part of the page: its first heading, else its first control; whether it has either. */
function focusNameOf(part: Element): boolean {
  const found = part.querySelector<HTMLElement>('h1, h2') ?? part.querySelector<HTMLElement>(CONTROLS)
  if (!found) return false
  if (!found.matches(CONTROLS) && !found.hasAttribute('tabindex')) found.tabIndex = -1
  found.focus({ preventScroll: true })
  return true
}

/** Focuses the heading of the bench, as soon as it is there. */
export const focusBench = (): void => {
  const bench = document.getElementById('bench')
  if (bench) focusNameOf(bench)
}

/**
 * Keeps the focus on the page: where what had it is taken away, it goes to what is left of the part in which that stood,
 * its heading first, as soon as there is one. Gives the function that ends the watch.
 */
export function keepFocus(page: Document): () => void {
  let [held, parts]: [Element | null, Element[]] = [null, []]
  const note = ({ target }: FocusEvent) => {
    if (!(target instanceof Element) || target === page.body) return
    held = target
    parts = []
    for (let at = target.parentElement; at; at = at.parentElement) parts.push(at)
  }
  const mend = () => {
    if (!held || held.isConnected || page.activeElement !== page.body) return
    // Of a page that was left, or a sheet that was closed, only the body is left: what names the page now has it then.
    const left = parts.find((p) => p.isConnected)!
    const named = left === page.body ? (page.querySelector('main h1, aside h1')?.parentElement ?? null) : left
    if (named) focusNameOf(named)
  }
  const watch = new MutationObserver(mend)
  page.addEventListener('focusin', note)
  watch.observe(page.body, { childList: true, subtree: true })
  return () => {
    page.removeEventListener('focusin', note)
    watch.disconnect()
  }
}
