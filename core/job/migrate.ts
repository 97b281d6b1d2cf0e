type Raw = Record<string, unknown>

/** One step a version: `steps[n]` turns a document of version n into n + 1. Version 1 is the first. */
const steps: Readonly<Record<number, (raw: Raw) => Raw>> = {}

/** Brings an older document up to the version this program writes, step by step. */
export function migrate(raw: Raw, from: number): Raw {
  let data = raw
  for (let version = from; steps[version]; version += 1)
    data = { ...steps[version]!(data), version: version + 1 }
  return data
}
