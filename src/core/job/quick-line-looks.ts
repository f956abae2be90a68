import type { EntryDraft } from '@/src/core/job/entry'
import { findCable, findEnds, findPart, findPlace } from '@/src/core/job/quick-line-names'
import { PointReader } from '@/src/core/job/quick-line-points'
import type { Token } from '@/src/core/job/quick-line-tokens'
import type { Probe } from '@/src/core/readings/check'
import { bareWord, LANDED, LANDINGS, RUNS, stripFindings, WIRING, wrongOn } from '@/src/core/readings/looks'
import { wordsFor } from '@/src/core/readings/predict'
import { zonesOf } from '@/src/core/wiring/system'

/** The part of the grammar for what is seen and heard: parts, landings, marks along the wiring. */
export class LookReader extends PointReader {
  /** `thermostat blank`, `contactor in`. */
  protected look(): EntryDraft[] | null {
    const first = this.peek()
    if (!first || this.tokens.length !== 2) return null
    const at = findPart(this.context.system, first.text)
    if (!at) return null
    const probe: Probe = { meter: 'look', at }
    const words = wordsFor(this.context.system, probe)
    this.at = 1
    const token = this.word(`Say one of: ${words.join(', ')}.`)
    const word = words.find((candidate) => candidate === token.text.toLowerCase())
    if (!word) this.failAt(`The ${first.text} is one of: ${words.join(', ')}.`, token)
    return [{ kind: 'reading', probe, answer: { word: word as string } }]
  }

  /** `outdoor as called`, `indoor not as called`. */
  protected whatRuns(): EntryDraft[] | null {
    const said = this.tokens.map(({ text }) => text.toLowerCase())
    const place = findPlace(this.context.system, said[0])
    const word = ['as called', 'not as called'].find((candidate) => said.slice(1).join(' ') === candidate)
    if (place === null || word === undefined) return null
    this.at = this.tokens.length
    return [{ kind: 'reading', probe: { meter: 'look', at: `${RUNS}${place}` }, answer: { word } }]
  }

  /** `landings ok at indoor`, `landings corroded`, `landings outdoor Y off at indoor`, `landings outdoor Y wrong`. */
  protected landings(): EntryDraft[] {
    const whole = this.wholeStrip()
    if (whole !== null) {
      const place = this.atPlace() ?? this.context.state.bench.place
      return [{ kind: 'reading', probe: { meter: 'look', at: `${LANDINGS}${place}` }, answer: { word: whole } }]
    }
    const cable = this.cable()
    const name = this.word('Say "landings ok", "landings corroded", or which conductor is off: landings outdoor Y off.')
    for (const filler of ['is', 'landed']) this.accept(filler)
    const found = this.oneOf(
      { off: 'off', wrong: 'wrong', on: 'on' },
      'Say "off" for a wire that is off, or "on" and the terminal that it is on: landings outdoor C on Y.',
    )
    const screw = found === 'on' ? this.word('Say on which terminal it is: landings outdoor C on Y.') : null
    const place = this.atPlace() ?? this.context.state.bench.place
    const end = this.oneEnd(findEnds(this.context.system, name.text, place, cable), name, place)
    const word = screw ? wrongOn(end, this.terminalAt(place, screw)) : `${found}: ${end}`
    return [{ kind: 'reading', probe: { meter: 'look', at: `${LANDINGS}${place}` }, answer: { word } }]
  }

  private terminalAt(place: string, said: Token): string {
    const terminals = this.context.system.places.find(({ id }) => id === place)?.terminals ?? []
    const found = terminals.find((terminal) => terminal.toLowerCase() === said.text.toLowerCase())
    if (found === undefined)
      this.failAt(`There is no terminal "${said.text}" at the ${this.placeName(place)}: ${terminals.join(', ')}.`, said)
    return found as string
  }

  /** `bare Y in the outdoor cable`, `bare outdoor Y`: copper that shows. */
  protected bareCopper(): EntryDraft[] {
    this.accept('copper')
    this.accept('on')
    const before = this.cable()
    const name = this.word('Say which conductor shows copper: bare outdoor Y.')
    for (const filler of ['in', 'on', 'of', 'the']) this.accept(filler)
    const cable = before ?? this.cable()
    const { system } = this.context
    const found = system.cables.filter(
      ({ id, conductors }) =>
        (cable === null || id === cable) && conductors.some((one) => one.id.toLowerCase() === name.text.toLowerCase()),
    )
    if (found.length !== 1)
      this.failAt(
        found.length === 0
          ? `There is no conductor "${name.text}"${cable === null ? '' : ` in the ${cable}`}.`
          : `Say in which cable: ${found.map(({ name: one }) => one).join(', ')}.`,
        name,
      )
    const [{ id, conductors }] = found
    const conductor = conductors.find((one) => one.id.toLowerCase() === name.text.toLowerCase())?.id ?? name.text
    return [{ kind: 'reading', probe: { meter: 'look', at: `${WIRING}${id}` }, answer: { word: bareWord(conductor) } }]
  }

  /** What is said of all landings of a place at once. */
  private wholeStrip(): string | null {
    if (this.accept('ok') || this.accept('good') || this.accept('all')) {
      this.accept('landed')
      return LANDED
    }
    return stripFindings.find((word) => this.accept(word)) ?? null
  }

  /** `rubbed at the outdoor cable`, `chewed stat cable`, `scorched indoor`. */
  protected mark(mark: string): EntryDraft[] {
    for (const filler of ['at', 'in', 'on', 'along', 'the']) this.accept(filler)
    const { system } = this.context
    const token = this.word(
      `Say where: ${zonesOf(system)
        .map(({ name }) => name)
        .join(', ')}.`,
    )
    const isCable = this.accept('cable')
    const zone = isCable ? findCable(system, token.text) : (findPlace(system, token.text) ?? findCable(system, token.text))
    if (zone === null)
      this.failAt(
        `There is no "${token.text}" here. Say one of: ${zonesOf(system)
          .map(({ name }) => name)
          .join(', ')}.`,
        token,
      )
    this.accept('unit')
    return [{ kind: 'reading', probe: { meter: 'look', at: `${WIRING}${zone}` }, answer: { word: mark } }]
  }
}
