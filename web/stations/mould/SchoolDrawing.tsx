/** Strips mitred all round, from above. */
export function MitreDrawing() {
  return (
    <svg aria-hidden width="72" height="34" viewBox="0 0 72 34" className="mb-1 block">
      <path d="M17 8h38v16H17z" fill="var(--concrete)" stroke="var(--ink)" strokeWidth="1" />
      <g fill="var(--board)" stroke="var(--ink)" strokeWidth="1.3">
        <path d="M11 2h50l-6 6H17z M61 2v28l-6-6V8z M61 30H11l6-6h38z M11 30V2l6 6v16z" />
      </g>
    </svg>
  )
}

/** Where strips stand to the base, in section. */
export function SchoolDrawing({ wrap }: { wrap?: boolean }) {
  return (
    <svg aria-hidden width="72" height="34" viewBox="0 0 72 34" className="mb-1 block">
      <g fill="var(--board)" stroke="var(--ink)" strokeWidth="1.3">
        {wrap ? (
          <path d="M13 24h46v7H13z M5 5h8v26H5z M59 5h8v26h-8z" />
        ) : (
          <path d="M3 24h66v7H3z M9 5h8v19H9z M55 5h8v19h-8z" />
        )}
      </g>
      <path
        d={wrap ? 'M13 8h46v16H13z' : 'M17 8h38v16H17z'}
        fill="var(--concrete)"
        stroke="var(--ink)"
        strokeWidth="1"
      />
    </svg>
  )
}
