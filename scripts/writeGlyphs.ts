/**
 * Writes core/piece/lettering/fonts/*.ts: outlines, advances and kerning of the shipped lettering fonts, flattened to
 * polygons in font units, so that every host gives the same letters without reading a font file.
 */
import { createHash } from 'node:crypto'
import fs from 'node:fs'
import { create } from 'fontkit'

const FONTS = [
  {
    id: 'condensed-bold',
    name: 'Condensed, bold',
    file: 'sofia-sans-condensed/files/sofia-sans-condensed-latin-700-normal.woff',
  },
  { id: 'roman-capitals', name: 'Roman capitals', file: 'cinzel/files/cinzel-latin-700-normal.woff' },
  { id: 'slab-serif', name: 'Slab serif', file: 'bitter/files/bitter-latin-600-normal.woff' },
  { id: 'stencil', name: 'Stencil', file: 'stardos-stencil/files/stardos-stencil-latin-700-normal.woff' },
] as const
const CHARACTERS = [
  ...Array.from({ length: 95 }, (_, i) => String.fromCharCode(32 + i)),
  ...'ÄÅÆÇÉÈÊËÍÎÏÑÓÔÖØÚÜßàáâäåæçèéêëíîïñóôöøúü°½¼¾–’·×',
]
/** Straight pieces for each curve: 0.1 percent of the letter's height at most from the true line. */
const CURVE = 7

type Point = [number, number]
const folder = new URL('../core/piece/lettering/fonts/', import.meta.url)
fs.mkdirSync(folder, { recursive: true })
for (const { id, name, file } of FONTS) {
  const bytes = fs.readFileSync(new URL(`../node_modules/@fontsource/${file}`, import.meta.url))
  const font = create(bytes)
  const glyphs: Record<string, { advance: number; rings: number[][] }> = {}
  for (const c of CHARACTERS) {
    if (!font.hasGlyphForCodePoint(c.codePointAt(0)!)) continue
    const glyph = font.glyphForCodePoint(c.codePointAt(0)!)
    glyphs[c] = { advance: Math.round(glyph.advanceWidth), rings: rings(glyph.path.commands) }
  }
  const kern: Record<string, number> = {}
  const letters = Object.keys(glyphs).filter((c) => /[A-Za-z0-9.,’-]/.test(c))
  for (const a of letters)
    for (const b of letters) {
      const run = font.layout(a + b)
      if (run.glyphs.length !== 2) continue
      const by = Math.round(run.positions[0]!.xAdvance - run.glyphs[0]!.advanceWidth)
      if (by !== 0) kern[a + b] = by
    }
  const data = { id, name, capHeight: Math.round(font.capHeight), glyphs, kern }
  const hash = createHash('sha256').update(JSON.stringify(data)).digest('hex').slice(0, 16)
  // A string in a module: every bundler and Node read it alike, and the type checker does not look inside.
  fs.writeFileSync(
    new URL(`${id}.ts`, folder),
    `/** ${name}: SIL Open Font License. Written by scripts/writeGlyphs.ts. */\nexport default ${JSON.stringify(JSON.stringify({ ...data, hash }))}\n`,
  )
  console.log(id, Object.keys(glyphs).length, Object.keys(kern).length)
}

function rings(commands: readonly { command: string; args: number[] }[]): number[][] {
  const out: number[][] = []
  let at: Point = [0, 0]
  let ring: number[] = []
  const put = (p: Point) => {
    ring.push(Math.round(p[0]), Math.round(p[1]))
    at = p
  }
  const close = () => {
    if (ring.length >= 6) out.push(ring)
    ring = []
  }
  for (const { command, args: a } of commands) {
    if (command === 'moveTo') {
      close()
      put([a[0]!, a[1]!])
    } else if (command === 'lineTo') put([a[0]!, a[1]!])
    else if (command === 'closePath') close()
    else {
      const from = at
      const controls =
        command === 'quadraticCurveTo'
          ? [a.slice(0, 2), a.slice(2, 4)]
          : [a.slice(0, 2), a.slice(2, 4), a.slice(4, 6)]
      for (let i = 1; i <= CURVE; i += 1) put(bezier([from, ...(controls as Point[])], i / CURVE))
    }
  }
  close()
  return out
}

/** De Casteljau: a point of a Bezier curve of any order. */
function bezier(points: readonly Point[], t: number): Point {
  let row = [...points]
  while (row.length > 1)
    row = row
      .slice(1)
      .map((p, i): Point => [row[i]![0] + (p[0] - row[i]![0]) * t, row[i]![1] + (p[1] - row[i]![1]) * t])
  return row[0]!
}

// Advances of the two faces that sheets are set in, so that what is written on paper is known to fit before it is drawn.
const advances = Object.fromEntries(
  ['regular', 'bold'].map((face) => {
    const font = create(fs.readFileSync(new URL(`../web/public/fonts/sheet-${face}.ttf`, import.meta.url)))
    const wide = CHARACTERS.map((c) =>
      Math.round((font.glyphForCodePoint(c.codePointAt(0)!).advanceWidth * 1000) / font.unitsPerEm),
    )
    return [face, wide]
  }),
)
fs.writeFileSync(
  new URL('../core/sheets/glyphWidths.ts', import.meta.url),
  `// Written by scripts/writeGlyphs.ts.\nexport const CHARACTERS = ${JSON.stringify(CHARACTERS.join(''))}\n/** Advances in thousandths of the size of type, in the order of the characters. */\nexport const WIDTHS = ${JSON.stringify(advances)} as const\n`,
)
