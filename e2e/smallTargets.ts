/**
 * Controls that are smaller than a hand in a workshop wants, each with its size: under 32 px high or wide, its label
 * counted where pressing that presses it. A word in the middle of a sentence is as high as its line. Runs inside the
 * page, so it refers to nothing outside itself.
 */
export function smallTargets(): string[] {
  const LEAST = 31.5
  const small = new Set<string>()
  const inSentence = (e: Element): boolean =>
    getComputedStyle(e).display === 'inline' &&
    [...(e.parentElement?.childNodes ?? [])].some((n) => n.nodeType === 3 && n.textContent?.trim())
  for (const e of document.querySelectorAll<HTMLElement | SVGElement>(
    'a[href], button, input, textarea, select, [role="button"], [role="slider"], [role="radio"], [role="checkbox"]',
  )) {
    if (!e.checkVisibility({ checkOpacity: true, checkVisibilityCSS: true }) || inSentence(e)) continue
    // Handles that share a short side take what room there is.
    if (e.closest('[data-crowded]')) continue
    if (getComputedStyle(e).clipPath === 'inset(50%)' || e.getAttribute('aria-hidden')) continue
    const boxes = [e.getBoundingClientRect()]
    const labels =
      e instanceof HTMLInputElement || e instanceof HTMLButtonElement || e instanceof HTMLTextAreaElement
        ? [...(e.labels ?? [])]
        : []
    for (const label of labels) boxes.push(label.getBoundingClientRect())
    if (boxes[0]!.width <= 1 || boxes[0]!.height <= 1) continue
    const wide = Math.max(...boxes.map((b) => b.right)) - Math.min(...boxes.map((b) => b.left))
    const high = Math.max(...boxes.map((b) => b.bottom)) - Math.min(...boxes.map((b) => b.top))
    if (wide >= LEAST && high >= LEAST) continue
    const name = e.getAttribute('aria-label') ?? labels[0]?.textContent ?? e.textContent ?? e.tagName
    small.add(`“${name.trim().slice(0, 40)}” is ${Math.round(wide)} × ${Math.round(high)}`)
  }
  return [...small]
}
