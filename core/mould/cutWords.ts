import type { CutNote, CutRow } from './types.ts'

/** What a row's shape is called on the bench. */
export const shapeWords = (shape: CutRow['shape']): string =>
  shape === 'outline' ? 'cut to the outline' : shape === 'rib' ? 'cut to the curve' : shape

const tenth = (deg: number): string => `${Math.abs(Math.round(deg * 10) / 10)}°`

/** `both ends 45°`, `ends 22.5° and square`: off the square, the longer face outside unless it says inside. */
export function bevelWords([a, b]: readonly [number, number]): string {
  const one = (deg: number): string =>
    deg === 0 ? 'square' : `${tenth(deg)}${deg < 0 ? ' inside long' : ''}`
  return Math.abs(a - b) < 0.05 ? `both ends ${one(a)}` : `ends ${one(b)} and ${one(a)}`
}

/**
 * How a row's edges and ends are sawn, in words: `edges 12°, both ends tilt 43.8°, swung 11.9° top short`. Null where
 * all are square.
 */
export function sawnWords({ bevelsDeg, mitresDeg, edgeDeg, outlineBevelsDeg }: Ends): string | null {
  if (outlineBevelsDeg) return outlineWords(outlineBevelsDeg)
  const edges = edgeDeg === 0 ? [] : [`edges ${tenth(edgeDeg)}`]
  if (!mitresDeg) return [...edges, ...(bevelsDeg ? [bevelWords(bevelsDeg)] : [])].join(', ') || null
  const end = (k: 0 | 1): string => {
    const [tilt, swing] = [bevelsDeg?.[k] ?? 0, mitresDeg[k]]
    const words = [
      ...(Math.abs(tilt) < 0.05 ? [] : [`tilt ${tenth(tilt)}${tilt < 0 ? ' inside long' : ''}`]),
      ...(Math.abs(swing) < 0.05 ? [] : [`swing ${tenth(swing)} ${swing < 0 ? 'top short' : 'top long'}`]),
    ]
    return words.join(', ') || 'square'
  }
  const [first, second] = [end(0), end(1)]
  return [...edges, first === second ? `both ends ${first}` : `one end ${first}; other ${second}`].join('; ')
}

/** Each edge of an outline as its back is looked at: of four by name, of more from the foot round against the clock. */
function outlineWords(bevels: readonly number[]): string | null {
  const one = (deg: number): string =>
    Math.abs(deg) < 0.05 ? 'square' : `${tenth(deg)}${deg < 0 ? ' inside long' : ''}`
  const each = bevels.map(one)
  if (each.every((e) => e === each[0])) return each[0] === 'square' ? null : `every edge ${each[0]}`
  const [foot, right, top, left] = each
  if (each.length !== 4) return `edges, back towards you, from the foot against the clock: ${each.join(', ')}`
  return right === left
    ? `foot ${foot}, top ${top}, both ends ${right}`
    : `foot ${foot}, top ${top}; back towards you left end ${left}, right end ${right}`
}

type Ends = Pick<CutRow, 'bevelsDeg' | 'mitresDeg' | 'edgeDeg' | 'outlineBevelsDeg'>

const NOTES: Readonly<Record<CutNote, string>> = {
  'faced-side-in': 'faced side in',
  'raw-edges': 'raw edges face concrete: seal or tape',
  'raw-end': 'raw end faces concrete: edge or tape',
  laminate: 'laminate',
  disc: 'cut the disc, drill the middle',
  outline: 'cut to the outline',
  bent: 'bent, tacked to its ribs',
  tapered: 'tapered: the larger end is given',
  joined: 'joined, a splice behind',
  wedge: 'its faces to the wedge slope as its outline is drawn: the larger end is given',
  drawn: 'cut and shaped to its outline, whose box is given',
  sealed: 'sealed all over',
  'on-edge': 'stood on edge, glued face to face',
}

/** What to know of a cut part beside its sizes, as it stands in the list. */
export const cutNoteWords = (notes: readonly CutNote[]): string => notes.map((n) => NOTES[n]).join('; ')
