/**
 * What no person writes, in what the page shows: values that are none, a plural of one, a zero of what is counted, an
 * internal id. One sentence each. Runs inside the page, so it refers to nothing outside itself.
 */
export function wordFaults(): string[] {
  const counted =
    'bags|parts|sheets|screws|coats|batches|pours|turns|steps|pages|cartridges|panels|people|days|pieces|wires|layers|casts|holes|joints|straps'
  const wrong: readonly (readonly [RegExp, string])[] = [
    [/\b(undefined|NaN|Infinity|null)\b|\[object/, 'is no value'],
    [new RegExp(`(^|[^\\d.,/])1\\s?(${counted})\\b`), 'is a plural of one'],
    [new RegExp(`(^|[^\\d.,/])0\\s?(${counted})\\b`), 'counts what is not there'],
    [
      /\b(side|opening|piece|leg|insert|drainer|panel|letter|row|job|pour)-[a-z0-9]*\d[a-z0-9]*\b/,
      'is an id',
    ],
  ]
  const faults = new Set<string>()
  const drawn = [...document.querySelectorAll('svg text')].map((t) => t.textContent ?? '')
  for (const line of [...document.body.innerText.split('\n'), ...drawn])
    for (const [pattern, why] of wrong)
      if (pattern.test(line)) faults.add(`“${line.trim().slice(0, 80)}” ${why}`)
  return [...faults]
}
