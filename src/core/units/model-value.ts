/** A number of the model, with its unit and where it comes from. What it stands for is said in the comment above its constant. */
interface ModelValue<T> {
  readonly value: T
  readonly unit: string
  /** A standard, a data sheet, the design, or "assumption". */
  readonly source: string
}

/**
 * The value itself. Each constant that is made so is a line of docs/model-values.md, which `npm run values` writes from the source
 * text; whoever reads a number there finds the constant by its name.
 */
export const modelValue = <T>({ value }: ModelValue<T>): T => value
