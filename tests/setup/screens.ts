import '@testing-library/jest-dom'
import { configure } from '@testing-library/react'

// The real core answers on this thread, on a machine that may be busy.
configure({ asyncUtilTimeout: 20_000 })
jest.setTimeout(60_000)

// The document under test has no structured clone, which the device's database makes of what it keeps.
globalThis.structuredClone ??= (value: unknown) => JSON.parse(JSON.stringify(value))
