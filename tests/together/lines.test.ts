import { together } from '@/tests/together/together'

together('lines')
