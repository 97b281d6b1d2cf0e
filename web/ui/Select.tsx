import { ChevronDown } from 'lucide-react'
import { Select as List } from 'radix-ui'

type Props = {
  readonly id?: string
  /** For readers, where no label stands beside it. */
  readonly label?: string
  readonly value: string
  readonly options: readonly { readonly id: string; readonly name: string }[]
  readonly onChoose: (id: string) => void
}

/** The list takes no empty value: one stands in for it. */
const NOTHING = '(nothing)'
const held = (id: string): string => id || NOTHING
const told = (id: string): string => (id === NOTHING ? '' : id)

/** One of a list by its name. A value that is not in the list is shown as it is. */
export function Select({ id, label, value, options, onChoose }: Props) {
  const known = options.find((o) => o.id === value)
  return (
    <List.Root value={held(value)} onValueChange={(next) => onChoose(told(next))}>
      <List.Trigger id={id} aria-label={label} className="plain-select">
        <List.Value>{known ? known.name : 'not in stock'}</List.Value>
        <List.Icon>
          <ChevronDown aria-hidden size={15} strokeWidth={2.4} />
        </List.Icon>
      </List.Trigger>
      <List.Portal>
        <List.Content position="popper" align="end" sideOffset={2} className="select-list">
          <List.Viewport>
            {options.map((o) => (
              <List.Item key={o.id} value={held(o.id)} className="select-item">
                <List.ItemText>{o.name}</List.ItemText>
              </List.Item>
            ))}
          </List.Viewport>
        </List.Content>
      </List.Portal>
    </List.Root>
  )
}
