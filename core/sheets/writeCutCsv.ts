import { type CutRow, cutNoteWords } from '../mould/index.ts'

const COLUMNS = [
  'label',
  'part',
  'board',
  'length mm',
  'width mm',
  'thickness mm',
  'count',
  'shape',
  'radius mm',
  'bevel 1 deg',
  'bevel 2 deg',
  'mitre 1 deg',
  'mitre 2 deg',
  'edges deg',
  'notes',
] as const

/** A cut list as comma-separated values (RFC 4180), lengths in mm with a point, one row a part. */
export function writeCutCsv(rows: readonly CutRow[]): string {
  const lines = rows.map((row) =>
    [
      row.label,
      row.name,
      row.boardName,
      figure(row.lengthMm),
      figure(row.widthMm),
      figure(row.thicknessMm),
      String(row.count),
      row.shape,
      row.radiusMm > 0 ? figure(row.radiusMm) : '',
      row.bevelsDeg ? figure(row.bevelsDeg[0]) : '',
      row.bevelsDeg ? figure(row.bevelsDeg[1]) : '',
      row.mitresDeg ? figure(row.mitresDeg[0]) : '',
      row.mitresDeg ? figure(row.mitresDeg[1]) : '',
      row.edgeDeg === 0 ? '' : figure(row.edgeDeg),
      cutNoteWords(row.notes),
    ]
      .map(field)
      .join(','),
  )
  return `${[COLUMNS.map(field).join(','), ...lines].join('\r\n')}\r\n`
}

const figure = (n: number): string => String(Math.round(n * 100) / 100)

/** Quoted where it must be. A first letter that a spreadsheet would take for a formula is kept from being one. */
function field(text: string): string {
  const safe = /^[=+@\t\r]|^-[^\d.]/.test(text) ? `'${text}` : text
  return /[",\r\n]/.test(safe) ? `"${safe.replaceAll('"', '""')}"` : safe
}
