/** What must hold for the operations of any piece by any method: a list of what does not, for tests. */
import type { PiecePlan } from '../plan.ts'
import { type Condition, metAt, partIdsOf, sayAct } from '../work/index.ts'
import { INCH, METRIC } from './says.ts'

/** Words that may only be said where such a part, or one that is made with it, is there. */
const ONLY_WITH: readonly (readonly [RegExp, readonly string[]])[] = [
  [/\bknockouts?\b/, ['knockout']],
  [/\bsides?\b (off|in this order)|[Ss]creed to the sides/, ['strip', 'form']],
  [/\bribs?\b/, ['rib']],
  [/\btube\b/, ['tube', 'knockout']],
  [/\brubber\b/, ['rubber']],
  [/\bjacket\b/, ['jacket']],
  [/\bskins?\b/, ['skin']],
  [/\bliners?\b/, ['liner', 'skin']],
  [/\bshells?\b/, ['jacket', 'core']],
  [/\bprints?\b|\bprinted\b/, ['shell', 'former']],
  [/\blayers?\b/, ['layer', 'packing', 'core', 'knockout', 'corner']],
  [/\bformers?\b/, ['former']],
  [/\bmesh\b/, []],
  [/\b(its|the|on) base\b/, ['base']],
  [/\bpattern\b/, ['rubber', 'jacket']],
]

/** What tells that something is done after its window. */
const LATE: ReadonlySet<string> = new Set([
  'sets-before-placed',
  'longer-than-working-time',
  'gripped-late',
  'done-late',
])

/** Findings of the rules: needs kept, parts in and out, faces treated, nothing told twice, sentences that fit. */
export function brokenRules({ work, stations, findings }: PiecePlan): string[] {
  const { mould, release, pour } = stations
  const wrong: string[] = []
  const say = (text: string) => wrong.push(text)
  if (!mould || !release) return wrong
  const roles = new Set(mould.parts.map((p) => p.role))
  const partIds = new Set(mould.parts.map((p) => p.id))
  const place = new Map(work.map((op, i) => [op.id, i]))
  if (place.size !== work.length)
    say(`ids stand twice: ${work.map((op) => op.id).filter((id, i, all) => all.indexOf(id) !== i)}`)
  for (const op of work) {
    for (const id of partIdsOf(op)) if (!partIds.has(id)) say(`${op.id} is about no part: ${id}`)
    for (const need of op.needs) {
      const before = work[place.get(need) ?? -1]
      if (!before) say(`${op.id} needs what is nowhere: ${need}`)
      else if (
        op.startMinutes !== null &&
        (before.endMinutes === null ||
          (before.until ? before.startMinutes! : before.endMinutes) + before.work.waitMinutes >
            op.startMinutes + 1e-6)
      )
        say(`${op.id} is done before ${need}`)
    }
    for (const lead of op.leads) {
      const after = work[place.get(lead) ?? -1]
      if (after?.startMinutes != null && op.endMinutes !== null && op.endMinutes > after.startMinutes + 1e-6)
        say(`${op.id} does not lead ${lead}`)
    }
    if (pour)
      for (const c of op.notBefore as readonly Condition[]) {
        const since = c.kind === 'set' && c.since ? (work[place.get(c.since) ?? -1]?.startMinutes ?? 0) : 0
        const met = metAt(c, pour.ageing, since)
        if (op.startMinutes !== null && (met === null || op.startMinutes < met - 1e-6))
          say(`${op.id} is done before ${c.kind}`)
      }
    // What is done too late is told.
    if (
      op.startMinutes !== null &&
      op.latestMinutes !== null &&
      op.startMinutes > op.latestMinutes + 1e-6 &&
      !findings.some((f) => LATE.has(f.code))
    )
      say(`${op.id} is late by ${(op.startMinutes - op.latestMinutes).toFixed(1)} min, and nothing tells it`)
    for (const style of [METRIC, INCH]) {
      const text = sayAct(op, style)
      if (/undefined|NaN|Infinity|\[object|null/.test(text)) say(`${op.id}: “${text}”`)
      if (
        style === INCH &&
        /\d ?mm\b/.test(text.replace(/[“"][^”"]*[”"]|\d+ mm (ply|melamine|MDF)|packing tape, 50 mm/g, '')) &&
        !/of [^.]*mm/.test(text)
      )
        say(`${op.id} says mm: “${text}”`)
    }
    const text = sayAct(op, METRIC)
    for (const [word, needed] of ONLY_WITH)
      if (needed.length > 0 && word.test(text) && !needed.some((r) => roles.has(r as never)))
        say(`${op.id} speaks of ${word.exec(text)![0]}: “${text}”`)
    if (/\bmesh\b/.test(text) && !stations.steel?.figures.meshName) say(`${op.id} speaks of mesh: “${text}”`)
  }
  // Each part is put in by an operation, and leaves in one act.
  const put = new Set(mould.operations.flatMap(partIdsOf))
  const off = mould.off.flatMap((u) => u.partIds)
  for (const { id } of mould.parts) {
    if (!put.has(id)) say(`${id} is never put in`)
    const times = off.filter((o) => o === id).length
    if (times !== 1) say(`${id} leaves ${times} times`)
  }
  for (const id of off) if (!partIds.has(id)) say(`${id} leaves and is not there`)
  // Every face that meets concrete has its row, and what is to go on it is done.
  for (const face of mould.figures.faces) {
    const rows = release.figures.agents.filter((a) => a.face === face.face && a.surface === face.surface)
    if (rows.length === 0) say(`nothing is said of ${face.face}`)
    for (const row of rows.filter((r) => r.use !== 'none')) {
      const done = work.some(
        (op) =>
          op.station === 'release' &&
          op.attitude === null &&
          row.partIds.every((id) => partIdsOf(op).includes(id)),
      )
      if (!done) say(`${row.use} of ${row.face} is never done`)
    }
  }
  // What it is made on is told of too, and is released before anything is poured on it.
  for (const face of mould.figures.making)
    if (!release.figures.making.some((r) => r.making === face.making))
      say(`nothing is said of ${face.making}`)
  // What closes over the faces comes after them.
  for (const id of mould.afterRelease) {
    const closing = work[place.get(id) ?? -1]
    const waxed = work.find((op) => op.id === 'release/faces')
    if (closing && waxed && place.get(waxed.id)! > place.get(closing.id)!) say(`${id} closes before the wax`)
  }
  const texts = work.map((op) => sayAct(op, METRIC))
  texts.forEach((text, i) => {
    if (texts.indexOf(text) !== i) say(`told twice: “${text}”`)
  })
  // What is turned weighs as its concrete and what is still on it.
  const weights = new Map(mould.figures.parts.map((p) => [p.id, p.weightKg]))
  for (const op of work) {
    if (!op.attitude) continue
    const mass =
      (stations.steel?.figures.strippingKg ?? 0) +
      op.attitude.attached.reduce((sum, id) => sum + weights.get(id)!, 0)
    if (stations.steel && Math.abs(mass - op.attitude.massKg) > 1e-6 * mass)
      say(`${op.id} moves ${op.attitude.massKg} kg, ${mass} are there`)
  }
  if (pour) {
    const of = (code: string) => work.filter((op) => op.code === code)
    const open = of('screed').length + of('shape-back').length + of('top-up').length
    if (open !== 1) say(`the top of the fill is made ${open} times`)
    if (mould.figures.top === 'hole' && of('screed').length + of('float').length > 0)
      say('a closed shell is struck off')
    // All that is placed is worked through, by lifts that hold it all, unless it levels itself.
    const lifts = work.filter((op) => op.code === 'compact')
    if (pour.figures.compaction !== 'none' && of('place-batch').length > 0 && of('roll-coats').length === 0) {
      const litres = lifts.reduce((sum, op) => sum + op.facts.litres, 0)
      const placed = work.reduce((sum, op) => sum + (op.code === 'place-batch' ? op.facts.litres : 0), 0)
      if (Math.abs(litres - placed) > 1e-6 * placed) say(`${placed} L placed, ${litres} worked through`)
    }
    // What comes off by its strength waits for the youngest batch.
    const last = Math.max(...of('mix-batch').map((op) => op.startMinutes ?? 0))
    if (Math.abs(pour.ageing.lastWater - last) > 1e-6) say(`aged from ${pour.ageing.lastWater}, not ${last}`)
    if (!work.every((op) => op.code !== 'mix-batch' || op.startMinutes! >= 0)) say('mixed before the water')
  }
  return wrong
}
