/** Drafting hatches of the stage, one for each material, the same in plan and section. */
export function Hatches() {
  return (
    <defs>
      <pattern id="hatch-concrete" width="46" height="38" patternUnits="userSpaceOnUse">
        <rect width="46" height="38" fill="var(--concrete)" />
        <g fill="none" stroke="var(--concrete-mark)" strokeWidth="1">
          <path d="M6 9l6-3 2 5z M31 26l5 2-4 4z M27 6l3 1-1 3z" />
        </g>
        <g fill="var(--concrete-mark)">
          <circle cx="19" cy="17" r="0.9" />
          <circle cx="40" cy="12" r="0.8" />
          <circle cx="10" cy="29" r="0.9" />
          <circle cx="23" cy="33" r="0.7" />
          <circle cx="42" cy="35" r="0.8" />
        </g>
      </pattern>
      <pattern id="hatch-board" width="40" height="7" patternUnits="userSpaceOnUse">
        <rect width="40" height="7" fill="var(--board)" />
        <path d="M0 2h24M30 2h10M0 5.5h9M14 5.5h26" stroke="var(--board-mark)" strokeWidth="0.8" />
      </pattern>
      <pattern id="hatch-board-up" width="7" height="40" patternUnits="userSpaceOnUse">
        <rect width="7" height="40" fill="var(--board)" />
        <path d="M2 0v24M2 30v10M5.5 0v9M5.5 14v26" stroke="var(--board-mark)" strokeWidth="0.8" />
      </pattern>
      <pattern id="hatch-card" width="6" height="6" patternUnits="userSpaceOnUse">
        <rect width="6" height="6" fill="var(--card)" />
        <path d="M0 3h6" stroke="var(--board-mark)" strokeWidth="1.4" />
      </pattern>
      <pattern id="hatch-rubber" width="9" height="9" patternUnits="userSpaceOnUse">
        <rect width="9" height="9" fill="var(--rubber)" />
        <path d="M-1 10l11-11M-1 1l2-2M8 10l2-2" stroke="var(--rubber-mark)" strokeWidth="1.1" />
      </pattern>
      <pattern id="hatch-foam" width="8" height="8" patternUnits="userSpaceOnUse">
        <rect width="8" height="8" fill="var(--foam)" />
        <path d="M0 4l2-2 2 2 2-2 2 2" fill="none" stroke="var(--foam-mark)" strokeWidth="0.9" />
      </pattern>
      <pattern id="hatch-print" width="10" height="4" patternUnits="userSpaceOnUse">
        <rect width="10" height="4" fill="var(--print)" />
        <path d="M0 2h10" stroke="var(--print-mark)" strokeWidth="1" />
      </pattern>
      <pattern id="hatch-plaster" width="12" height="12" patternUnits="userSpaceOnUse">
        <rect width="12" height="12" fill="var(--plaster)" />
        <path d="M2 3h2M8 5h2M4 9h2M10 10h1" stroke="var(--plaster-mark)" strokeWidth="1.2" />
      </pattern>
      <pattern id="hatch-earth" width="14" height="10" patternUnits="userSpaceOnUse">
        <rect width="14" height="10" fill="var(--earth)" />
        <path d="M1 3l3-2M8 4l3-2M4 9l3-2M11 9l2-1" stroke="var(--earth-mark)" strokeWidth="1.1" />
      </pattern>
    </defs>
  )
}

export const HATCH_OF = {
  concrete: 'url(#hatch-concrete)',
  board: 'url(#hatch-board)',
  card: 'url(#hatch-card)',
  rubber: 'url(#hatch-rubber)',
  foam: 'url(#hatch-foam)',
  print: 'url(#hatch-print)',
  plaster: 'url(#hatch-plaster)',
  earth: 'url(#hatch-earth)',
  sealant: 'var(--sealant)',
  steel: 'var(--steel)',
} as const
