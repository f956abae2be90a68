/** A complex number in rectangular form. Phasors are RMS; impedances in ohm, admittances in siemens. */
export interface Complex {
  readonly re: number
  readonly im: number
}

export const complex = (re: number, im = 0): Complex => ({ re, im })

/** A phasor of a size, turned by degrees. */
export const polar = (size: number, degrees: number): Complex =>
  degrees === 0 ? complex(size) : complex(size * Math.cos((degrees * Math.PI) / 180), size * Math.sin((degrees * Math.PI) / 180))

export const multiply = (a: Complex, b: Complex): Complex => ({
  re: a.re * b.re - a.im * b.im,
  im: a.re * b.im + a.im * b.re,
})

export const scale = (a: Complex, factor: number): Complex => ({ re: a.re * factor, im: a.im * factor })

export const add = (a: Complex, b: Complex): Complex => ({ re: a.re + b.re, im: a.im + b.im })

export const subtract = (a: Complex, b: Complex): Complex => ({ re: a.re - b.re, im: a.im - b.im })

export const magnitude = (a: Complex): number => Math.hypot(a.re, a.im)

/** 1/a. Throws on zero: an impedance of exactly zero has to be modelled as a link instead. */
export function reciprocal(a: Complex): Complex {
  const square = a.re * a.re + a.im * a.im
  if (square === 0) throw new Error('reciprocal of zero impedance: model it as a link')
  return { re: a.re / square, im: -a.im / square }
}
