import { describe, expect, it } from 'vitest'
import { withChoice } from '../../job/index.ts'
import { testSlab, testStock } from '../../testing/testPiece.ts'
import { bendFinding } from './bendFinding.ts'

const at = (id: string, radiusMm: number, stock = testStock) =>
  bendFinding(testSlab(), stock, stock.skins.find((s) => s.id === id)!, {
    partId: 'skin/front',
    name: 'front skin',
    radiusMm,
  })

describe('a sheet bent too tight', () => {
  it.each([
    // id, radius, level, kerfed, the sheet that goes round it
    ['skin-hardboard-3', 250, 'warn', false, 'skin-birch-3'],
    ['skin-hardboard-3', 160, 'stop', false, 'skin-flexible-5'],
    ['skin-flexible-5', 60, 'stop', false, 'skin-vinyl-2'],
    ['skin-flexible-5', 120, 'stop', true, 'skin-petg-1'],
    ['skin-vinyl-2', 30, 'stop', false, 'skin-flashing'],
    ['skin-flashing', 20, 'stop', false, null],
    ['skin-petg-1', 90, 'stop', false, 'skin-vinyl-2'],
  ] as const)('%s at %d mm: %s', (id, radius, level, kerfed, other) => {
    const found = at(id, radius)
    expect([found.level, Number(found.facts.kerfDepthMm) > 0]).toEqual([level, kerfed])
    const [change] = found.remedies[0]?.changes ?? []
    expect(change?.type === 'mouldChosen' ? (change.patch.skin ?? null) : 'none').toBe(other)
  })
  it('offers a block, or layers, where no sheet in stock goes round it', () => {
    const [hardboard] = testStock.skins.filter((s) => s.id === 'skin-hardboard-3')
    const found = at('skin-hardboard-3', 160, { ...testStock, skins: [hardboard!] })
    const patches = (finding: typeof found) =>
      finding.remedies.flatMap((r) => r.changes.map((c) => (c.type === 'mouldChosen' ? c.patch : c)))
    expect([patches(found), found.facts.other]).toEqual([[{ rounds: 'block' }], ''])
    const ribs = { ...testSlab(), mould: withChoice(testSlab().mould, { method: 'ribs' }) }
    const skin = testStock.skins.find((s) => s.id === 'skin-vinyl-2')!
    // Flashing would go round it, and has no stiffness between ribs.
    const onRibs = bendFinding(ribs, testStock, skin, { partId: 'skin/1', name: 'skin 1', radiusMm: 30 })
    expect(patches(onRibs)).toEqual([{ method: 'layers' }])
  })
})
