import { CHARACTERS, WIDTHS } from './glyphWidths.ts'

const INDEX = new Map([...CHARACTERS].map((c, i) => [c, i]))
/** What a character that is not in the table takes, in thousandths of the size: as wide as an M. */
const WIDE = 760

/**
 * How wide a text is set on a sheet, mm, at a size of type in mm. Kerning is left out: it only draws letters closer.
 * "100" at 10 mm, bold, is 13.8 mm wide.
 */
export const textWidth = (text: string, size: number, bold = false): number =>
  ([...text].reduce((sum, c) => sum + (WIDTHS[bold ? 'bold' : 'regular'][INDEX.get(c) ?? -1] ?? WIDE), 0) *
    size) /
  1000

/** A text in lines of at most `width` mm, broken between words; a word that is wider stands alone. */
export function wrapText(text: string, width: number, size: number, bold = false): string[] {
  const lines: string[] = []
  let line = ''
  for (const word of text.split(' ')) {
    const longer = line ? `${line} ${word}` : word
    if (line && textWidth(longer, size, bold) > width) {
      lines.push(line)
      line = word
    } else line = longer
  }
  return [...lines, line]
}
