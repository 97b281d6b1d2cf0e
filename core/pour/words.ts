import type { FindingsIn, Remedy, Words } from '../job/index.ts'
import { showNumber } from '../units/index.ts'
import type { Odds } from './chance.ts'
import type { Compaction, wrongTool } from './compaction.ts'

const time = (minutes: number | string | undefined): string => {
  const m = Math.round(Number(minutes))
  return m < 120 ? `${m} min` : `${showNumber(m / 60, 1)} h`
}

/** `12 of 100`, with what it may be beside it. */
const ofHundred = (f: Odds): string => `${showNumber(f.percent, f.percent < 10 ? 1 : 0)} of 100`

const hourOf = (minutes: number): string =>
  `${String(Math.floor(minutes / 60)).padStart(2, '0')}:${String(Math.floor(minutes % 60)).padStart(2, '0')}`

/** What is offered so that it is placed in time, by the code of each. */
const inTimeSaid = (
  remedies: readonly Remedy[],
  { degC }: { readonly degC: (n: number) => string },
): Record<string, string> =>
  Object.fromEntries(
    remedies.map(({ code, facts: f }) => [
      code,
      'mixer' in f && 'people' in f
        ? `Mix it in the ${f.mixer}, and be ${f.people}`
        : 'mixer' in f
          ? `Mix it in the ${f.mixer}`
          : 'people' in f
            ? `Be ${f.people} people`
            : 'dose' in f
              ? `Put in ${f.dose}`
              : 'coolerDegC' in f
                ? `Pour it at ${degC(Number(f.coolerDegC))}`
                : `Use ${f.mix}`,
    ]),
  )

/** What keeps an open face from drying. */
const DRYING_SAID: Record<string, string> = {
  shade: 'Shade it',
  screen: 'Put a screen against the wind',
  'shade-and-screen': 'Shade it and screen it from the wind',
}

/** What concrete is driven together with, as it is spoken of. */
export const TOOL_NAMES: Record<Compaction, string> = {
  rod: 'a rod or gloved hand',
  mallet: 'a rubber mallet',
  bench: 'a bounced bench',
  saw: 'a bladeless saw on the form',
  poker: 'a poker',
  none: 'nothing',
}
type Wrong = NonNullable<ReturnType<typeof wrongTool>>
const WRONG_TOOL: Record<Wrong, (tool: string, poker: string) => string> = {
  'no-reach': (tool) => `A mould filled through a hole cannot be worked with ${tool}`,
  'too-narrow': (_, poker) => `A poker of ${poker} has no room in its thinnest part`,
  'shaken-apart': (tool) => `This mould does not stand ${tool}`,
  parts: (tool) => `A mix that levels itself is worked with ${tool}`,
  'left-loose': () => 'Nothing is planned to drive the air out',
}
const WRONG_WHY: Record<Wrong, string> = {
  'no-reach': 'Nothing gets in past the hole: tap it, turn it, or shake it from outside.',
  'too-narrow': 'It beats on mould and steel instead of moving the concrete, and marks the face.',
  'shaken-apart': 'Shaken, packed sand slumps and layers open at their joints. Rod it by hand in thin lifts.',
  parts:
    'Shaken, its stone and sand sink and the paste rises: a weak, blotched face. Let it settle; prick the bubbles.',
  'left-loose':
    'Only a mix that levels itself closes up alone. What is left loose is full of holes, weak where the steel lies.',
}

/** A turn about an edge lifts half of what is turned. */
const move = (f: { turns: string }): string =>
  f.turns === 'yes' ? 'to lift as it is turned over' : 'to lift'

/** Sentences for the findings of this station, each with the facts it is made of. */
export const POUR_WORDS = {
  'steel-closed': (f: { what: string }) => ({
    what:
      f.what === 'coats'
        ? 'Coats cannot go on in a closed mould'
        : 'No mat is laid in a mould that is filled through a hole',
    why:
      f.what === 'coats'
        ? 'Face and back are laid on by hand, from the open side. Another mould, or a mix that is poured.'
        : 'Nobody reaches in while it fills: it is hung in it before it is closed.',
    remedy: f.what === 'coats' ? 'Plan it without coats' : 'Hang it before',
  }),
  'too-cold': (f: { coldestDegC: number; leastDegC: number }, { degC, mpa }) => ({
    what: `It falls to ${degC(f.coldestDegC)}; do not pour below ${degC(f.leastDegC)}`,
    why: `Cold concrete hardly sets, and frost before ${mpa(5)} ruins it. Warm the shop, or wait for a warmer day.`,
  }),
  'done-late': (
    f: { step: string; stepCount: number; lateMinutes: number; joint: string; mix: string },
    style,
    remedies: readonly Remedy[],
  ) => ({
    what: `“${f.step}” comes ${time(Math.max(1, f.lateMinutes))} after its window has closed${f.stepCount > 1 ? `, one of ${f.stepCount}` : ''}`,
    why:
      f.joint === 'yes'
        ? `By then the ${f.mix} under it no longer joins with what comes on it: a cold joint.`
        : `By then the ${f.mix} is stiffer than it wants to be for that.`,
    remedies: inTimeSaid(remedies, style),
  }),
  'slurry-nowhere': (f: { why: string }, _, remedies: readonly Remedy[]) => ({
    what:
      f.why === 'hole'
        ? 'Nobody reaches the faces of this mould to brush slurry on them'
        : f.why === 'up'
          ? 'The show face is open in the pour: slurry has no mould face to go on'
          : f.why === 'face'
            ? 'How large the show face of this piece is cannot be told: no slurry is planned'
            : 'Glass-fibre concrete has a face coat of its own: slurry under it peels',
    why: 'A skin of cement is brushed on the mould face that makes the show face, before the first concrete.',
    remedies: Object.fromEntries(remedies.map((r) => [r.code, 'Leave the slurry out'])),
  }),
  'slurry-thick': (
    f: { slurryMm: number; leastMm: number; mostMm: number },
    { fine },
    remedies: readonly Remedy[],
  ) => ({
    what: `Slurry ${fine(f.slurryMm)} thick: ${fine(f.leastMm)} to ${fine(f.mostMm)} is right`,
    why: 'Thinner it leaves bare spots that show; thicker it pools, shrinks and crazes.',
    remedies: Object.fromEntries(
      remedies.map((r) => [r.code, `Brush it on ${fine(Number(r.facts.slurryMm))} thick`]),
    ),
  }),
  'mould-warmth': (f: { mouldDegC: number; leastDegC: number; mostDegC: number; cold: string }, { degC }) =>
    f.cold === 'yes'
      ? {
          what: `The mould is at ${degC(f.mouldDegC)}; it wants ${degC(f.leastDegC)} at least`,
          why: 'A cold mould takes the warmth out of the face that touches it: that sets last, and frost in it ruins it. Bring it in the day before.',
        }
      : {
          what: `The mould is at ${degC(f.mouldDegC)}; above ${degC(f.mostDegC)} it is cooled first`,
          why: 'Concrete stiffens on a hot face before it has flowed together. Shade it and let it cool before the pour.',
        },
  'mix-hot': (f: { concreteDegC: number; mostDegC: number }, { degC }, remedies: readonly Remedy[]) => ({
    what: `The mix would be placed at ${degC(f.concreteDegC)}; ${degC(f.mostDegC)} is the most`,
    why: 'Hot concrete stiffens on the way, wants more water and cracks as it cools.',
    remedies: Object.fromEntries(
      remedies.map((r) => [
        r.code,
        `Mix it with cold water and bags from the shade, at ${degC(Number(r.facts.coolerDegC))}`,
      ]),
    ),
  }),
  'never-strong': (f: { wantedMpa: number; f28Mpa: number }, { mpa }) => ({
    what: `It does not reach ${mpa(f.wantedMpa)} at this temperature`,
    why: `With ${mpa(f.f28Mpa)} at 28 days the sides cannot come off. Use less water, another mix, or warmth.`,
  }),
  'never-flipped': (f: { wantedMpa: number; f28Mpa: number }, { mpa }) => ({
    what: `It does not reach ${mpa(f.wantedMpa)}`,
    why: `Never flip or carry below ${mpa(10)}.`,
  }),
  'sets-before-placed': (
    f: { placedMinutes: number; mix: string; setMinutes: number },
    style,
    remedies: readonly Remedy[],
  ) => ({
    what: `Concrete lies open for ${time(f.placedMinutes)}; ${f.mix} sets in ${time(f.setMinutes)}`,
    why: 'The last batches meet concrete that has set: a cold joint. Use a larger mixer, more people, or a slower mix.',
    remedies: inTimeSaid(remedies, style),
  }),
  'longer-than-working-time': (
    f: { placedMinutes: number; workingMinutes: number; mix: string },
    style,
    remedies: readonly Remedy[],
  ) => ({
    what: `Placing takes ${time(f.placedMinutes)}; it works for ${time(f.workingMinutes)}`,
    why: 'The first batch stiffens before the last is in. Use a larger mixer, more people, or pour cooler.',
    remedies: inTimeSaid(remedies, style),
  }),
  'compacts-badly': (
    f: { tool: Compaction; why: NonNullable<ReturnType<typeof wrongTool>>; pokerMm: number },
    { mm },
  ) => ({
    what: WRONG_TOOL[f.why](TOOL_NAMES[f.tool], mm(f.pokerMm)),
    why: WRONG_WHY[f.why],
    remedy: 'Use what suits this mould',
  }),
  'core-hot': (f: { coreDegC: number; mostDegC: number }, style, remedies: readonly Remedy[]) => ({
    what: `Its middle grows to about ${style.degC(Math.round(f.coreDegC))} as it sets, over ${style.degC(f.mostDegC)}`,
    why: 'So hot it may swell and crack months later. Pour it cooler, in lifts, or with less cement.',
    remedies: inTimeSaid(remedies, style),
  }),
  'core-apart': (f: { coreDegC: number; faceDegC: number; apartDegC: number }, { degC }) => ({
    what: `Its middle grows to about ${degC(Math.round(f.coreDegC))}, its face to ${degC(Math.round(f.faceDegC))}`,
    why: 'So far apart the face cracks as it cools. Keep it wrapped and in its mould until both are near, and let it cool slowly.',
  }),
  'print-softens': (
    f: { coreDegC: number; softensDegC: number; filament: string },
    style,
    remedies: readonly Remedy[],
  ) => ({
    what: `It grows to about ${style.degC(Math.round(f.coreDegC))} as it sets; ${f.filament} gives from ${style.degC(f.softensDegC)}`,
    why: 'A wall that softens bulges under the fill and keeps the bulge. Print it in what stays firm, back the walls with sand, or pour it cooler.',
    remedies: {
      ...inTimeSaid(remedies, style),
      ...Object.fromEntries(
        remedies.flatMap((r) => (r.code === 'filament' ? [[r.code, `Print it in ${r.facts.filament}`]] : [])),
      ),
    },
  }),
  'gripped-late': (f: { step: string; startMinutes: number; latestMinutes: number }) => ({
    what: `${f.step[0]!.toUpperCase()}${f.step.slice(1)}: at ${time(f.startMinutes)}; from ${time(f.latestMinutes)} the concrete grips it`,
    why: 'It shrinks onto what stands in it without draft, and more every day. Give it draft, free it early and leave it loose, or make it of what peels, folds or breaks out.',
  }),
  'cold-joint-likely': (f: Odds, style, remedies: readonly Remedy[]) => ({
    what: `In ${ofHundred(f)} rehearsals a batch meets concrete that has set`,
    why: 'Every batch may take longer than planned, and the mix may set sooner: a cold joint lets water in and breaks there.',
    remedies: inTimeSaid(remedies, style),
  }),
  'time-likely-short': (f: Odds, style, remedies: readonly Remedy[]) => ({
    what: `In ${ofHundred(f)} rehearsals it has stiffened before it is struck off`,
    why: 'It can still be placed, and is hard to work and to level.',
    remedies: inTimeSaid(remedies, style),
  }),
  'mix-likely-short': (f: Odds, _style, remedies: readonly Remedy[]) => ({
    what: `In ${ofHundred(f)} rehearsals the mix does not fill the form`,
    why: 'A bag yields a little more or less, and some stays in the tub. Mix more, or keep a bag beside it.',
    remedies: Object.fromEntries(
      remedies.map((r) => [r.code, `Mix ${showNumber(Number(r.facts.wastePercent), 0)} percent over`]),
    ),
  }),
  'falls-at-night': (
    f: { step: string; stepCount: number; firstMinutes: number; dayMinutes: number },
    _style,
    remedies: readonly Remedy[],
  ) => ({
    what: `Outside working hours: ${f.step} at ${hourOf(f.dayMinutes)}${f.stepCount > 1 ? `, and ${f.stepCount - 1} more` : ''}`,
    why: 'The concrete does not wait for the morning. Begin at another hour, or plan who stays.',
    remedies: Object.fromEntries(
      remedies.map((r) => [r.code, `Begin at ${String(r.facts.start).slice(11)}`]),
    ),
  }),
  'dries-fast': (
    f: { rateKgPerM2H: number; do: string; limitKgPerM2H: number },
    { of, degC },
    remedies: readonly Remedy[],
  ) => ({
    what: `The surface loses ${of('massPerArea', f.rateKgPerM2H, 2)} an hour: ${f.do}`,
    why: `Above ${of('massPerArea', f.limitKgPerM2H, 2)} it cracks while it is still wet. Shade it, stop the draught, lay film.`,
    remedies: Object.fromEntries(
      remedies.map((r) => [
        r.code,
        r.code === 'cooler-mix'
          ? `Mix it with cold water, at ${degC(Number(r.facts.coolerDegC))}`
          : (DRYING_SAID[r.code] ?? r.code),
      ]),
    ),
  }),
  'lift-by-machine': (
    f: {
      massKg: number
      people: number
      limitKg: number
      aHeadKg: number
      mostAHeadKg: number
      turns: string
    },
    { kg },
  ) => ({
    what: `${kg(f.massKg)} ${move(f)}: not by hand`,
    why: `Above ${kg(100)} in all, or ${kg(40)} a head, it is moved by a hoist, an A-frame, a tilting table or a trolley, or cast in smaller pieces. Plan the means before the pour.`,
  }),
  'lift-too-few': (
    f: {
      massKg: number
      aHeadKg: number
      people: number
      mostAHeadKg: number
      wanted: number
      limitKg: number
      turns: string
    },
    { kg },
  ) => ({
    what: `${kg(f.massKg)} ${move(f)}: ${kg(f.aHeadKg)} a head for ${f.people === 1 ? 'one' : f.people}`,
    why: `Up to ${kg(f.mostAHeadKg)} a head can be planned. ${f.wanted > 0 ? `${f.wanted === 1 ? 'One person' : `${f.wanted} people`}, a trolley, or a frame.` : 'Use a trolley, an A-frame or a hoist, split the piece, or make it lighter.'}`,
    remedy: `Plan for ${f.wanted} people`,
  }),
  'lift-by-plan': (
    f: {
      massKg: number
      aHeadKg: number
      people: number
      limitKg: number
      mostAHeadKg: number
      turns: string
    },
    { kg },
  ) => ({
    what: `${kg(f.massKg)} ${move(f)}, ${kg(f.aHeadKg)} a head`,
    why: `${f.people === 1 ? 'Whoever lifts' : `${f.people} who lift together`} every day should stay under ${kg(f.limitKg, 1)}. Once, and planned, it can be done: on edge, straps or handles, places to set it down, no stairs.`,
  }),
} satisfies Words

/** What this station finds: each code with its facts. */
export type PourFindings = FindingsIn<typeof POUR_WORDS>
