declare module 'fontkit' {
  type Glyph = {
    readonly advanceWidth: number
    readonly path: { readonly commands: readonly { readonly command: string; readonly args: number[] }[] }
  }
  type Font = {
    readonly capHeight: number
    readonly unitsPerEm: number
    hasGlyphForCodePoint(code: number): boolean
    glyphForCodePoint(code: number): Glyph
    layout(text: string): {
      readonly glyphs: readonly Glyph[]
      readonly positions: readonly { readonly xAdvance: number }[]
    }
  }
  export function create(data: Uint8Array): Font
}
