import { together } from '@/tests/together/together'

together(__filename)
