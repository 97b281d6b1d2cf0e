import { edgeSize } from '../geometry/index.ts'
import { sideWords } from '../piece/index.ts'
import { lengthWithUnit } from '../units/index.ts'
import type { PourInput, ScheduleStep, StepCode } from './types.ts'

/** Minutes [own]: carrying 20 kg, placing 10 L, compacting a quarter square metre, screeding a square metre; for one person. */
const PACE = {
  carry20Kg: 2,
  place10Litres: 1.5,
  compactQuarterM2: 3.5,
  screedM2: 12,
  check: 15,
  wax: 20,
} as const

type Times = {
  readonly working: number
  readonly sheen: number
  readonly trowel: number
  readonly finalSet: number
  readonly easeUntil: number
  readonly initialSet: number
  readonly sides: number | null
  readonly sharp: number | null
  readonly flip: number | null
  readonly cured: number | null
}

/** The pour day in order. What cannot happen (strength never reached) has no step; a finding says so. */
export function pourSchedule({ piece, settings, mixer, stations }: PourInput, times: Times): ScheduleStep[] {
  const steps: ScheduleStep[] = []
  const add = (
    code: StepCode,
    start: number,
    end: number,
    text: string,
    latest: number | null = null,
    batch: number | null = null,
  ) => steps.push({ code, startMinutes: start, endMinutes: end, latestMinutes: latest, text, batch })
  const { mould, release, mix, steel } = stations
  const { people } = settings

  const wax = -((release?.figures.waitMinutes ?? 0) + PACE.check)
  if (mould && mould.figures.sealant.totalLengthMm > 0) {
    const sealed = wax - PACE.wax - mould.figures.sealant.readyMinutes
    add(
      'seal-joints',
      sealed - 30,
      sealed,
      `Run the sealant: ${(mould.figures.sealant.totalLengthMm / 1000).toFixed(1)} m, tooled, then left to cure`,
      sealed,
    )
  }
  if (release && release.figures.agents.length > 0)
    add(
      'wax',
      wax - PACE.wax,
      wax,
      `Seal and release: ${[...new Set(release.figures.agents.map((a) => a.agent))].join(', ')}`,
    )
  add(
    'checks',
    -PACE.check,
    0,
    mould
      ? 'Checks: level, screws, knockouts fast, faces clean, water weighed, gloves, eyes and respirator on'
      : 'Checks: form level and tight, cores held down, faces clean and released, water weighed, gloves, eyes and respirator on',
  )

  let now = 0
  let litres = 0
  const fillAt =
    steel.figures.layAtFillMm === null ? null : steel.figures.layAtFillMm / stations.piece.geometry.thickness
  for (const batch of mix.figures.batches) {
    const placed =
      now +
      mixer.mixMinutes +
      (batch.dryKg / 20) * (PACE.carry20Kg / people) +
      (batch.litres / 10) * (PACE.place10Litres / people)
    add(
      'batch',
      now,
      placed,
      `Batch ${batch.number}: ${batch.bags} bag${batch.bags === 1 ? '' : 's'}, ${batch.waterLitres.toFixed(2)} L water, ${batch.heldBackLitres.toFixed(2)} L of it held back; place it`,
      times.working,
      batch.number,
    )
    const before = litres
    litres += batch.litres
    const full = mix.figures.volumeLitres
    if (
      fillAt !== null &&
      before < fillAt * full &&
      litres >= Math.min(fillAt * full, mix.figures.neededLitres) - 1e-9
    )
      add(
        'lay-mesh',
        placed,
        placed + 3,
        `Lay the mesh when the fill is ${lengthWithUnit(Math.round(steel.figures.layAtFillMm!), settings)} deep, wires ${lengthWithUnit(steel.figures.coverMm, settings)} from every side`,
      )
    now = placed + (steps.at(-1)!.code === 'lay-mesh' ? 3 : 0)
  }
  const area = stations.piece.figures.showFaceAreaM2
  const compacted = now + Math.max(3, (area / 0.25) * PACE.compactQuarterM2)
  add(
    'compact',
    now,
    compacted,
    'Vibrate from corners and arrises inward until large bubbles cease',
    times.working,
  )
  const screeded = compacted + Math.max(5, (area * PACE.screedM2) / people)
  add(
    'screed',
    compacted,
    screeded,
    mould
      ? 'Screed to the strips; clear the strip edges and the knockout tops'
      : 'Strike off level with the rim of the form',
    times.working,
  )
  const open = piece.attitude.down === 'top' ? 'bottom' : 'top'
  const sheen = Math.max(times.sheen, screeded)
  const sides = piece.kind === 'slab' ? Object.entries(piece.sides) : []
  if (sides.some(([, side]) => edgeSize(side[open]) > 0))
    add(
      'tool-edges',
      sheen,
      sheen + 10,
      'Run the edging tool along the open edges',
      Math.max(times.trowel, sheen + 10),
    )
  // Top down an apron rises above the slab: it is filled once that bears its foot, and before the two no longer bond.
  if (mould?.parts.some((p) => p.id.startsWith('apron/') && p.pull[2] > 0))
    add(
      'fill-aprons',
      sheen,
      sheen + 10,
      'Set the apron backs on their bridges, roughen the slab under them and fill the aprons, rodded into it',
      times.initialSet,
    )
  add('cover', sheen, sheen + 5, 'Sheen gone: float if wanted, then cover with film', times.initialSet)
  if (open === 'top')
    add(
      'trowel',
      Math.max(times.trowel, sheen + 5),
      Math.max(times.trowel, sheen + 5) + 15,
      'Hard trowel the show face when a thumb dents it less than 1 mm',
      times.initialSet,
    )

  const knockouts = mould?.parts.some((p) => p.role === 'knockout') ?? false
  if (knockouts)
    add(
      'ease-knockouts',
      times.finalSet,
      times.finalSet + 10,
      'Ease the knockouts until each moves',
      times.easeUntil,
    )
  const show = piece.attitude.down
  const named = (keep: (size: number) => boolean) =>
    sides.filter(([, side]) => keep(edgeSize(side.top))).map(([id]) => sideWords(id))
  const [sharp, rounded] = [named((size) => size === 0), named((size) => size > 0)]
  if (times.sides !== null && piece.kind !== 'slab')
    add(
      'sides-off',
      times.sides,
      times.sides + 20,
      '5 MPa: outer forms off; rigid cores out as soon as they move',
    )
  if (times.sides !== null && rounded.length > 0)
    add('sides-off', times.sides, times.sides + 20, `5 MPa: sides off at ${rounded.join(', ')}`)
  if (times.sharp !== null && sharp.length > 0)
    add(
      'sharp-sides-off',
      times.sharp,
      times.sharp + 20,
      `8 MPa: sides off at ${sharp.join(', ')}, whose show edge is sharp`,
    )
  if (times.flip !== null) {
    const text =
      piece.kind !== 'slab'
        ? `10 MPa: lift it and stand it as it will stand, ${stations.steel.figures.strippingKg.toFixed(0)} kg`
        : show === 'top'
          ? `10 MPa: turn it over with its base on, ${stations.steel.figures.strippingKg.toFixed(0)} kg of slab`
          : '10 MPa: break it free of its base and lift'
    add('flip', times.flip, times.flip + 20, text)
    if (knockouts) add('knockouts-out', times.flip + 20, times.flip + 35, 'Press the knockouts out')
  }
  if (times.cured !== null)
    add(
      'cure',
      sheen + 5,
      Math.max(times.cured, 3 * 1440),
      'Keep it damp and covered, equal air on both faces',
      null,
    )
  return steps.sort((a, b) => a.startMinutes - b.startMinutes)
}
