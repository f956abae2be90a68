import type { ContentEntry } from '@/src/core/job/entry'
import type { JobState } from '@/src/core/job/job-state'
import { findCable, findEnds, findLead, findPart, findPlace, isGroundWord, isLifted } from '@/src/core/job/quick-line-names'
import { isAmbiguous, type Token } from '@/src/core/job/quick-line-tokens'
import type { Probe } from '@/src/core/readings/check'
import type { CallName } from '@/src/core/wiring/call'
import { CHASSIS, type Point, parsePoint, pinPoint, terminalPoint } from '@/src/core/wiring/point'
import { callsOf, partById, placeById, type System } from '@/src/core/wiring/system'

export interface CommandContext {
  readonly system: System
  readonly state: JobState
  readonly lastEntry: ContentEntry | null
  readonly suspects: readonly { readonly id: string; readonly zone: string | null; readonly repair: string | null }[]
  readonly proposed: Probe | null
}

/** Thrown inside the parser only, to leave a deep place with a sentence and a position. */
export class Misread extends Error {
  constructor(
    readonly problem: string,
    readonly start: number,
    readonly end: number,
  ) {
    super(problem)
  }
}

interface SaidPoint {
  readonly token: Token
  readonly cable: string | null
  readonly lifted: boolean
  readonly place: string | null
}

export interface SaidPair {
  readonly first: SaidPoint
  readonly second: SaidPoint
  readonly place: string | null
}

/** What a meter shows, or a hand says, of no connection. */
export const isOverload = (word: string): boolean => /^(ol|open|infinite|infinity|overload)$/i.test(word)

/** Walks the tokens of a line from left to right; every failure knows the word it stands at. */
class TokenReader {
  protected at = 0

  constructor(
    protected readonly line: string,
    protected readonly tokens: readonly Token[],
    protected readonly context: CommandContext,
  ) {}

  protected peek(): Token | undefined {
    return this.tokens[this.at]
  }

  /** Several words in a row, or none of them. */
  protected acceptWords(text: string): boolean {
    const words = text.toLowerCase().split(' ')
    if (words.some((word, index) => this.tokens[this.at + index]?.text.toLowerCase() !== word)) return false
    this.at += words.length
    return true
  }

  protected accept(text: string): boolean {
    if (this.peek()?.text.toLowerCase() !== text.toLowerCase()) return false
    this.at++
    return true
  }

  protected expect(text: string, problem: string): void {
    if (!this.accept(text)) this.fail(problem)
  }

  protected word(problem: string): Token {
    const token = this.peek()
    if (token?.kind !== 'word') this.fail(problem)
    this.at++
    return token as Token
  }

  protected number(): number {
    const token = this.peek()
    if (token?.kind === 'number' && isAmbiguous(token.text)) {
      const whole = token.text.replaceAll(',', '')
      this.failAt(`Is "${token.text}" ${whole} or ${token.text.replace(',', '.')}? Type it without the comma.`, token)
    }
    if (token?.kind !== 'number' || !Number.isFinite(token.value)) this.fail('A number is missing here.')
    this.at++
    return (token as Token).value
  }

  protected oneOf<T>(choices: { readonly [said: string]: T }, problem: string): T {
    const token = this.peek()
    const key = token?.text.toLowerCase() ?? ''
    if (!Object.hasOwn(choices, key)) this.fail(problem)
    this.at++
    return choices[key]
  }

  protected rest(problem: string): string {
    const token = this.peek()
    if (!token) this.fail(problem)
    this.at = this.tokens.length
    return this.line.slice(token?.start).trim()
  }

  protected fail(problem: string): never {
    const token = this.peek()
    throw new Misread(problem, token?.start ?? this.line.length, token?.end ?? this.line.length)
  }

  protected failAt(problem: string, token: Token): never {
    throw new Misread(problem, token.start, token.end)
  }
}

/** Reads what lines are made of: points, conductors, places, parts, calls, in the words of this system. */
export class PointReader extends TokenReader {
  /** Two points; a place said once, at either or after both, holds for both. */
  protected pair(): [Point, Point] {
    return this.resolveBoth(this.twoPoints(), null)
  }

  /** A part by its name: its own two leads while it is unplugged, else the two that it hangs on. */
  protected acrossPart(): [Point, Point] | null {
    const { system, state } = this.context
    const id = findPart(system, this.peek()?.text ?? '')
    const part = id === null ? undefined : partById(system, id)
    if (part?.kind !== 'switch' && part?.kind !== 'coil') return null
    this.at++
    if (state.bench.unplugged.includes(part.id)) return [pinPoint(part, 0), pinPoint(part, 1)]
    return [terminalPoint(part.between[0], part.place), terminalPoint(part.between[1], part.place)]
  }

  /** Two points as they are said, before it is known where; the place may still follow. */
  protected twoPoints(): SaidPair {
    const first = this.point()
    if (!this.accept('-') && !this.accept('to')) this.accept('and')
    return { first, second: this.point(), place: this.atPlace() }
  }

  protected resolveBoth({ first, second, place }: SaidPair, later: string | null): [Point, Point] {
    const home = place ?? later ?? first.place ?? second.place ?? this.context.state.bench.place
    return [this.resolve(first, home), this.resolve(second, home)]
  }

  protected point(): SaidPoint {
    const lifted = this.accept('lifted')
    const cable = this.cable()
    const token = this.word('Name two points, as in R-C 26.4 or Y-gnd OL.')
    const at = token.text.indexOf('@')
    return { token, cable, lifted, place: at < 0 ? null : token.text.slice(at + 1) }
  }

  protected resolve(point: SaidPoint, home: string): Point {
    const { system, state } = this.context
    const { token } = point
    if (point.place !== null) return isGroundWord(token.text.split('@')[0]) ? `${CHASSIS}@${point.place}` : token.text
    if (point.cable !== null || point.lifted) {
      const ends = findEnds(system, token.text, home, point.cable).filter((end) => !point.lifted || isLifted(state.bench, end))
      return this.oneEnd(ends, token, home)
    }
    const lead = findLead(system, token.text, home)
    if (lead) return lead
    const ends = findEnds(system, token.text, home, null)
    if (ends.length === 0) {
      const place = placeById(system, home)
      this.failAt(
        `There is no "${token.text}" at the ${this.placeName(home)}. It has ${[...(place?.terminals ?? []), ...(place?.metal ? ['chassis (gnd)'] : [])].join(', ')}.`,
        token,
      )
    }
    return this.oneEnd(ends, token, home)
  }

  protected conductor(wanted: (end: Point) => boolean): Point {
    const { system, state } = this.context
    const cable = this.cable()
    const token = this.word('Say which conductor, as in lift outdoor Y at indoor.')
    const place = this.atPlace() ?? state.bench.place
    if (token.text.includes('@')) return token.text
    const [dotted, conductor] = token.text.includes('.') ? token.text.split('.') : [null, token.text]
    const ends = findEnds(system, conductor, place, cable ?? dotted)
    const fitting = ends.filter(wanted)
    return this.oneEnd(fitting.length > 0 ? fitting : ends, token, place)
  }

  protected oneEnd(ends: readonly Point[], token: Token, place: string): Point {
    if (ends.length === 0) this.failAt(`There is no conductor "${token.text}" at the ${this.placeName(place)}.`, token)
    if (ends.length > 1) {
      const cables = ends.map((end) => `${parsePoint(end).cable} ${parsePoint(end).name}`)
      this.failAt(`More than one conductor answers to "${token.text}" at the ${this.placeName(place)}: say ${cables.join(' or ')}.`, token)
    }
    return ends[0]
  }

  protected place(): string {
    const token = this.word('Say the place.')
    const found = findPlace(this.context.system, token.text)
    if (!found)
      this.failAt(`There is no place "${token.text}". Places: ${this.context.system.places.map((place) => place.id).join(', ')}.`, token)
    return found as string
  }

  /** `at outdoor`; or the place alone, where no point could stand: before the value, or at the end. */
  protected atPlace(): string | null {
    if (this.accept('at')) return this.place()
    const token = this.peek()
    const next = this.tokens[this.at + 1]
    const isLast = next === undefined || next.kind === 'number' || isOverload(next.text)
    const found = token?.kind === 'word' && isLast ? findPlace(this.context.system, token.text) : null
    if (found !== null) this.at++
    return found
  }

  protected cable(): string | null {
    const token = this.peek()
    const next = this.tokens[this.at + 1]
    if (!token || next?.kind !== 'word') return null
    const found = findCable(this.context.system, token.text)
    if (found) this.at++
    return found
  }

  protected part(): string {
    const token = this.word('Say what is unplugged or plugged in.')
    const found = findPart(this.context.system, token.text)
    if (!found) this.failAt(`There is no part "${token.text}" here.`, token)
    return found as string
  }

  protected placeName(place: string): string {
    return placeById(this.context.system, place)?.name ?? place
  }

  /** A call as it is typed: `cool`, `cool2`, and `cool zone 2` for what another zone's thermostat asks. */
  protected callName(): 'off' | CallName {
    const named = this.firstZoneCall()
    if (named === 'off' || !this.accept('zone')) return named
    const zone = this.peek()
    const zoned = this.number() === 1 ? named : callsOf(this.context.system).find((call) => call === `${named}-zone-${zone?.value}`)
    if (zoned === undefined && zone) this.failAt(`There is no such call here. ${this.sayCalls()}`, zone)
    return zoned ?? named
  }

  private sayCalls(): string {
    const typed = callsOf(this.context.system).map((call) => (call.includes('zone') ? call.replaceAll('-', ' ') : call.replace('-', '')))
    return `Say the call: off, ${typed.join(', ')}.`
  }

  private firstZoneCall(): 'off' | CallName {
    return this.oneOf(
      {
        off: 'off' as const,
        fan: 'fan' as const,
        cool: 'cool' as const,
        cooling: 'cool' as const,
        heat: 'heat' as const,
        heating: 'heat' as const,
        cool2: 'cool-2' as const,
        heat2: 'heat-2' as const,
        emergency: 'emergency' as const,
      },
      this.sayCalls(),
    )
  }
}
