import { sawnWords, shapeWords } from '../mould/index.ts'
import type { PieceStation } from '../piece/index.ts'
import { noteValue, noteWords } from '../piece/index.ts'
import { agentNote } from '../release/index.ts'
import type { BarFigures } from '../steel/index.ts'
import {
  exactDecimals,
  formatCut,
  formatLength,
  lengthWithUnit,
  showNumber,
  type WordsStyle,
  wordsStyle,
} from '../units/index.ts'
import { faceWords, isBuilding, isFinishing, isOfTheDay, sameStart, takenWords, tell } from '../work/index.ts'
import { PageWriter } from './pageWriter.ts'
import {
  allOpenings,
  type Drawn,
  MARGIN,
  openingSize,
  PAPER,
  type ShopSheetInput,
  titleBlock,
} from './sheetFrame.ts'
import { textWidth, wrapText } from './textWidth.ts'
import type { Page } from './types.ts'

type Line = { readonly text: string; readonly value: string }
type Section = { readonly heading: string; readonly lines: readonly Line[] }

const PLACED = {
  'on-fill': 'lay at fill',
  pressed: 'press down to',
  hung: 'hang at',
  chairs: 'on chairs at',
} as const

/** Between a text and the value at the end of its line, mm. */
const GAP = 3
const TEXT = 3.4
const STEP = 5
const FOOT =
  'Dust: respirator when cutting, mixing and sanding. Wet concrete burns: gloves and eyes. Hands or a frame to turn it.'

/** Mix, steel, faces, stripping, pour and finish in two columns, over as many pages as they need. */
export function workPages(input: ShopSheetInput, drawn: Drawn): Page[] {
  const [width, height] = PAPER[input.settings.paper]
  const columns = [MARGIN, width / 2 + 5] as const
  const ends = [width / 2 - 5, width - MARGIN] as const
  const [top, bottom] = [height - 30, MARGIN + 8]
  const writers: PageWriter[] = []
  let column = 1
  let y = bottom
  const room = (needed: number) => {
    if (writers.length > 0 && y - needed >= bottom) return
    column = 1 - column
    y = top
    if (column === 1) return
    const writer = new PageWriter(width, height)
    titleBlock(writer, input, 'mix, times, order')
    writer.text([MARGIN, MARGIN], FOOT, 3)
    writers.push(writer)
  }
  for (const { heading, lines } of workSections(input, drawn)) {
    room(STEP * 3)
    const page = () => writers.at(-1)!
    y -=
      STEP *
      (page().lines([columns[column]!, y], heading, 4, ends[0]! - columns[0]!, STEP, { bold: true }) - 1)
    y -= STEP + 0.6
    for (const { text, value } of lines) {
      const wide = ends[0]! - columns[0]!
      // A long value goes below its text.
      const valueWide = textWidth(value, TEXT, true)
      const below = valueWide > wide * 0.6
      const parts = wrapText(text, value && !below ? wide - valueWide - GAP : wide, TEXT)
      if (below) parts.push('')
      room(STEP * parts.length)
      if (value)
        page().text([ends[column]!, below ? y - STEP * (parts.length - 1) : y], value, TEXT, {
          align: 'right',
          bold: true,
        })
      for (const part of parts) {
        if (part) page().text([columns[column]!, y], part, TEXT)
        y -= STEP
      }
    }
    y -= 3
  }
  return writers.map((w) => w.page('work'))
}

function workSections({ piece, settings, work, stations }: ShopSheetInput, drawn: Drawn): Section[] {
  const { mould, steel, release, mix, pour } = stations
  const { geometry } = stations.piece
  const plural = (n: number, one: string) => `${n} ${one}${n === 1 ? '' : 's'}`
  const mm = (n: number) => lengthWithUnit(n, settings)
  const s = steel.figures
  const style = wordsStyle(settings)
  /** Each with its start before or after the first water. */
  const timed = (list: ShopSheetInput['work']) =>
    tell(list, style, sameStart).map(({ text, of }) => ({ text, value: clock(of[0]!.startMinutes) }))
  const sections: Section[] = [
    {
      heading: 'MIX',
      lines: [
        {
          text: mix.figures.mixName,
          value:
            mix.figures.portion === 'weighed'
              ? `${style.kg(mix.figures.dryKg, 2)} of ${plural(mix.figures.bags, 'bag')}`
              : plural(mix.figures.bags, 'bag'),
        },
        {
          text: `volume ${style.litres(mix.figures.volumeLitres, 2)}, with ${showNumber(mix.figures.wastePercent, 1)} percent`,
          value: style.litres(mix.figures.neededLitres),
        },
        ...mix.figures.batches.map((b) => ({
          text: `batch ${b.number}${b.coat === 'all' ? '' : `, ${b.coat} coat`}: ${mix.figures.portion === 'weighed' ? style.kg(b.dryKg, 2) : plural(b.bags, 'bag')}${b.doses.map((d) => `, ${style.kg(d.amountKg, exactDecimals(d.amountKg))} ${d.name}`).join('')}${b.fibreKg > 0 ? `, ${style.kg(b.fibreKg, 2)} fibre` : ''}, hold ${style.liquid(b.heldBackLitres)} back`,
          value: `${style.liquid(b.waterLitres)} water`,
        })),
        {
          text: `water a bag ${style.liquid(mix.figures.waterLeastPerBagLitres)} to ${style.liquid(mix.figures.waterMostPerBagLitres)}`,
          value: '',
        },
      ],
    },
    ...pieceSections(stations.piece, style),
    {
      heading: 'STEEL',
      lines: [
        s.meshName === null
          ? { text: 'no mesh', value: '' }
          : {
              text: `${s.meshName}, ${s.crosswaysWires} + ${s.lengthwaysWires} wires, cover ${mm(s.coverMm)}, ${PLACED[s.placed]} ${mm(s.layAtFillMm ?? 0)}`,
              value: style.kg(s.massKg, 1),
            },
        ...s.apronStrips.map((p) => ({
          text: `${p.side} apron: a strip ${mm(p.lengthMm)} x ${mm(p.cutWidthMm)}, bent square ${mm(p.liesMm)} in`,
          value: '',
        })),
        ...(s.tying.tieCount > 0
          ? [
              {
                text: `${plural(s.tying.tieCount, 'tie')} of soft wire`,
                value: style.metres(s.tying.tieWireMm / 1000, 0),
              },
            ]
          : []),
        ...(s.tying.holdCount > 0
          ? [
              {
                text: s.placed === 'chairs' ? 'mortar chairs' : 'hanging wires',
                value: `${s.tying.holdCount}`,
              },
            ]
          : []),
        ...(s.fibreKg > 0 ? [{ text: 'fibre, strewn in last', value: style.kg(s.fibreKg, 2) }] : []),
      ],
    },
    ...(s.bars && s.bars.bends.length > 0 ? [barSection(s.bars, settings)] : []),
    {
      heading: 'FACES',
      lines: (release?.figures.agents ?? []).map((row) => ({
        text: `${faceWords(row.face)}, ${row.material}: ${agentNote(row)}`,
        value: row.coats > 0 ? `${plural(row.coats, 'coat')}, ${row.waitMinutes} min` : '',
      })),
    },
    ...(mould ? [{ heading: 'BUILT, IN THIS ORDER', lines: timed(work.filter(isBuilding)) }] : []),
    {
      heading: `THE DAY, at ${style.degC(pour.figures.temperatureDegC)}, first water ${pour.figures.start.replace('T', ' ')}`,
      lines: timed(work.filter(isOfTheDay)),
    },
    {
      heading: 'FINISH',
      lines: tell(work.filter(isFinishing), style).map(({ text, of: [op] }) => ({
        text: `${text}${op!.takes.map((t) => ` ${takenWords(t, style)}`).join('')}`,
        value: op!.startMinutes === null ? '' : `after ${showNumber(op!.startMinutes / 1440, 1)} d`,
      })),
    },
  ]
  const moreRows = mould?.figures.cutList.slice(drawn.cutRows) ?? []
  if (moreRows.length > 0)
    sections.push({
      heading: 'CUT LIST, CONTINUED',
      lines: moreRows.map((r) => ({
        text: `${r.label}  ${r.name}, ${r.boardName}: ${formatCut(r.lengthMm, settings)} x ${formatCut(r.widthMm, settings)}${r.shape === 'rectangle' ? '' : `, ${shapeWords(r.shape)}`}${sawnWords(r) ? `, ${sawnWords(r)}` : ''}`,
        value: `${r.count} x`,
      })),
    })
  if (!drawn.openings)
    sections.push({
      heading: 'OPENINGS, MIDDLES FROM THE LEFT AND FRONT OF THE MOULD',
      lines: allOpenings(geometry).map((o) => {
        const x = piece.attitude.down === 'top' ? geometry.length - o.centre[0] : o.centre[0]
        return {
          text: `${o.name}, ${openingSize(o, (n) => formatLength(n, settings))}`,
          value: `${formatLength(x, settings)}, ${formatLength(o.centre[1], settings)}`,
        }
      }),
    })
  return sections.filter((section) => section.lines.length > 0)
}

/** The bending list, outside sizes, and what it is cut from. */
function barSection(bars: BarFigures, settings: ShopSheetInput['settings']): Section {
  const cut = (mm: number) => formatCut(mm, settings)
  return {
    heading: 'BARS TO CUT AND BEND, OUTSIDE SIZES',
    lines: [
      ...bars.bends.map((b) => ({
        text: `${b.mark}  ${b.barName}, ${b.shape === 'ring' ? `ring d ${cut(b.legsMm[0]!)}` : b.shape === 'hoop' ? 'hoop as drawn' : `${b.shape} ${b.legsMm.map(cut).join(' + ')}`}`,
        value: `${b.count} x ${cut(b.cutMm)}`,
      })),
      ...bars.cut.map((c) => ({ text: `of ${c.barName}, ${cut(c.lengthMm)} long`, value: `${c.count} x` })),
    ],
  }
}

/** What the kinds other than slabs have to tell: blocks, inserts, glue lines, play. */
function pieceSections({ figures }: PieceStation, style: WordsStyle): Section[] {
  const { mm } = style
  return [
    {
      heading: 'BLOCKS AND PANELS',
      lines: figures.blocks.map((b) => ({
        text: b.name,
        value: `${style.litres(b.volumeLitres, 2)}, ${style.kg(b.weightKg, 1)}`,
      })),
    },
    {
      heading: 'CAST IN',
      lines: figures.inserts.items.map((i) => ({
        text: `${i.name}${i.coverTo ? `, ${mm(i.coverMm)} to the ${i.coverTo}` : ''}`,
        value: style.kg(i.massKg, 2),
      })),
    },
    {
      heading: figures.kind === 'fitted' ? 'FIT' : 'GLUE',
      lines: figures.notes.map((n) => ({ text: noteWords(n, style), value: noteValue(n, style) })),
    },
  ]
}

/** `+0:24`, `+1 d 3:10`, `-3:15` from the first water. */
export function clock(minutes: number | null): string {
  if (minutes === null) return 'never'
  const m = Math.round(Math.abs(minutes))
  const days = Math.floor(m / 1440)
  const rest = `${Math.floor((m % 1440) / 60)}:${String(m % 60).padStart(2, '0')}`
  return `${minutes < 0 ? '-' : '+'}${days > 0 ? `${days} d ` : ''}${rest}`
}
