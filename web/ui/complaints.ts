/** What a schema refuses, as a sentence: `at most 100,000` is `At most 100,000.` */
export const sentenceOf = (message: string): string =>
  message.replace(/^./, (c) => c.toUpperCase()).replace(/([^.])$/, '$1.')
