'use client'
import { turnAloud, useAloud } from '@/src/ui/aloud/voice'
import { Button } from '@/src/ui/controls/button'
import { Sheet } from '@/src/ui/controls/sheet'
import { Tick } from '@/src/ui/controls/tick'
import { toggleTheme } from '@/src/ui/theme/theme'

const keys: readonly (readonly [string, string])[] = [
  ['/', 'type in the quick line'],
  ['↑ ↓ →', 'in the quick line: earlier lines; finish the word'],
  ['Alt 1 … 4', 'in the quick line: take the first, second … of what it may mean'],
  ['1 … 7', 'open a step'],
  ['a s d f g', 'answer the next check: first, second, …'],
  ['k', 'type the reading, or find another answer'],
  ['x', "can't do this check"],
  ['w', 'why this check, and other ways of working'],
  ['m', 'to the loom; arrows move, Enter picks a point'],
  ['Esc', 'clear probes, close a panel'],
  ['b', 'change the bench'],
  ['t', 'timeline'],
  ['u', 'undo the last entry'],
  ['z', 'attic or roof colors'],
  ['?', 'this list'],
]

const lines: readonly (readonly [string, string])[] = [
  ['R-C 26.4', 'a reading; the place is where you stand'],
  ['outdoor Y-gnd OL at indoor', 'ohms on a lifted end, power off'],
  ['0.27 A on R', 'clamp amps'],
  ['trip on cool', 'set the thermostat to cool; it tripped'],
  ['holds on fan', 'set it to fan; it held'],
  ['lift outdoor Y at indoor', 'take a wire off; “land” puts it back'],
  ['jumper R Y', '“unjumper R Y” takes it out'],
  ['breaker in', 'also: fuse 3 in, fuse out, reset'],
  ['power off', 'also: power on, call cool, call off'],
  ['walk outdoor', 'where you stand'],
  ['landings ok', 'also: landings corroded, landings outdoor Y off, landings outdoor Y wrong'],
  ['contactor in', 'what you see; also: thermostat blank, fuse blown'],
  ['… ; …', 'several in one line, separated by ; or then'],
  ['note …', 'anything worth keeping'],
  ['undo', 'undo the last entry'],
]

/** Every key and every kind of quick line. */
export function HelpSheet(props: { open: boolean; onOpenChange: (open: boolean) => void }) {
  const { canSpeak, isOn } = useAloud()
  return (
    <Sheet {...props} title="Keys and quick lines">
      <Button onClick={toggleTheme} className="mb-3">
        Attic or roof colors
      </Button>
      {canSpeak && (
        <div className="mb-3">
          <Tick checked={isOn} onChange={turnAloud}>
            read the next check aloud with the key v, in a voice of this device
          </Tick>
        </div>
      )}
      <Table name="Keys" rows={isOn ? [...keys, ['v', 'read the next check aloud']] : keys} />
      <Table name="Quick line" rows={lines} />
    </Sheet>
  )
}

function Table({ name, rows }: { name: string; rows: readonly (readonly [string, string])[] }) {
  return (
    <table className="mb-4 w-full">
      <caption className="mb-1 text-left font-bold">{name}</caption>
      <tbody>
        {rows.map(([key, say]) => (
          <tr key={key} className="border-line border-b">
            <th scope="row" className="py-1.5 pr-3 text-left font-mono font-normal">
              {key}
            </th>
            <td className="py-1.5 text-muted">{say}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
