import '@testing-library/jest-dom'
import { configure } from '@testing-library/react'

// The real core answers on this thread, on a machine that may be busy.
configure({ asyncUtilTimeout: 20_000 })
jest.setTimeout(60_000)
