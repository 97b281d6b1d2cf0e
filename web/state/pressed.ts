let down = false
let waiting: (() => void)[] = []
let early: (() => void)[] = []
/** Whether it is a drawing that is pressed: what is dragged there is reckoned from what was taken before. */
let onDrawing = false

/** What the click that comes must find done. */
function letGo(): void {
  const due = early
  early = []
  for (const act of due) act()
}

function released(): void {
  down = false
  const due = waiting
  waiting = []
  for (const act of due) act()
}
/** The click comes after the release: what waits, waits for that too. */
const release = (): void => {
  letGo()
  setTimeout(released)
}

/**
 * Follows whether a pointer is pressed anywhere on the page. Nothing may move under a pointer between press and release:
 * the click would land on something else, or nowhere. Gives back how to stop.
 */
export function watchPresses(page: Window): () => void {
  const press = ({ target }: PointerEvent) => {
    down = true
    onDrawing = (target as Partial<Element> | null)?.closest?.('svg, canvas') != null
  }
  // A release outside the window is not told: the next move without a button tells it.
  const move = ({ buttons }: PointerEvent) => {
    if (down && buttons === 0) release()
  }
  page.addEventListener('pointerdown', press, true)
  page.addEventListener('pointermove', move, true)
  for (const end of ['pointerup', 'pointercancel', 'blur'] as const) page.addEventListener(end, release, true)
  return () => {
    page.removeEventListener('pointerdown', press, true)
    page.removeEventListener('pointermove', move, true)
    for (const end of ['pointerup', 'pointercancel', 'blur'] as const)
      page.removeEventListener(end, release, true)
    letGo()
    released()
  }
}

/**
 * Does it now, or while something is pressed at its release, just before the click: what was typed into a field is taken
 * then, so that the control pressed has not moved and its click finds the new value.
 */
export function beforeClick(act: () => void): void {
  if (down && !onDrawing) early.push(act)
  else act()
}

/** Does it now, or once nothing is pressed any more, in the order asked for. */
export function onceReleased(act: () => void): void {
  if (down) waiting.push(act)
  else act()
}
