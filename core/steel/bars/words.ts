import type { Remedy, Words } from '../../job/index.ts'

type Room = { coverMm: number; diameterMm: number }

const NAMES: Readonly<Record<string, string>> = {
  rails: 'bars beside openings',
  corners: 'corner bars',
  hoops: 'hoops',
  cage: 'a cage',
  ribs: 'ribs',
  own: 'bars laid by hand',
}
const names = (which: string): string =>
  which
    .split(' ')
    .map((k) => NAMES[k] ?? k)
    .join(' and ')

/** A thinner bar, the usual one, or none. */
const others = (remedies: readonly Remedy[]): Record<string, string> =>
  Object.fromEntries(
    remedies.map((r) => [
      r.code,
      'bar' in r.facts
        ? `Use ${r.facts.bar}`
        : r.code === 'usual'
          ? 'Take the usual bar'
          : 'Plan it without them',
    ]),
  )

/** Sentences for what is found about bars. */
export const BAR_WORDS = {
  'bars-not-here': (f: { which: string }, _s, remedies: readonly Remedy[]) => ({
    what: `No place for ${names(f.which)} in this piece: none planned`,
    why: 'Bars beside openings and across inside corners lie in flat slabs; hoops go round a hollow; a cage stands in what is half as long again as it is wide; ribs follow a swept profile.',
    remedies: others(remedies),
  }),
  'bar-missing': (_f: { row: string }, _s, remedies: readonly Remedy[]) => ({
    what: 'The bar that was chosen is not in the stock',
    why: 'Nothing is planned of it. Choose another.',
    remedies: others(remedies),
  }),
  'bars-no-room': (f: Room & { which: string }, { mm, fine }, remedies: readonly Remedy[]) => ({
    what: `No room for ${names(f.which)}: none planned`,
    why: `No straight bar of ${fine(f.diameterMm)} with ${mm(f.coverMm)} of concrete round it runs on inside. A thinner bar, one that does not rust and wants less cover, or fibre.`,
    remedies: others(remedies),
  }),
  'rails-bare': (f: Room & { count: number }, { mm, fine }, remedies: readonly Remedy[]) => ({
    what: `${f.count === 1 ? 'A narrow land takes' : `${f.count} narrow lands take`} no bar of ${fine(f.diameterMm)}`,
    why: `Beside the bar must be ${mm(10)} of concrete either way, and it must run on beyond the opening. It stays as weak as without.`,
    remedies: others(remedies),
  }),
  'own-bars-bare': (f: Room & { count: number }, { mm, fine }, remedies: readonly Remedy[]) => ({
    what: `${f.count === 1 ? 'A bar laid by hand has its middle' : `${f.count} bars laid by hand have their middles`} where none may lie: left out`,
    why: `A bar of ${fine(f.diameterMm)} wants ${mm(f.coverMm)} of concrete round it. Drag it off the opening, the edge or the recess.`,
    remedies: others(remedies),
  }),
  'own-bars-short': (f: { count: number; coverMm: number }, { mm }) => ({
    what: `${f.count === 1 ? 'A bar laid by hand is' : `${f.count} bars laid by hand are`} cut short`,
    why: `It stops ${mm(f.coverMm)} from what it would run into.`,
  }),
  'corners-bare': (f: Room & { count: number }, { mm }, remedies: readonly Remedy[]) => ({
    what: `${f.count === 1 ? 'An inside corner takes' : `${f.count} inside corners take`} no bar at ${mm(f.coverMm)} cover`,
    why: 'Too little concrete stands round it for a bar across it. A crack starts at such a corner: round it more.',
    remedies: others(remedies),
  }),
  'corner-bars-short': (f: { count: number; heldMm: number }, { mm }, remedies: readonly Remedy[]) => ({
    what: `${f.count === 1 ? 'A corner bar ends' : `${f.count} corner bar ends stop`} less than ${mm(f.heldMm)} from the corner, with no room for a hook`,
    why: 'A bar holds by what of it lies beyond the crack. It helps less there; a thinner bar is held sooner.',
    remedies: others(remedies),
  }),
  'hoop-cover': (f: { coverMm: number; wantedMm: number }, { mm }, remedies: readonly Remedy[]) => ({
    what: `Hoops keep ${mm(f.coverMm)} of cover; ${mm(f.wantedMm)} is wanted`,
    why: 'The wall is too thin for more: they lie in its middle. What is risked is rust stains, and after years spalls over them. A bar that does not rust wants less.',
    remedies: others(remedies),
  }),
  'bar-thick': (f: { diameterMm: number; mostMm: number }, { fine }, remedies: readonly Remedy[]) => ({
    what: `A bar of ${fine(f.diameterMm)} is thick for this slab: ${fine(f.mostMm)}, a fifth of it, is the most`,
    why: 'A thick bar in thin concrete splits it along its length instead of holding it.',
    remedies: others(remedies),
  }),
  'bar-cover': (f: { coverMm: number; wantedMm: number }, { mm }, remedies: readonly Remedy[]) => ({
    what: `Bars have ${mm(f.coverMm)} of concrete over or under them; ${mm(f.wantedMm)} is wanted`,
    why: 'Steel this near a face shows through it, and little holds it.',
    remedies: others(remedies),
  }),
  'bar-not-bent': (f: { bar: string }, _s, remedies: readonly Remedy[]) => ({
    what: `${f.bar} cannot be bent on a bench`,
    why: 'Glass-fibre bars are straight for good: heat or force breaks them. Ties, hoops and hooks are bought bent, or made of steel.',
    remedies: others(remedies),
  }),
  'bars-lap': (f: { count: number; lapMm: number; lengthMm: number }, { mm }) => ({
    what: `${f.count === 1 ? 'A bar is' : `${f.count} bars are`} longer than the ${mm(f.lengthMm)} that are bought: lapped ${mm(f.lapMm)} and tied`,
    why: 'Two bars that lie side by side over forty diameters pass their force through the concrete. Laps of neighbours lie apart.',
  }),
  'cage-light': (f: { percent: number }) => ({
    what: `The cage is ${f.percent.toFixed(2)} percent of the section`,
    why: 'As a guide 0.18 percent keeps cracks fine. It holds the pieces together as it is; more or thicker bars do it better.',
  }),
  'land-barred': (f: { opening: string; to: string; landMm: number; thicknessMm: number }, { mm }) => ({
    what: `The rail from the ${f.opening} to the ${f.to} is ${mm(f.landMm)} wide, with bars in it`,
    why: 'Bars do not keep it from cracking: they hold it together when it does. Carry the slab with that side up.',
  }),
} satisfies Words
