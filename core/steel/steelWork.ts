import type { VoidFormer } from '../job/index.ts'
import { act, type Operation, operation } from '../work/index.ts'
import type { BarFigures } from './bars/barFigures.ts'
import type { BarPurpose } from './bars/types.ts'
import type { SteelFigures } from './types.ts'

/** Minutes [own]: to lay a mat, to press it in, to hang it on wires, to lay a bar, to cut and bend one, to tie one crossing, to cut and tie down a void former, to cut and bend a strip, to push a bar in. */
const MINUTES = {
  'on-fill': 3,
  pressed: 4,
  hung: 12,
  chairs: 10,
  bar: 1,
  bend: 2,
  tie: 0.5,
  stand: 5,
  void: 15,
  strip: 10,
  push: 5,
} as const
/** Works for this share of its initial set [own]. */
const WORKS = 0.5
/** Bars that are tied to a cage beforehand and stood in the empty mould. */
const CAGED: ReadonlySet<BarPurpose> = new Set(['upright', 'tie', 'hoop'])

const counted = (bars: BarFigures | null, caged: boolean): number =>
  (bars?.bends ?? [])
    .filter((b) => CAGED.has(b.purpose) === caged)
    .reduce((sum, b) => sum + b.count * b.pieces, 0)

/** What is bent and tied before the day, stood in the empty mould, and laid when the fill stands at its level. */
export function steelWork(
  { layAtFillMm, second, coverMm, meshName, placed, bars, voidHold, apronStrips, tying }: SteelFigures,
  former: VoidFormer | null,
): Operation[] {
  const [caged, laid] = [counted(bars, true), counted(bars, false)]
  const about = [{ kind: 'mat' as const, id: 'mat' }]
  const steps: Operation[] = []
  if (bars && caged + laid > 0)
    steps.push(
      operation({
        ...act('bend-bars', {
          bars: caged + laid,
          bentCount: bars.bends.filter((b) => b.shape !== 'straight').reduce((n, b) => n + b.count, 0),
        }),
        id: 'bend/bars',
        station: 'steel',
        per: 'cast',
        minutes: MINUTES.bend * (caged + laid),
      }),
    )
  if (apronStrips.length > 0)
    steps.push(
      operation({
        ...act('bend-strips', { strips: apronStrips }),
        id: 'bend/strips',
        station: 'steel',
        per: 'cast',
        about,
        minutes: MINUTES.strip * apronStrips.length,
      }),
    )
  const single =
    bars !== null && caged > 0 && !bars.bends.some((b) => b.purpose === 'tie' || b.purpose === 'hoop')
  if (bars && single && placed === 'pressed')
    steps.push(
      operation({
        ...act('push-bar', { bars: caged, coverMm: bars.keptMm, fillMm: 0 }),
        id: 'push/bar',
        station: 'steel',
        per: 'cast',
        needs: ['bend/bars'],
        minutes: MINUTES.push * caged,
        notAfter: [{ kind: 'set', of: 'initial', setShare: WORKS }],
      }),
    )
  else if (bars && caged > 0)
    steps.push(
      operation({
        ...act('stand-cage', {
          of: bars.bends.some((b) => b.purpose === 'hoop')
            ? 'hoops'
            : bars.bends.some((b) => b.purpose === 'tie')
              ? 'cage'
              : 'bar',
          coverMm: bars.keptMm,
        }),
        id: 'stand/cage',
        station: 'steel',
        per: 'cast',
        needs: ['bend/bars'],
        minutes: MINUTES.stand + MINUTES.tie * 4 * caged,
      }),
    )
  if (former && voidHold)
    steps.push(
      operation({
        ...act('tie-void', {
          coverMm: former.cover,
          holdForceN: voidHold.holdForceN,
          straps: voidHold.straps,
          drainMm: former.drain,
        }),
        id: 'tie/void-former',
        station: 'steel',
        per: 'cast',
        needs: steps.some((op) => op.id === 'stand/cage') ? ['stand/cage'] : [],
        minutes: MINUTES.void,
      }),
    )
  if (layAtFillMm !== null) {
    // From the base up, as it is filled; only what lies uppermost can be pressed into a full form.
    const fills = [layAtFillMm, ...(second ? [second.layAtFillMm] : [])].sort((p, q) => p - q)
    fills.forEach((fillMm, i) => {
      const way = placed === 'pressed' && i < fills.length - 1 ? 'on-fill' : placed
      // Bars are tied on to the first mat.
      const tied = fillMm === layAtFillMm ? laid : 0
      const facts = { fillMm, coverMm, bars: tied, mesh: meshName !== null }
      steps.push(
        operation({
          ...(way === 'on-fill'
            ? meshName === null
              ? act('lay-bars', { fillMm, bars: tied })
              : act('lay-mesh', { fillMm, coverMm, bars: tied })
            : way === 'pressed'
              ? act('press-mat', facts)
              : way === 'hung'
                ? act('hang-mat', facts)
                : act('chair-mat', { ...facts, chairs: Math.ceil(tying.holdCount / fills.length) })),
          id: i === 0 ? 'lay/mat' : 'lay/second-mat',
          station: 'steel',
          per: 'cast',
          about,
          minutes: (meshName === null ? 0 : MINUTES[way]) + MINUTES.bar * tied,
          ...(way === 'hung' || way === 'chairs'
            ? {}
            : { notAfter: [{ kind: 'set', of: 'initial', setShare: WORKS }] }),
        }),
      )
    })
  }
  return steps
}
