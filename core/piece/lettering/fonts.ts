/** Outlines of a lettering font in its own units, as polygons; `kern` adds to the advance between two letters. */
export type LetterFont = {
  readonly id: string
  readonly name: string
  readonly hash: string
  readonly capHeight: number
  readonly glyphs: Readonly<
    Record<string, { readonly advance: number; readonly rings: readonly (readonly number[])[] }>
  >
  readonly kern: Readonly<Record<string, number>>
}

/** The shipped fonts; their outlines are loaded when a piece uses them. */
export const LETTER_FONTS = [
  { id: 'condensed-bold', name: 'Condensed, bold' },
  { id: 'roman-capitals', name: 'Roman capitals' },
  { id: 'slab-serif', name: 'Slab serif' },
  { id: 'stencil', name: 'Stencil' },
] as const

const LOADERS: Readonly<Record<string, () => Promise<{ default: string }>>> = {
  'condensed-bold': () => import('./fonts/condensed-bold.ts'),
  'roman-capitals': () => import('./fonts/roman-capitals.ts'),
  'slab-serif': () => import('./fonts/slab-serif.ts'),
  stencil: () => import('./fonts/stencil.ts'),
}

const held = new Map<string, LetterFont>()

/** Loads the fonts a host is about to plan with; unknown ids are left to become findings. */
export async function holdFonts(ids: Iterable<string>): Promise<void> {
  for (const id of new Set(ids)) {
    const load = LOADERS[id]
    if (load && !held.has(id)) held.set(id, JSON.parse((await load()).default) as LetterFont)
  }
}

/** A font that was loaded before; null when it is not one of ours or has not come yet. */
export const letterFont = (id: string): LetterFont | null => held.get(id) ?? null
