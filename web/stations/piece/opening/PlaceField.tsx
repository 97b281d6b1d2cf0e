import type { Opening, PlaceRule, SlabPiece } from '../../../../core/job/index.ts'
import { outlineSize, reach, resolvePlacing } from '../../../../core/piece/index.ts'
import { MeasureField } from '../../../ui/MeasureField.tsx'
import { Select } from '../../../ui/Select.tsx'

const WORDS = {
  u: {
    fromStart: 'from the left',
    fromEnd: 'from the right',
    centred: 'centred on the piece',
    centredOn: 'centred on',
    beyond: 'right of',
    short: 'left of',
  },
  v: {
    fromStart: 'from the front',
    fromEnd: 'from the back',
    centred: 'centred on the piece',
    centredOn: 'centred on',
    beyond: 'behind',
    short: 'in front of',
  },
} as const

/** A placing rule: what it measures from, and how far. Choosing another rule keeps the opening where it stands. */
export function PlaceField({
  piece,
  axis,
  opening,
  onRule,
}: {
  piece: SlabPiece
  axis: 'u' | 'v'
  opening: Opening
  onRule: (rule: PlaceRule) => void
}) {
  const rule = opening[axis]
  const words = WORDS[axis]
  const others = piece.openings.filter((o) => o.id !== opening.id)
  const key = 'opening' in rule ? `${rule.rule}:${rule.opening}` : rule.rule
  const choices: readonly Choice[] = [
    ...(['fromStart', 'fromEnd', 'centred'] as const).map((r) => ({ rule: r, onto: null, key: r })),
    ...(['centredOn', 'beyond', 'short'] as const).flatMap((r) =>
      others.map((o) => ({ rule: r, onto: o, key: `${r}:${o.id}` })),
    ),
  ]
  const choose = (next: string) =>
    onRule(ruleKeepingPlace(choices.find((c) => c.key === next)!, axis, opening, piece))
  const amount = 'distance' in rule ? rule.distance : 'gap' in rule ? rule.gap : rule.offset
  const set = (n: number) =>
    onRule(
      'distance' in rule
        ? { ...rule, distance: n }
        : 'gap' in rule
          ? { ...rule, gap: n }
          : { ...rule, offset: n },
    )
  const label = axis === 'u' ? 'Left to right' : 'Front to back'
  const other =
    'opening' in rule ? (piece.openings.find((o) => o.id === rule.opening)?.name ?? rule.opening) : ''
  return (
    <div className="border-b pb-1">
      <div className="row border-b-0!">
        <label htmlFor={`place-${axis}`}>{label}</label>
        <Select
          id={`place-${axis}`}
          value={key}
          options={choices.map((c) => ({
            id: c.key,
            name: c.onto ? `${words[c.rule]} ${c.onto.name}` : words[c.rule],
          }))}
          onChoose={choose}
        />
      </div>
      <div className="flex justify-end">
        <MeasureField
          bare
          label={`${label}: ${opening.name} ${words[rule.rule]} ${other}`.trim()}
          value={amount}
          allowNegative
          onCommit={set}
        />
      </div>
    </div>
  )
}

/** A rule that can be chosen, by another opening or by the piece alone. */
type Choice = { readonly key: string } & (
  | { readonly rule: 'fromStart' | 'fromEnd' | 'centred'; readonly onto: null }
  | { readonly rule: 'centredOn' | 'beyond' | 'short'; readonly onto: Opening }
)

function ruleKeepingPlace(choice: Choice, axis: 'u' | 'v', opening: Opening, piece: SlabPiece): PlaceRule {
  const k = axis === 'u' ? 0 : 1
  const { middles } = resolvePlacing(piece)
  const at = middles.get(opening.id)![k]
  const own = reach(opening, axis)
  const size = outlineSize(piece.outline)
  const total = axis === 'u' ? size.length : size.width
  const tidy = (n: number) => Math.round(n * 1e4) / 1e4
  const other = choice.onto
  const otherAt = other ? middles.get(other.id)![k] : 0
  const otherReach = other ? reach(other, axis) : 0
  switch (choice.rule) {
    case 'fromStart':
      return { rule: 'fromStart', distance: tidy(at - own) }
    case 'fromEnd':
      return { rule: 'fromEnd', distance: tidy(total - at - own) }
    case 'centredOn':
      return { rule: 'centredOn', opening: choice.onto.id, offset: 0 }
    case 'beyond':
      return {
        rule: 'beyond',
        opening: choice.onto.id,
        gap: Math.max(0, tidy(at - own - otherAt - otherReach)),
      }
    case 'short':
      return {
        rule: 'short',
        opening: choice.onto.id,
        gap: Math.max(0, tidy(otherAt - otherReach - at - own)),
      }
    case 'centred':
      return { rule: 'centred', offset: 0 }
  }
}
