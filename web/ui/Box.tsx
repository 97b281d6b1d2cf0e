import { Check } from 'lucide-react'
import { Checkbox } from 'radix-ui'

/** A box that is ticked, to be put beside its words in a label. */
export function Box({ id, on, onTick }: { id?: string; on: boolean; onTick: (on: boolean) => void }) {
  return (
    <Checkbox.Root id={id} className="box" checked={on} onCheckedChange={(next) => onTick(next === true)}>
      <Checkbox.Indicator>
        <Check aria-hidden size={16} strokeWidth={3} />
      </Checkbox.Indicator>
    </Checkbox.Root>
  )
}
