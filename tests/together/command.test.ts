import { together } from '@/tests/together/together'

together('command')
