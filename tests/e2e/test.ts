import { test as base, expect } from '@playwright/test'

/** A browser test that fails where a page throws: what is drawn anew after such an error looks well again, and has lost a tap. */
export const test = base.extend<{ nothingThrown: undefined }>({
  nothingThrown: [
    async ({ context }, use) => {
      const thrown: string[] = []
      context.on('weberror', (error) => thrown.push(`${error.page()?.url()}: ${error.error().message}`))
      await use(undefined)
      expect(thrown).toEqual([])
    },
    { auto: true },
  ],
})
