import type { FindingsIn, Remedy, Words } from '../job/index.ts'
import { BAR_WORDS } from './bars/words.ts'

/** A land beside an opening: how wide, to what, how thick the slab is there, and whether it runs on as a rail. */
type Land = {
  opening: string
  /** Of the openings of this name that stand so. */
  count: number
  to: string
  long: string
  landMm: number
  wantedMm: number
  thicknessMm: number
}

/** A place that is thin: between which faces, how thin, how far. */
type Thin = {
  thicknessMm: number
  leastMm: number
  mix: string
  with: string
  rule: string
  a: string
  b: string
  lengthMm: number
  widthMm: number
  /** Places as thin beside it. */
  more: number
}

type Say = (mm: number | string | undefined) => string

const isWhole = (f: Thin): boolean =>
  f.a !== f.b && [f.a, f.b].every((face) => face === 'top' || face === 'underside')

/** `45 thick`, or `Between recess and underside: 1 over 220 x 160`. */
const placed = (f: Thin, mm: Say): string =>
  isWhole(f)
    ? `${mm(f.thicknessMm)} thick${others(f)}`
    : `${f.a === f.b ? `Across the ${f.a}` : `Between ${f.a} and ${f.b}`}: ${mm(f.thicknessMm)} over ${mm(f.lengthMm)} × ${mm(f.widthMm)}${others(f)}`

const others = ({ more }: Thin): string => (more === 0 ? '' : `, and ${more} more as thin`)

const DEPTHS: Readonly<Record<string, string>> = {
  'stretched-face': 'Lay it low',
  'weather-face': 'Lay it high',
  middle: 'Lay it in the middle',
}

const WITH: Readonly<Record<string, string>> = { none: 'no mesh' }

/** Why it is that much. */
const RULES: Readonly<Record<string, string>> = {
  mix: 'Below that it cracks when it is handled.',
  mesh: 'Below that there is no room for a mat between two covers, and it cracks when it is handled.',
  large: 'Plain concrete outdoors, or half a metre and longer, wants more than a small piece indoors.',
  'lies-flat': 'A small piece that lies flat on something may be thin; below this it breaks in the hand.',
  wall: 'A plain wall of a planter that holds soil wants this much.',
  fibre: 'Mortar with fibre may be thin; below this the fibres lie flat and do not hold.',
  stone: 'The largest stone must pass three abreast, or it jams and leaves holes.',
  work: 'Thin on purpose and small: half of what a wall wants is enough, and this is less.',
}

const thinWords = (remedies: readonly Remedy[], mm: Say): Record<string, string> =>
  Object.fromEntries(
    remedies.map((r) => [
      r.code,
      'mix' in r.facts
        ? `Use ${r.facts.mix}`
        : r.code === 'mesh'
          ? 'Lay mesh in it'
          : r.code === 'fibre'
            ? 'Put fibre in'
            : r.code === 'shallower'
              ? `Make the ${r.facts.opening} ${mm(r.facts.depthMm)} deep`
              : `Make it ${mm(r.facts.byMm)} thicker`,
    ]),
  )

/** Sentences for the findings of this station, each with the facts it is made of. */
export const STEEL_WORDS = {
  ...BAR_WORDS,
  'mesh-for-slabs': (_f: { kind: string }) => ({
    what: 'No mesh is planned for this kind of piece',
    why: 'Sheets of mesh are cut for flat slabs. Fibre in the mix, or bars bent by hand, serve here.',
    remedy: 'Plan it without mesh',
  }),
  'mesh-missing': (_f: { row: string }) => ({
    what: 'The mesh that was chosen is not in the stock',
    why: 'Choose another mesh, or none.',
  }),
  'too-thin': (f: Thin, { mm }, remedies: readonly Remedy[]) => ({
    what: isWhole(f)
      ? `${placed(f, mm)}; ${f.mix} with ${WITH[f.with] ?? f.with} wants ${mm(f.leastMm)}`
      : `${placed(f, mm)}; ${mm(f.leastMm)} is wanted`,
    why: `${isWhole(f) ? '' : `${f.mix} with ${WITH[f.with] ?? f.with}. `}${RULES[f.rule] ?? RULES.mix!}`,
    remedies: thinWords(remedies, mm),
  }),
  'thin-enough': (f: Thin, { mm }) => ({
    what: `${placed(f, mm)}: it may be, ${mm(f.leastMm)} is better`,
    why: 'A small piece that lies flat on something carries little; the thicker one survives being dropped.',
  }),
  'feather-edge': (f: { angleDeg: number; lengthMm: number; a: string; b: string }, { mm }) => ({
    what: `A feather edge of ${Math.round(f.angleDeg)}°, ${mm(f.lengthMm)} long, where ${f.a === f.b ? `the ${f.a} turns` : `${f.a} and ${f.b} meet`}`,
    why: 'An edge sharper than 45° has no stone behind it: it chips when the mould comes off. Ease it, or blunt it by a small flat.',
  }),
  'mesh-does-not-fit': (f: { coverMm: number; spacingMm: number }, { mm }) => ({
    what: 'No mat fits inside the cover: none is planned',
    why: `With ${mm(f.coverMm)} cover there are not two wires each way, ${mm(f.spacingMm)} apart. A finer mesh, fibre, or bars bent by hand.`,
    remedies: { fibre: 'Use fibre instead', none: 'Plan it without' },
  }),
  ghosting: (f: { coverMm: number; wantedMm: number }, { mm }) => ({
    what: `Mesh ${mm(f.coverMm)} from the show face; ${mm(f.wantedMm)} keeps it from showing`,
    why: 'Steel this near draws a grey grid on the face. Compact hard before it goes in and lightly after.',
  }),
  'cover-short': (f: { coverMm: number; wantedMm: number }, { mm }, remedies: readonly Remedy[]) => ({
    what: `Cover is ${mm(f.coverMm)}; ${mm(f.wantedMm)} is wanted`,
    why: 'Many pieces stand for years with less: what is risked is rust stains, and after years spalls over the wires.',
    remedies: Object.fromEntries(
      remedies.map((r) => [
        r.code,
        'mesh' in r.facts
          ? `Use ${r.facts.mesh}`
          : r.code === 'weather-face'
            ? `Keep ${mm(r.facts.coverMm)} on the show face only`
            : r.code === 'fibre'
              ? 'Use fibre instead'
              : `Make it ${mm(r.facts.leastMm)} thick`,
      ]),
    ),
  }),
  'pressed-deep': (f: { deepMm: number; mostMm: number }, { mm }) => ({
    what: `Pressed ${mm(f.deepMm)} into the full form; ${mm(f.mostMm)} is as deep as it goes cleanly`,
    why: 'Deeper, it drags stones down with it and leaves seams of paste over every wire. Laid on the fill at its level it comes to lie where it is drawn.',
    remedy: 'Lay it on the fill',
  }),
  'second-mat-thin': (f: { thicknessMm: number; leastMm: number }, { mm }) => ({
    what: `${mm(f.thicknessMm)} has no room for two mats: one is planned`,
    why: `From ${mm(f.leastMm)} on there is concrete between them that stones pass through.`,
    remedy: 'Plan one mat',
  }),
  'mesh-sheet-small': (f: { lengthMm: number; widthMm: number; lapMm: number }, { mm }) => ({
    what: `No mat is cut from sheets of ${mm(f.lengthMm)} × ${mm(f.widthMm)}`,
    why: `They lap ${mm(f.lapMm)} where they meet, and this sheet is no longer than that. Put right its size in the stock, or choose another mesh.`,
  }),
  'mat-cut-away': (f: { keptShare: number }, _s, remedies: readonly Remedy[]) => ({
    what: `Only ${Math.round(f.keptShare * 100)} percent of the mat is left at its depth`,
    why: 'A field, a recess or a groove comes nearer to it than its cover, and it is cut away there: what is left holds little together.',
    remedies: Object.fromEntries(remedies.map((r) => [r.code, DEPTHS[r.code] ?? 'Use fibre instead'])),
  }),
  'apron-bare': (f: { sides: string; thicknessMm: number }, { mm }, remedies: readonly Remedy[]) => ({
    what: `The apron at the ${f.sides} holds no steel: it is ${mm(f.thicknessMm)} thick`,
    why: 'A strip of mesh bent down from the mat wants concrete on both sides of it, and a straight side. What hangs without any is soon knocked off.',
    remedies: Object.fromEntries(remedies.map((r) => [r.code, `Make it ${mm(r.facts.thicknessMm)} thick`])),
  }),
  'chairs-show': (_f: Record<string, never>) => ({
    what: 'The chairs stand on the show face',
    why: 'Each shows as a spot of another colour, for good. Wires from battens leave nothing on it.',
    remedy: 'Hang it on wires',
  }),
  'mesh-laps': (f: { sheets: number; lapMm: number }, { mm }) => ({
    what: `Mesh of ${f.sheets} sheets: lap them ${mm(f.lapMm)} and tie`,
    why: 'A sheet that only butts carries nothing across the joint.',
  }),
  'land-narrow': (f: Land, { mm }, remedies: readonly Remedy[]) => ({
    what: `${plural(f)} ${mm(f.landMm)} from the ${f.to}, ${mm(f.thicknessMm)} thick here`,
    why:
      f.long === 'rail'
        ? 'A long rail this narrow cracks when the slab is flipped or carried: it cracks there first.'
        : 'It cracks there first: half the thickness is the least for a short bridge.',
    remedies: Object.fromEntries(
      remedies.map((r) => [
        r.code,
        r.code === 'bars'
          ? 'Lay bars along it'
          : `Move the ${r.facts.moved} ${r.facts.way} ${mm(r.facts.byMm)}`,
      ]),
    ),
  }),
  'land-short': (f: Land, { mm }) => ({
    what: `${plural(f)} ${mm(f.landMm)} from the ${f.to}: less than the thickness`,
    why: 'A short bridge beside an opening: carry the slab with that side up.',
  }),
  'void-wall': (f: { coverMm: number; leastMm: number; mix: string }, { mm }) => ({
    what: `${mm(f.coverMm)} of concrete round the void former; ${mm(f.leastMm)} is wanted`,
    why: `${f.mix}. What is left round it is a wall like any other.`,
    remedy: `Leave ${mm(f.leastMm)} round it`,
  }),
  'coats-mix': (f: { mix: string }, _s, remedies: readonly Remedy[]) => ({
    what: `Coats are not made of ${f.mix}`,
    why: 'A face of 3 and a back rolled on want glass-fibre premix: no stone, and glass that bears cement.',
    remedies: Object.fromEntries(
      remedies.map((r) => [r.code, 'mix' in r.facts ? `Use ${r.facts.mix}` : 'Plan it without coats']),
    ),
  }),
  'coats-thin': (
    f: { backMm: number; leastMm: number; faceMm: number },
    { mm },
    remedies: readonly Remedy[],
  ) => ({
    what: `${mm(f.backMm)} are left for the back coat; ${mm(f.leastMm)} is the least`,
    why: 'The face has no fibre: only the back holds it. Thinner than this the glass lies bare.',
    remedies: Object.fromEntries(remedies.map((r) => [r.code, `Make it ${mm(r.facts.thicknessMm)} thick`])),
  }),
  'coats-edges': (f: { thicknessMm: number; leastMm: number }, { mm }, remedies: readonly Remedy[]) => ({
    what: `Edges that are handled want ${mm(f.leastMm)}; it is ${mm(f.thicknessMm)}`,
    why: 'Thicken the back along every edge by hand, or make all of it thicker.',
    remedies: Object.fromEntries(remedies.map((r) => [r.code, `Make it ${mm(r.facts.thicknessMm)} thick`])),
  }),
  'coats-many': (f: { backMm: number; goes: string; mostMm: number }, { mm }) => ({
    what: `A back of ${mm(f.backMm)} goes on in ${f.goes} goes`,
    why: `More than ${mm(f.mostMm)} at once slumps and hides air: roll each before the next, while it is wet.`,
  }),
  tips: (f: Tips, { mm, kg, newtons }, remedies: readonly Remedy[]) => ({
    what: `${kg(f.weightKg)} that tips at a push of ${newtons(f.pushN)}, ${mm(f.heightMm)} up`,
    why: `On a slope of ${Math.round(f.angleDeg)}° it falls by itself. A child leans with more than ${newtons(200)}: set it in the ground, tie it back, or widen its foot. Where it stands in public local codes and a licensed professional decide.`,
    remedies: setDeep(remedies, mm),
  }),
  'falls-over': (f: Tips, { mm, kg }, remedies: readonly Remedy[]) => ({
    what: `${kg(f.weightKg)} that does not stand: its weight lies beyond its foot`,
    why: 'It falls over as soon as it is let go. Set it in the ground, or give it a wider foot.',
    remedies: setDeep(remedies, mm),
  }),
  'stands-on-a-point': (f: { weightKg: number }, { kg }) => ({
    what: `${kg(f.weightKg)} that rolls: it touches the ground at a point`,
    why: 'Give it a flat foot, a ring to sit in, or a dowel into what it stands on.',
  }),
  'tips-sat-on': (
    f: { overhangMm: number; share: number },
    { mm, newtons },
    remedies: readonly Remedy[],
  ) => ({
    what: `It tips under someone who sits ${mm(f.overhangMm)} beyond its foot`,
    why: `A person of ${newtons(1000)}, half as much again to be sure, outweighs it there. A wider foot, or a footing. Where people sit on it local codes and a licensed professional decide.`,
    remedies: setDeep(remedies, mm),
  }),
  'footing-shallow': (
    f: { depthMm: number; leastMm: number; aboveMm: number },
    { mm },
    remedies: readonly Remedy[],
  ) => ({
    what: `Set ${mm(f.depthMm)} deep with ${mm(f.aboveMm)} above: ${mm(f.leastMm)} is the least`,
    why: 'What may be leaned on stands a quarter to a third of its height above ground in it.',
    remedies: setDeep(remedies, mm),
  }),
  'fixing-shallow': (
    f: { insert: string; depthMm: number; leastMm: number; liftN: number; hangN: number },
    { mm, mpa, newtons },
  ) => ({
    what: `${capital(f.insert)} sits ${mm(f.depthMm)} deep; ${mm(f.leastMm)}, 8 diameters, is wanted of what carries`,
    why: `It pulls a cone of concrete out: to be lifted by it bears ${newtons(f.liftN)} at ${mpa(10, 0)}, to hang from ${newtons(f.hangN)} when it is hard. Two at least share a load; overhead a qualified person decides.`,
  }),
  'fixing-over': (
    f: { insert: string; carriesKg: number; hangN: number; weightN: number },
    { kg, mm, newtons },
    remedies: readonly Remedy[],
  ) => ({
    what: `${kg(f.carriesKg)} hang from ${f.insert}, which bears ${newtons(f.hangN)}: ${newtons(f.weightN)} pull at it`,
    why: 'A third of what pulls its cone out of hard concrete is counted on. Set it deeper or further from the edge, or share the load between two. Overhead, or where it holds a person, a licensed professional decides.',
    remedies: Object.fromEntries(remedies.map((r) => [r.code, `Set it ${mm(r.facts.depthMm)} deep`])),
  }),
  'fixings-lift-short': (
    f: { count: number; liftN: number; weightN: number; weightKg: number },
    { kg, mpa, newtons },
  ) => ({
    what: `${f.count === 1 ? 'What it could be lifted by bears' : `The ${f.count} fixings it could be lifted by bear`} ${newtons(f.liftN)} in all; it weighs ${kg(f.weightKg)}, ${newtons(f.weightN)}`,
    why: `At ${mpa(10, 0)} a quarter of what pulls them out is counted on. Lift it on straps under it, not by these.`,
  }),
  'move-waits': (f: Moved, { mm, mpa }) => ({
    what: `${MOVES[f.move] ?? f.move} only from ${mpa(Math.ceil(f.neededMpa - 0.05), 0)}, ${hoursOf(f.hoursMinutes)} after the first water`,
    why: `At ${mpa(10, 0)} its margin would be ${margin(f.marginShare)}: it bends most ${spot(f, mm)}.${f.move === 'carry' ? ' On edge it may be carried sooner.' : ''}`,
    remedies: CARRIED,
  }),
  'move-cracks': (f: Moved, { mm }) => ({
    what: `${MOVES[f.move] ?? f.move} it cracks: a margin of ${margin(f.fullShare)} even at full strength`,
    why: `It bends most ${spot(f, mm)}. ${f.move === 'carry' || f.move === 'ends' || f.move === 'lay' ? (f.alongMm === undefined ? 'Carry it on edge, on a trolley, or with more hands further in.' : 'Move it standing, or with straps a fifth of its length in, and more of them.') : 'Make it thicker, of a stronger mix, or turn it with its base screwed to stiffeners.'}`,
    remedies: CARRIED,
  }),
  'move-unstable': (f: { move: string }) => ({
    what: `${MOVES[f.move] ?? f.move} it tips off: no figures are told`,
    why: 'What holds it up must stand on all sides of its weight.',
    remedy: 'Hold it where it bends least',
  }),
  'hands-off': (f: { count: number }) => ({
    what: `${f.count === 1 ? 'A hand misses' : `${f.count} hands miss`} the piece: told as it is usually carried`,
    why: 'Where it is held must lie on it, and not in an opening.',
    remedy: 'Hold it where it bends least',
  }),
  'overhang-steel': (f: { overhangMm: number; carriedShare: number }, { mm }) => ({
    what: `Its steel bears ${Math.round(f.carriedShare * 100)} percent of someone who leans ${mm(f.overhangMm)} beyond the support`,
    why: 'If it cracks there only steel near the top holds it, and all of it must. Where people sit or lean local codes and a licensed professional decide.',
    remedies: {
      high: 'Lay the mesh high',
      both: 'Lay a mat at either face',
    },
  }),
  'use-cracks': (f: Moved, { mm }) => ({
    what: `In use it has a margin of ${margin(f.fullShare)} under someone’s weight`,
    why: `It bends most ${spot(f, mm)}. Where people stand, sit or lean on it local codes and a licensed professional decide.`,
    remedies: CARRIED,
  }),
} satisfies Words

/** What tips a piece that stands. */
type Tips = { pushN: number; heightMm: number; angleDeg: number; weightKg: number }

const setDeep = (remedies: readonly Remedy[], mm: Say): Record<string, string> =>
  Object.fromEntries(remedies.map((r) => [r.code, `Set it ${mm(r.facts.depthMm)} into the ground`]))

/** A move of a flat piece: its margin, what strength it wants and when that is reached, and where it bends most. */
type Moved = {
  move: string
  marginShare: number
  fullShare: number
  neededMpa: number
  peakMpa: number
  hoursMinutes: number
  xMm: number
  yMm: number
  /** Of a bar: from its end. */
  alongMm?: number
  stretched: string
}

const MOVES: Readonly<Record<string, string>> = {
  turn: 'Turned over on its edge',
  bearers: 'Set on its bearers',
  carry: 'Carried flat',
  use: 'In use',
  lay: 'Laid on two bearers',
  ends: 'Carried by its ends',
}
const margin = (n: number): string => n.toFixed(2)
const hoursOf = (minutes: number): string =>
  minutes < 48 * 60 ? `${Math.ceil(minutes / 60)} h` : `${Math.ceil(minutes / 1440)} days`
const spot = (f: Moved, mm: Say): string =>
  f.alongMm !== undefined
    ? `${mm(f.alongMm)} along it, as a beam${f.move === 'use' ? '' : ' the weaker way round'}`
    : `${mm(f.xMm)} from the left and ${mm(f.yMm)} from the front, stretched ${f.stretched === 'top' ? 'on top' : 'below'}`
const CARRIED = {
  'as-proposed': 'Hold it where it bends least',
  'hands-inward': 'Hold it a fifth of its length in',
  thicker: 'Make it thicker',
}

/** What this station finds: each code with its facts. */
export type SteelFindings = FindingsIn<typeof STEEL_WORDS>

/** `2 taps stand`, `basin stands`. */
const plural = ({ opening, count }: Land): string =>
  count > 1 ? `${count} ${opening}s stand` : `${capital(opening)} stands`

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)
