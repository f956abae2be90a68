import type { z } from 'zod'

/** The sentence of the first problem of a failed parse, with the path to it. */
export function sayIssue(error: z.ZodError): string {
  const [issue] = error.issues
  const path = issue.path.join('.')
  return path ? `${path}: ${issue.message}` : issue.message
}
