/** How much is kept, or how far is looked: bounds memory and time. It is no number of the model, so it needs no source. */
export const workLimit = (count: number): number => count
