import type { Point, Region } from '../../geometry/index.ts'
import type { Lettering } from '../../job/index.ts'
import type { LetterFont } from './fonts.ts'

export type LaidLetters = {
  /** Rings about the text's middle, u to the right, v up, mm; outer ones and holes as the font winds them. */
  readonly rings: Region
  readonly width: number
  readonly height: number
  /** Letters the font lacks. */
  readonly missing: readonly string[]
}

/** Lines stand this many letter heights apart. */
const LINE = 1.5

/** The rings of a text: letters on their baselines with kerning and spacing, its box centred on the origin. */
export function layLetters({ text, height, spacing, align }: Lettering, font: LetterFont): LaidLetters {
  const k = height / font.capHeight
  const missing: string[] = []
  const lines = text.split('\n').map((line) => {
    let x = 0
    const rings: Point[][] = []
    const letters = [...line]
    letters.forEach((letter, i) => {
      const glyph = font.glyphs[letter]
      if (!glyph) {
        missing.push(letter)
        return
      }
      for (const ring of glyph.rings) {
        const points: Point[] = []
        for (let j = 0; j < ring.length; j += 2) points.push([x + ring[j]! * k, ring[j + 1]! * k])
        rings.push(points)
      }
      const last = i === letters.length - 1
      x +=
        (glyph.advance + (font.kern[letter + (letters[i + 1] ?? '')] ?? 0)) * k +
        (last ? 0 : (spacing / 100) * height)
    })
    return { rings, width: x }
  })
  const width = Math.max(0, ...lines.map((l) => l.width))
  const tall = height + (lines.length - 1) * LINE * height
  const rings = lines.flatMap((line, i) => {
    const dx = align === 'left' ? -width / 2 : align === 'right' ? width / 2 - line.width : -line.width / 2
    const dy = tall / 2 - height - i * LINE * height
    return line.rings.map((ring) => ring.map(([px, py]): Point => [px + dx, py + dy]))
  })
  return { rings, width, height: tall, missing }
}
