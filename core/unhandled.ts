/**
 * Stands at the end of a switch that gives nothing back: while a case is forgotten the call does not compile. One that
 * gives something back needs no such end: its type tells. Throws where data lies about its type, which is a bug of ours.
 */
export function unhandled(forgotten: never): never {
  throw new Error(`not handled: ${JSON.stringify(forgotten)}`)
}
