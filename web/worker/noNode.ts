/** Stands for what only Node has: a browser never gets here. */
export const createRequire = (): never => {
  throw new Error('there is no require in a browser')
}
