/**
 * What no person writes, in what the page shows: values that are none, a plural of one, a zero of what is counted, an
 * internal id; where a page is read in US units, a metric one outside the names of `trade`. One sentence each. Runs inside the page, so it refers to nothing outside itself.
 */
export function wordFaults(trade: readonly string[] = []): string[] {
  // Where a page is read in US units, only names of the trade keep metric ones.
  const inUs = document.querySelector('button[aria-label^="Units: US"]') !== null
  const counted =
    'bags|parts|sheets|screws|coats|batches|pours|turns|steps|pages|cartridges|panels|people|days|pieces|wires|layers|casts|holes|joints|straps'
  const wrong: (readonly [RegExp, string])[] = [
    [/\b(undefined|NaN|Infinity|null)\b|\[object/, 'is no value'],
    [new RegExp(`(^|[^\\d.,/])1\\s?(${counted})\\b`), 'is a plural of one'],
    [new RegExp(`(^|[^\\d.,/])0\\s?(${counted})\\b`), 'counts what is not there'],
    [
      /\b(side|opening|piece|leg|insert|drainer|panel|letter|row|job|pour)-[a-z0-9]*\d[a-z0-9]*\b/,
      'is an id',
    ],
  ]
  if (inUs)
    wrong.push(
      [
        /\d\s?(mm|cm|m|kg|g|L|ml|mL|MPa|kPa|N|°C|degC|m²|m³|kg\/m\S*|km\/h)(?![\p{L}\p{N}’])/u,
        'is in metric units',
      ],
      [/\d\.\d+"/, 'has decimals of an inch'],
    )
  const faults = new Set<string>()
  const drawn = [...document.querySelectorAll('svg text')].map((t) => t.textContent ?? '')
  // What is called by a size of the trade keeps it.
  const bare = (line: string) => trade.reduce((text, name) => text.split(name).join(''), line)
  for (const line of [...document.body.innerText.split('\n'), ...drawn].map(bare))
    for (const [pattern, why] of wrong)
      if (pattern.test(line)) faults.add(`“${line.trim().slice(0, 80)}” ${why}`)
  return [...faults]
}
