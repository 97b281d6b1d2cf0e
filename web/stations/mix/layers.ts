import type { Batch } from '../../../core/mix/index.ts'

/** What goes into a vessel, in the order in which it goes in. */
export type Layer = {
  readonly key: string
  readonly what: 'water' | 'dose' | 'powder' | 'fibre'
  readonly name: string
  readonly amountKg: number
  /** What the scale reads when it is in, the empty vessel taken off. */
  readonly readsKg: number
}

/** The layers of a batch: water less what is held back, doses, powder, the rest of the water as it asks for it, and fibre. */
export function layersOf(batch: Batch, mixName: string): Layer[] {
  const { waterLitres, heldBackLitres, doses, dryKg, fibreKg, ingredients } = batch
  let readsKg = 0
  const layer = (key: string, what: Layer['what'], name: string, amountKg: number): Layer[] => {
    if (amountKg <= 0) return []
    readsKg += amountKg
    return [{ key, what, name, amountKg, readsKg }]
  }
  return [
    // A litre of water weighs a kilogram.
    ...layer('water', 'water', 'water', waterLitres - heldBackLitres),
    ...doses.flatMap((d) => layer(d.doseId, 'dose', d.name, d.amountKg)),
    ...(ingredients.length > 0
      ? ingredients.flatMap((i) => layer(i.kind, 'powder', i.kind, i.kg))
      : layer('powder', 'powder', mixName, dryKg)),
    ...layer('rest', 'water', 'water held back, in small steps', heldBackLitres),
    // Fibre goes in last, and is mixed briefly.
    ...layer('fibre', 'fibre', 'fibre', fibreKg),
  ]
}

/** Batches that hold the same, told together: each with the numbers it stands for. */
export function alike(
  batches: readonly Batch[],
): { readonly batch: Batch; readonly numbers: readonly number[] }[] {
  const groups: { batch: Batch; numbers: number[] }[] = []
  for (const batch of batches) {
    const same = groups.find(
      ({ batch: b }) =>
        b.coat === batch.coat &&
        Math.abs(b.dryKg - batch.dryKg) < 1e-6 &&
        Math.abs(b.waterLitres - batch.waterLitres) < 1e-6,
    )
    if (same) same.numbers.push(batch.number)
    else groups.push({ batch, numbers: [batch.number] })
  }
  return groups
}

/** Numbers as they are read: `1 to 3`, `1 and 4`. */
export function numbersSaid(numbers: readonly number[]): string {
  const last = numbers.at(-1)!
  if (numbers.length === 1) return `${last}`
  if (numbers.length > 2 && last - numbers[0]! === numbers.length - 1) return `${numbers[0]} to ${last}`
  return `${numbers.slice(0, -1).join(', ')} and ${last}`
}
