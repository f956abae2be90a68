/** Text for quantities, in the trade's units. */

export function sayVolts(volts: number): string {
  if (volts > 0 && volts < 0.1) return `${Math.round(volts * 1000)} mV`
  return `${trim(volts, volts < 10 ? 2 : 1)} V`
}

export function sayOhms(ohms: number | 'OL'): string {
  if (ohms === 'OL') return 'OL'
  if (ohms >= 1e6) return `${trim(ohms / 1e6, 1)} Mohm`
  if (ohms >= 1e3) return `${trim(ohms / 1e3, 1)} kohm`
  return `${trim(ohms, ohms < 100 ? 1 : 0)} ohm`
}

export function sayAmps(amps: number): string {
  return `${trim(amps, amps < 1 ? 2 : 1)} A`
}

export function sayMinutes(minutes: number): string {
  if (minutes < 0.75) return 'half a minute'
  return `${trim(minutes, minutes < 10 ? 1 : 0)} min`
}

/** What is left of a wait: 40 s, 3:12. */
export const sayCountdown = (seconds: number): string =>
  seconds < 60 ? `${seconds} s` : `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`

export function sayPercent(probability: number): string {
  if (probability > 0 && probability < 0.005) return 'under 1 %'
  if (probability < 1 && probability > 0.995) return 'over 99 %'
  return `${Math.round(probability * 100)} %`
}

function trim(value: number, digits: number): string {
  return String(Number(value.toFixed(digits)))
}
