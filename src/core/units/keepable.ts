/** No database and no file holds these: a null character, or half of a character that two code units make (a text cut in an emoji). */
const UNKEEPABLE = /[\0\p{Surrogate}]/gu

export const isKeepable = (text: string): boolean => text.search(UNKEEPABLE) < 0

/** A text without what cannot be kept: for one that was cut to length a moment ago. */
export const keepable = (text: string): string => text.replace(UNKEEPABLE, '')
