/** Where the starting figures of the stock come from. */
export const OWN = 'own starting value; the supplier’s sheet decides'
export const HANDBOOK = 'usual handbook value'
