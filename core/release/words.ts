import type { FindingsIn, Remedy, Words } from '../job/index.ts'
import type { FaceLife } from './faceLife.ts'
import type { MakingRow } from './making.ts'
import type { AgentRow } from './types.ts'

const NOTES: Readonly<Record<AgentRow['surface'], string>> = {
  faced: '',
  raw: 'raw board soaks and bonds',
  'raw edge': 'every raw edge, over the top too',
  wrapped: 'under its wrap, which peels out of the cast',
  card: 'or line it with film; keep the outside dry, it swells',
  coated: 'on the hard coat only: solvents eat bare foam',
  soaks: 'it soaks: sealed right through first',
  'bare metal': 'bare metal fizzes in wet concrete: sealed, or filmed, first',
  smooth: 'thin, into every corner',
  printed: 'into the layer lines with a brush, then wipe',
  rubber: 'or a light water-based release; soap makes the rubber last',
  texture: 'a thin film brushed into the texture, none in pools',
  'taped foam': 'all over: bare foam bonds',
  film: 'nothing sticks to it',
}

/** When an agent of a kind is chosen, and what it costs. */
const SCHOOL: Readonly<Record<AgentRow['agentKind'], string>> = {
  'paste-wax':
    'Wax: for faced board, prints and shells; the closest face, and nothing that keeps a sealer off if it is free of silicone. Slow to put on.',
  oil: 'Oil: quick, for large plain forms and plywood. What is left in the face keeps sealers and stains from taking; too much makes bug holes.',
  'water-based':
    'Water-based: sprayed, little smell, washes off before sealing. It raises raw timber and softens card.',
  'petroleum-jelly':
    'Petroleum jelly: for plain prints, threads and joints of shells. It fills fine texture and stains if it pools.',
  film: 'Film: brushed on and peeled off with the cast; for new shells and what nothing else lets go of. It shows its brush strokes.',
  silicone:
    'Silicone: for patterns under polyurethane rubber. On a face of concrete it keeps every sealer and stain from taking.',
  'packing-tape': 'Tape: covers flat raw board and foam in one go; its laps show as lines.',
  lacquer: 'Lacquer only seals: a release goes over it.',
  varnish: 'Varnish only seals: a release goes over it.',
  fuel: 'Never: it soaks into soil and skin, stains the face and gives off fumes.',
  none: '',
}
export const schoolWords = (kind: AgentRow['agentKind']): string => SCHOOL[kind]

/** How an agent goes on, in a few words. */
const HOW: Readonly<Record<AgentRow['agentKind'], string>> = {
  'paste-wax': 'haze, then buff',
  oil: 'a thin film, no pools',
  'water-based': 'sprayed thin, left to dry',
  'petroleum-jelly': 'a thin film, wiped out of corners',
  film: 'each coat dry before the next',
  silicone: 'thin coats, brushed out',
  'packing-tape': 'all over, laps pressed down',
  lacquer: 'no release',
  varnish: 'no release',
  fuel: 'no release',
  none: '',
}

/** What goes on a face, how, or why nothing does. */
export function agentNote({ use, agent, agentKind, surface, leftOut }: AgentRow): string {
  const note = NOTES[surface]
  if (use === 'seal') return `${agent}${note ? `; ${note}` : ''}`
  if (use === 'film') return `none${note ? `, ${note}` : ''}`
  if (leftOut !== null) return `none, as chosen: ${leftOut}`
  if (use === 'none')
    return surface === 'raw edge'
      ? 'the tape lets go by itself'
      : surface === 'film'
        ? note
        : 'no release, as chosen'
  const how = HOW[agentKind]
  return `${agent}; ${surface === 'soaks' || surface === 'bare metal' || note === '' ? how : note}`
}

/** How long a face serves, and how often it is made anew. */
export const lifeWords = ({ lifeCasts, renewedCount }: FaceLife): string =>
  `${lifeCasts === 1 ? 'one cast' : `about ${lifeCasts} casts`}${renewedCount > 0 ? `: made anew ${renewedCount === 1 ? 'once' : `${renewedCount} times`}` : ''}`

/** What lets a locked part go. */
const LETS_GO: Readonly<Record<string, string>> = {
  'pattern-as-is': 'Stand the pattern as it was drawn',
  'pattern-x-up': 'Stand the pattern with its x up',
  'pattern-y-up': 'Stand the pattern with its y up',
  brushed: 'Brush a rubber skin on instead',
  block: 'Cast it in rubber instead',
  layers: 'Use foam that is broken out',
}

type AgentMade = MakingRow['making']
const AGAINST: Readonly<Record<MakingRow['against'], string>> = {
  polyurethane: 'Polyurethane',
  'tin-silicone': 'Silicone',
  'platinum-silicone': 'Silicone',
  shell: 'A laid-up shell',
}
const MADE_ON: Readonly<Record<AgentMade, string>> = {
  pattern: 'the pattern',
  'cured-half': 'the half that has cured',
  'rubber-back': 'the back of the rubber',
}
const curesIt = (remedies: readonly Remedy[]) =>
  Object.fromEntries(
    remedies.map((r) => [
      r.code,
      r.code === 'plain-clay' ? 'Bed it in oil clay without sulphur' : `Pour ${r.facts.rubber} instead`,
    ]),
  )

/** What goes on what a mould is made on, in a few words. */
export const makingNote = ({ making, against, seal, agent, agentKind }: MakingRow): string =>
  [
    ...(seal ? [`sealed with ${seal.name}`] : []),
    agent === null || agentKind === 'none'
      ? making === 'rubber-back'
        ? 'nothing: nothing sticks to it'
        : `no release needed: ${AGAINST[against].toLowerCase()} lets go of it`
      : `${agent}, ${HOW[agentKind]}`,
  ].join('; ')
export const madeOnWords = (making: AgentMade): string => MADE_ON[making]

/** What a pattern met before: said, why it spoils what comes next, and what makes it good. */
const MET = {
  'tin-silicone': [
    'A pattern that tin-cured silicone met last',
    'Its catalyst stays on the face and stops a cure by platinum: the rubber stays tacky there.',
    'Wash it, varnish it, and try a patch first',
  ],
  sealant: [
    'A pattern with sealant that has not cured',
    'What it gives off stops or spoils the cure: a day for each 3 mm of it, or hot glue instead.',
    'It has cured: a day for each 3 mm',
  ],
  latex: [
    'A pattern that latex or its gloves met last',
    'A trace of latex stops a cure by platinum: wash it, and wear vinyl or nitrile.',
    'Wash it; wear nitrile from now on',
  ],
  damp: [
    'A damp pattern',
    'The hardener of polyurethane makes gas with water: the face comes out as a sponge.',
    'It has dried, and is varnished',
  ],
} as const
const SPOILT = {
  polyurethane: 'polyurethane',
  'tin-silicone': 'silicone',
  'platinum-silicone': 'platinum-cured silicone',
  shell: 'a shell',
} as const

/** Sentences for the findings of this station, each with the facts it is made of. */
export const RELEASE_WORDS = {
  'agent-missing': (_f: { row: string }) => ({
    what: 'A release or seal that was chosen is not in the stock',
    why: 'Choose another for these faces.',
  }),
  'part-trapped': (f: { part: string; by: string }) => ({
    what: `${f.part} cannot leave: ${f.by} is in its way`,
    why: 'Taken off in this order it breaks the cast or itself. Choose other corners, or another opening.',
  }),
  'part-locked': (
    f: { part: string; more: number; byMm: number },
    { mm, fine },
    remedies: readonly Remedy[],
  ) => ({
    what: `${f.part}${f.more > 0 ? ` and ${f.more} more` : ''} ${f.more > 0 ? 'are' : 'is'} locked: on the way out ${f.more > 0 ? 'they' : 'it'} would scrape ${f.byMm < 1 ? fine(f.byMm) : mm(Math.round(f.byMm))} into the concrete`,
    why: 'Neither gives: it breaks the cast or itself. Taper the piece the other way, pour it the other way up, part the mould, or make it of what bends or breaks out.',
    remedies: Object.fromEntries(
      remedies.map((r) => [
        r.code,
        r.code === 'turned' ? `Pour it ${r.facts.face} down` : (LETS_GO[r.code] ?? 'Build it another way'),
      ]),
    ),
  }),
  'jacket-undercut': (
    f: { part: string; more: number; byMm: number },
    { mm, fine },
    remedies: readonly Remedy[],
  ) => ({
    what: `${f.part}${f.more > 0 ? ` and ${f.more} more` : ''} would catch on the back of the rubber by ${f.byMm < 1 ? fine(f.byMm) : mm(Math.round(f.byMm))}, more than the rubber gives`,
    why: 'A stiff jacket draws off only what it sees along its way. Fill the hollows of the last coat with thickened rubber, or lay loose filler pieces in them, until it draws; or part it another way.',
    remedies: Object.fromEntries(
      remedies.map((r) => [
        r.code,
        r.code !== 'jacket-curve'
          ? `Part the jacket in ${r.facts.shells === 2 ? 'two' : 'four'}`
          : 'Part it in two along where it is widest',
      ]),
    ),
  }),
  'draft-short': (
    f: { part: string; more: number; draftDegrees: number; wantedDegrees: number; gripMm: number },
    { mm },
    remedies: readonly Remedy[],
  ) => ({
    what: `${f.part}${f.more > 0 ? ` and ${f.more} more` : ''}: ${f.draftDegrees < 0.05 ? 'no draft' : `${f.draftDegrees.toFixed(1)} degrees of draft`} over ${mm(Math.round(f.gripMm))}, ${f.wantedDegrees} wanted`,
    why: `The concrete holds ${f.more > 0 ? 'such a part' : 'it'} from two sides along its way, and shrinks onto what stands inside it. Taper it, wax it well, and draw it in the first hours after final set, or make it of what peels, folds or breaks out.`,
    remedies: Object.fromEntries(
      remedies.map((r) => [
        r.code,
        r.code === 'parted' ? 'Part the core by a wedge' : `Slope it by ${f.wantedDegrees} degrees`,
      ]),
    ),
  }),
  'air-trapped': (
    f: { part: string; more: number; volumeLitres: number; deepMm: number },
    { mm, litres },
    remedies: readonly Remedy[],
  ) => ({
    what: `Air stays under ${f.part}${f.more > 0 ? ` and in ${f.more} more ${f.more === 1 ? 'pocket' : 'pockets'}` : ''}: ${litres(f.volumeLitres, f.volumeLitres < 0.1 ? 3 : 2)}, up to ${mm(Math.round(f.deepMm))} deep`,
    why: 'The fill closes below it before the air is out, and no tapping drives it down and round: the cast lacks what the air takes. A vent at its highest place, the piece the other way up, or a lift that stops under it and is worked in by hand.',
    remedies: Object.fromEntries(
      remedies.map((r) => [
        r.code,
        r.code === 'vented' ? `Drill a vent at its highest place` : `Pour it ${r.facts.face} down`,
      ]),
    ),
  }),
  'air-roof': (f: { part: string; more: number; areaM2: number }, { m2 }) => ({
    what: `${f.part}${f.more > 0 ? ` and ${f.more} more` : ''} ${f.more > 0 ? 'look' : 'looks'} level down on the fill, over ${m2(f.areaM2, 2)}`,
    why: 'Bubbles stay under a level face and leave holes in it. Fill from one side so that they are driven out at the other, with a flowing mix, and tap while it rises.',
  }),
  'agent-refused': (f: { agent: string; faces: string; instead: string }) => ({
    what: `${f.agent} is no release agent`,
    why: 'Fuel and engine oil soak into soil and skin, stain the face, and give off fumes that burn. They go to the waste point, not on a mould.',
    remedy: `Use ${f.instead} instead`,
  }),
  'agent-seals': (f: { agent: string; faces: string; instead: string }) => ({
    what: `${f.agent} releases nothing: chosen for ${f.faces}`,
    why: 'What only closes a face is held by the concrete, as a bare face is. Wax or oil goes over it once it is hard.',
    remedy: `Use ${f.instead} instead`,
  }),
  'agent-tape': (f: { agent: string; faces: string; instead: string }) => ({
    what: `${f.agent} on ${f.faces} wrinkles or does not hold`,
    why: 'Tape lies flat on flat board only: on rounds it wrinkles into the concrete, on dusty and porous faces it lets go in the pour.',
    remedy: `Use ${f.instead} there`,
  }),
  'agent-fills': (f: { agent: string; faces: string; instead: string }) => ({
    what: `${f.agent} fills what is fine on ${f.faces}`,
    why: 'Grease stays in a fine texture and in layer lines: the face comes out blunt and stained there.',
    remedy: `Use ${f.instead} there`,
  }),
  'agent-wets': (f: { agent: string; faces: string; instead: string }) => ({
    what: `${f.agent} wets ${f.faces}`,
    why: 'Water softens card: it swells, and the concrete takes hold of it.',
    remedy: `Use ${f.instead} there`,
  }),
  'silicone-under-sealer': (f: { agent: string; faces: string; instead: string; sealer: string }) => ({
    what: `${f.agent} on ${f.faces}, under ${f.sealer}`,
    why: 'Silicone goes into the face and nothing takes it out again: sealers, stains and glue crawl off it. It is for patterns.',
    remedy: `Use ${f.instead} instead`,
  }),
  'cure-inhibited': (f: { by: 'sulphur-clay' | 'resin-print' }, _, remedies: readonly Remedy[]) => ({
    what: `The rubber stays tacky on ${f.by === 'sulphur-clay' ? 'clay with sulphur' : 'a resin print'}`,
    why: 'What cures by platinum is stopped by sulphur, by uncured resin, by latex gloves, sealants and tin-cured rubber. A test patch on anything not tried before.',
    remedies: curesIt(remedies),
  }),
  'pattern-spoils': (
    f: { met: keyof typeof MET; against: MakingRow['against'] },
    _,
    remedies: readonly Remedy[],
  ) => ({
    what: `${MET[f.met][0]} spoils ${SPOILT[f.against]} poured on it`,
    why: MET[f.met][1],
    remedies: { ...curesIt(remedies), washed: MET[f.met][2] },
  }),
  'rubber-foams': (_f: Record<string, never>, _, remedies: readonly Remedy[]) => ({
    what: 'Polyurethane foams on clay with water',
    why: 'Its hardener makes gas with water: the face comes out as a sponge. Oil clay without sulphur is dry.',
    remedies: curesIt(remedies),
  }),
  'making-bonds': (f: {
    making: AgentMade
    against: MakingRow['against']
    agent: string
    instead: string
  }) => ({
    what: `${AGAINST[f.against]} bonds to ${MADE_ON[f.making]}${f.agent === '' ? ' with nothing on it' : `: ${f.agent} does not keep them apart`}`,
    why:
      f.against === 'polyurethane'
        ? 'Polyurethane sticks to nearly everything but silicone: two coats of silicone release, brushed out.'
        : f.against === 'shell'
          ? 'What is laid up on a pattern keys into it: wax it, and film it where it is new.'
          : 'Silicone sticks to silicone: petroleum jelly or a film between the halves.',
    remedy: `Use ${f.instead} on it`,
  }),
  'left-out-bonds': (f: { faces: string; reason: string }) => ({
    what: `No release on ${f.faces}, which bond to concrete`,
    why: `Left out on purpose: ${f.reason}. What soaks, rough prints and bare metal do not let go of concrete: the cast or the mould is broken off.`,
    remedy: 'Put the release back on',
  }),
  'order-circle': (f: { parts: string }) => ({
    what: `No order in which these come off: ${f.parts}`,
    why: 'Each waits for another of them. Choose other corners or another way of building.',
  }),
  'knockout-locks': (
    f: { knockouts: number; depthMm: number; draftDegrees: number; wrapMm: number },
    { mm },
  ) => ({
    what: `${f.knockouts === 1 ? 'A rigid knockout' : `${f.knockouts} rigid knockouts`} ${mm(f.depthMm)} deep without draft`,
    why: `Concrete shrinks onto a straight knockout and locks it. Give it ${f.draftDegrees} degrees, or a foam wrap that peels out.`,
    remedy: `Wrap them in ${mm(f.wrapMm)} foam`,
  }),
  'release-left-out': (f: { reason: string }) => ({
    what: 'No release on the faces',
    why: `Left out on purpose: ${f.reason}. Melamine lets go of concrete badly without wax.`,
    remedy: 'Put the release back',
  }),
  'oil-under-sealer': (f: { agent: string; faces: string; sealer: string }) => ({
    what: `${f.agent} on ${f.faces}, under ${f.sealer}`,
    why: 'Oil left in the face keeps a sealer from bonding. Wash or abrade it first, or use a wax without silicone.',
    remedy: 'Use wax instead',
  }),
} satisfies Words

/** What this station finds: each code with its facts. */
export type ReleaseFindings = FindingsIn<typeof RELEASE_WORDS>
