import type { Point } from '../geometry/index.ts'
import { textWidth, wrapText } from './textWidth.ts'
import type { Mark, Page } from './types.ts'

type Box = { readonly left: number; readonly right: number; readonly low: number; readonly high: number }

const labelBox = ([x, y]: Point, text: string, size: number): Box => {
  const half = textWidth(text, size, true) / 2 + 0.6
  return { left: x - half, right: x + half, low: y - size * 0.5, high: y + size * 0.6 }
}
const cornersOf = ({ left, right, low, high }: Box): Point[] => [
  [left, low],
  [right, low],
  [right, high],
  [left, high],
]
const meets = (a: Box, b: Box): boolean =>
  a.left < b.right && b.left < a.right && a.low < b.high && b.low < a.high

type TextStyle = {
  readonly align?: 'left' | 'middle' | 'right'
  readonly bold?: boolean
  readonly turned?: boolean
}

/** Collects the marks of one page; coordinates in mm from the lower left. */
export class PageWriter {
  private readonly marks: Mark[] = []
  private readonly labels: { box: Box; text: string }[] = []
  constructor(
    readonly width: number,
    readonly height: number,
  ) {}

  line(points: readonly Point[], weight: number, dash?: readonly [number, number]): void {
    this.marks.push({ kind: 'line', points, closed: false, weight, ...(dash && { dash }) })
  }

  shape(points: readonly Point[], weight: number): void {
    this.marks.push({ kind: 'line', points, closed: true, weight })
  }

  /** A shape filled with a grey from 0 (black) to 1 (white), without an outline. */
  fill(points: readonly Point[], grey: number): void {
    this.marks.push({ kind: 'line', points, closed: true, weight: 0, fill: grey })
  }

  text(
    at: Point,
    text: string,
    size: number,
    { align = 'left', bold = false, turned = false }: TextStyle = {},
  ): void {
    this.marks.push({ kind: 'text', at, text, size, align, bold, ...(turned && { turned }) })
  }

  /** A text on one line of at most `width` mm: set smaller where it would be longer. */
  fit(at: Point, text: string, size: number, width: number, style: TextStyle = {}): void {
    const share = width / textWidth(text, size, style.bold)
    this.text(at, text, share < 1 ? size * share : size, style)
  }

  /** A text in as many lines as it needs within `width`, the first at `at`, each `step` below the last; how many. */
  lines(at: Point, text: string, size: number, width: number, step: number, style: TextStyle = {}): number {
    const lines = wrapText(text, width, size, style.bold)
    lines.forEach((line, i) => {
      this.text([at[0], at[1] - i * step], line, size, style)
    })
    return lines.length
  }

  /** Text on a white ground, centred on `at`. */
  label(at: Point, text: string, size: number): void {
    const box = labelBox(at, text, size)
    this.labels.push({ box, text })
    this.fill(cornersOf(box), 1)
    this.text([at[0], at[1] - size * 0.32], text, size, { align: 'middle', bold: true })
  }

  /**
   * Text on a white ground at the first of some places where no other label stands. What is already told at the first of
   * them is not told again; what finds no place is left out.
   */
  labelAmong(places: readonly Point[], text: string, size: number): void {
    const at = (place: Point) => this.labels.filter((l) => meets(l.box, labelBox(place, text, size)))
    if (places[0] && at(places[0]).some((l) => l.text === text)) return
    const free = places.find((place) => at(place).length === 0)
    if (free) this.label(free, text, size)
  }

  /** A dimension as a maker draws it: extension lines, a line with end ticks, the figure in the middle. */
  dimension(from: Point, to: Point, away: number, text: string, where: 'below' | 'left'): void {
    const [dx, dy] = where === 'below' ? [0, -away] : [-away, 0]
    const [a, b]: [Point, Point] = [
      [from[0] + dx, from[1] + dy],
      [to[0] + dx, to[1] + dy],
    ]
    this.line([from, a], 0.08)
    this.line([to, b], 0.08)
    this.line([a, b], 0.2)
    for (const [x, y] of [a, b])
      this.line(
        [
          [x - 1, y - 1],
          [x + 1, y + 1],
        ],
        0.35,
      )
    this.label([(a[0] + b[0]) / 2, (a[1] + b[1]) / 2], text, 4)
  }

  /** 100 mm or 4 in to be checked with a rule: a print that was scaled is found out. */
  checkBar([x, y]: Point, inches: boolean): void {
    const [step, count, long] = inches ? [25.4 / 4, 16, 4] : [10, 10, 5]
    this.line(
      [
        [x, y],
        [x + step * count, y],
      ],
      0.4,
    )
    for (let i = 0; i <= count; i += 1)
      this.line(
        [
          [x + i * step, y],
          [x + i * step, y + (i % long === 0 ? 3 : 1.6)],
        ],
        0.2,
      )
    this.text([x + step * count + 2, y], `${inches ? '4"' : '100 mm'}: check with a rule`, 2.8)
  }

  page(of: Page['of']): Page {
    return { of, width: this.width, height: this.height, marks: this.marks }
  }
}
