import { degrees, grayscale, LineCapStyle, PDFDocument, type PDFFont, type PDFPage } from '@cantoo/pdf-lib'
import * as fontkit from 'fontkit'
import type { Mark, Page } from './types.ts'

const POINTS_PER_MM = 72 / 25.4

export type SheetFonts = { readonly regular: Uint8Array; readonly bold: Uint8Array }

/** Pages as a PDF at true size, its fonts embedded. Nothing in it depends on the clock. */
export async function writePdf(
  pages: readonly Page[],
  title: string,
  fonts: SheetFonts,
): Promise<Uint8Array> {
  const pdf = await PDFDocument.create()
  pdf.registerFontkit(fontkit as unknown as Parameters<typeof pdf.registerFontkit>[0])
  pdf.setTitle(title)
  pdf.setProducer('Steady Hollow')
  pdf.setCreationDate(new Date(0))
  pdf.setModificationDate(new Date(0))
  const regular = await pdf.embedFont(fonts.regular, { subset: true })
  const bold = await pdf.embedFont(fonts.bold, { subset: true })
  for (const { width, height, marks } of pages) {
    const page = pdf.addPage([width * POINTS_PER_MM, height * POINTS_PER_MM])
    for (const mark of marks) drawMark(page, mark, regular, bold)
  }
  return pdf.save()
}

function drawMark(page: PDFPage, mark: Mark, regular: PDFFont, bold: PDFFont): void {
  const k = POINTS_PER_MM
  if (mark.kind === 'text') {
    const font = mark.bold ? bold : regular
    const size = mark.size * k
    const width = font.widthOfTextAtSize(mark.text, size)
    const shift = mark.align === 'left' ? 0 : mark.align === 'middle' ? width / 2 : width
    page.drawText(mark.text, {
      x: mark.at[0] * k - (mark.turned ? 0 : shift),
      y: mark.at[1] * k - (mark.turned ? shift : 0),
      size,
      font,
      ...(mark.turned && { rotate: degrees(90) }),
    })
    return
  }
  const [first, ...rest] = mark.points
  if (!first) return
  // SVG paths are drawn from the page's top left with y down: the sign of y turns over.
  const at = ([x, y]: readonly [number, number]) => `${(x * k).toFixed(3)} ${(-y * k).toFixed(3)}`
  const path = `M ${at(first)} ${rest.map((p) => `L ${at(p)}`).join(' ')}${mark.closed ? ' Z' : ''}`
  page.drawSvgPath(path, {
    x: 0,
    y: 0,
    borderLineCap: LineCapStyle.Butt,
    ...(mark.weight > 0 && { borderColor: grayscale(0), borderWidth: mark.weight * k }),
    ...(mark.fill !== undefined && { color: grayscale(mark.fill) }),
    ...(mark.dash && { borderDashArray: mark.dash.map((d) => d * k) }),
  })
}
