/** How many random cases a property looks at: a few in the usual test run, all of them by `npm run properties`. */
const env = (globalThis as { process?: { env: Record<string, string | undefined> } }).process?.env
export const FULL = env?.PROPERTIES === 'full'
export const rounds = (few: number, all: number): number => (FULL ? all : few)
