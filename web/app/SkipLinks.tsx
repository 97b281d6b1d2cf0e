import { focusIn, PLACES } from './focus.ts'

/** Ways past what stands between: seen only while they have the focus. */
export function SkipLinks() {
  return (
    <nav aria-label="Skip to" className="skip-links">
      {PLACES.map(({ id, name, key }) => (
        <a
          key={id}
          href={`#${id}`}
          className="act"
          onClick={(e) => {
            e.preventDefault()
            focusIn(id)
          }}
        >
          to the {name} ({key})
        </a>
      ))}
    </nav>
  )
}
