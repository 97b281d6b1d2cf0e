/**
 * What is wrong with the layout of the page as it stands: text that is cut, text outside what can be seen or scrolled to,
 * two texts over one another, and controls whose every inner point is covered by something else. One sentence each, with
 * the words concerned. Runs inside the page, so it refers to nothing outside itself.
 */
export function layoutFaults(): string[] {
  type Box = { left: number; top: number; right: number; bottom: number }
  /** How far one may reach into another before it is told, px: glyphs rarely fill their boxes. */
  const SLACK = 2
  const view: Box = { left: 0, top: 0, right: innerWidth, bottom: innerHeight }
  const faults = new Set<string>()
  const seen = (e: Element): boolean =>
    e.checkVisibility({ checkOpacity: true, checkVisibilityCSS: true, contentVisibilityAuto: true })
  const meet = (a: Box, b: Box): Box => ({
    left: Math.max(a.left, b.left),
    top: Math.max(a.top, b.top),
    right: Math.min(a.right, b.right),
    bottom: Math.min(a.bottom, b.bottom),
  })
  const empty = (b: Box): boolean => b.right - b.left < 1 || b.bottom - b.top < 1
  const boxOf = ({ left, top, right, bottom }: DOMRect): Box => ({ left, top, right, bottom })
  const isForReaders = (e: Element): boolean => {
    for (let at: Element | null = e; at; at = at.parentElement) {
      const { width, height } = at.getBoundingClientRect()
      // The chart library measures its words in a span of its own, off the page.
      if (at.id.startsWith('recharts_measurement') || getComputedStyle(at).clipPath === 'inset(50%)')
        return true
      if (width <= 1 && height <= 1 && getComputedStyle(at).overflow !== 'visible') return true
    }
    return false
  }
  const clips = (e: Element, axis: 'X' | 'Y'): 'no' | 'cuts' | 'scrolls' => {
    const how = getComputedStyle(e)[`overflow${axis}`]
    if (e instanceof SVGElement && !(e instanceof SVGSVGElement)) return 'no'
    return how === 'visible' ? 'no' : how === 'hidden' || how === 'clip' ? 'cuts' : 'scrolls'
  }
  /** The part of a box that can be seen now, what may be scrolled to left in, and the nearest thing that scrolls. */
  const visible = (e: Element, box: Box): { now: Box; reachable: Box; scroller: Element | null } => {
    let [now, reachable]: [Box, Box] = [box, box]
    let scroller: Element | null = null
    let [freeX, freeY] = [true, true]
    for (let at: Element | null = e; at && at !== document.body; at = at.parentElement) {
      const [x, y] = [clips(at, 'X'), clips(at, 'Y')]
      if (x === 'no' && y === 'no') continue
      const edge = boxOf(at.getBoundingClientRect())
      const bound: Box = {
        left: x === 'no' ? -1e6 : edge.left,
        right: x === 'no' ? 1e6 : edge.right,
        top: y === 'no' ? -1e6 : edge.top,
        bottom: y === 'no' ? 1e6 : edge.bottom,
      }
      now = meet(now, bound)
      if (freeX && x === 'cuts')
        reachable = meet(reachable, { ...view, top: -1e6, bottom: 1e6, left: edge.left, right: edge.right })
      if (freeY && y === 'cuts')
        reachable = meet(reachable, { left: -1e6, right: 1e6, top: edge.top, bottom: edge.bottom })
      if (x === 'scrolls') freeX = false
      if (y === 'scrolls') freeY = false
      if (x === 'scrolls' || y === 'scrolls') scroller ??= at
    }
    if (freeX) reachable = meet(reachable, { left: view.left, right: view.right, top: -1e6, bottom: 1e6 })
    if (freeY) reachable = meet(reachable, { left: -1e6, right: 1e6, top: view.top, bottom: view.bottom })
    return { now: meet(now, view), reachable, scroller }
  }
  const cutBy = (whole: Box, left: Box): boolean =>
    left.left > whole.left + SLACK ||
    left.right < whole.right - SLACK ||
    left.top > whole.top + 4 ||
    left.bottom < whole.bottom - 4

  // Texts: every line of every text that is drawn.
  type Text = { words: string; box: Box; now: Box; scroller: Element | null; of: Element }
  const texts: Text[] = []
  const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
  for (let node = walker.nextNode(); node; node = walker.nextNode()) {
    const of = node.parentElement
    const words = node.textContent?.trim() ?? ''
    if (!of || !words || /^(SCRIPT|STYLE|OPTION|TITLE|title|desc)$/.test(of.tagName)) continue
    if (!seen(of) || isForReaders(of)) continue
    const range = document.createRange()
    range.selectNodeContents(node)
    for (const rect of of instanceof SVGElement ? [range.getBoundingClientRect()] : range.getClientRects()) {
      const full = boxOf(rect)
      if (empty(full)) continue
      // The letters of a line take about the middle two thirds of its height.
      const lean = (full.bottom - full.top) * 0.16
      const box = { ...full, top: full.top + lean, bottom: full.bottom - lean }
      const { now, reachable, scroller } = visible(of, box)
      if (cutBy(box, reachable)) {
        const within = of.parentElement?.textContent?.trim().slice(0, 40) ?? ''
        faults.add(`“${words.slice(0, 60)}” is cut or outside the view (in “${within}”)`)
      }
      texts.push({ words, box, now, scroller, of })
    }
  }
  // What its own box cuts short.
  for (const e of document.body.querySelectorAll<HTMLElement>('*')) {
    if (!(e instanceof HTMLElement) || !seen(e) || isForReaders(e)) continue
    if (e instanceof HTMLInputElement && /^(text|search|)$/.test(e.type) && e.scrollWidth > e.clientWidth + 1)
      faults.add(`the field “${e.value.slice(0, 60)}” is too narrow for what stands in it`)
  }
  // Two texts over one another: within what scrolls together wherever they stand, elsewhere where both are seen.
  const apart = (a: Element, b: Element): boolean => !a.contains(b) && !b.contains(a)
  const opaque = (e: Element): boolean => {
    for (let at: Element | null = e; at && at !== document.body; at = at.parentElement)
      if (at.matches('.understood, .complaint, .not-taken') || getComputedStyle(at).position === 'fixed')
        return true
    return false
  }
  const sorted = texts.sort((a, b) => a.box.top - b.box.top)
  for (let i = 0; i < sorted.length; i += 1)
    for (let k = i + 1; k < sorted.length; k += 1) {
      const [a, b] = [sorted[i]!, sorted[k]!]
      const together = a.scroller === b.scroller
      if (together && b.box.top > a.box.bottom) break
      const both = together ? meet(a.box, b.box) : meet(a.now, b.now)
      if (both.right - both.left <= SLACK || both.bottom - both.top <= SLACK) continue
      if ((a.of === b.of || !apart(a.of, b.of)) && a.words === b.words) continue
      if (opaque(a.of) !== opaque(b.of)) continue
      faults.add(`“${a.words.slice(0, 40)}” and “${b.words.slice(0, 40)}” stand over one another`)
    }
  // Controls that nothing can press.
  const controls = 'a[href], button, input, [role="button"], [role="slider"], [tabindex="0"]'
  for (const e of document.querySelectorAll<Element>(controls)) {
    if (!seen(e) || isForReaders(e) || (e as HTMLButtonElement).disabled) continue
    const { now } = visible(e, boxOf(e.getBoundingClientRect()))
    if (now.right - now.left < 4 || now.bottom - now.top < 4) continue
    const reached = (x: number, y: number): boolean => {
      if (x < now.left || x > now.right || y < now.top || y > now.bottom) return false
      const top = document.elementFromPoint(x, y)
      return top !== null && (e.contains(top) || (top.contains(e) && top.tagName === 'LABEL'))
    }
    // Across its box, and along the lines of what is drawn.
    const STEPS = 12
    let hit = false
    for (let i = 1; i < STEPS && !hit; i += 1)
      for (let k = 1; k < STEPS && !hit; k += 1)
        hit = reached(
          now.left + ((now.right - now.left) * i) / STEPS,
          now.top + ((now.bottom - now.top) * k) / STEPS,
        )
    if (!hit && e instanceof SVGElement)
      for (const line of [e, ...e.querySelectorAll('*')]) {
        if (!(line instanceof SVGGeometryElement)) continue
        const to = line.getScreenCTM()
        const length = line.getTotalLength()
        for (let i = 0; to && i < 60 && !hit; i += 1) {
          const { x, y } = line.getPointAtLength((length * i) / 60).matrixTransform(to)
          hit = reached(x, y)
        }
      }
    if (!hit) {
      const name = e.getAttribute('aria-label') ?? e.textContent?.trim() ?? e.tagName
      faults.add(`“${name.slice(0, 60)}” is covered and cannot be pressed`)
    }
  }
  if (document.documentElement.scrollWidth > innerWidth + 1)
    faults.add(`the page runs ${document.documentElement.scrollWidth - innerWidth} px off the side`)
  return [...faults]
}
