import type { Offer } from '@/src/core/job/offer-schema'

type Option = Offer['options'][number]

/** Null when the answer is one of the options, else a sentence. */
export const problemWithOffer = ({ options, answer }: Offer): string | null =>
  typeof answer === 'number' && answer >= options.length
    ? `There is no option ${answer + 1}: ${options.length === 1 ? 'one was' : `${options.length} were`} given. Nothing was changed.`
    : null

export const sayOption = ({ does, hours, price }: Option): string =>
  `${does} (${Number(hours.toFixed(1))} h${price === null ? '' : `, ${price.toFixed(2)}`})`

export function sayOffer({ options, answer }: Offer): string {
  const given = options.map(sayOption).join(', or ')
  if (answer === 'declined') return `options given and declined: ${given}`
  if (answer === 'open') return `options given: ${given}`
  const taken = options[answer]
  return taken ? `customer takes: ${sayOption(taken)}` : `options given: ${given}`
}

/** Each option with what became of it: the page that stays says all of them. */
export const sayOutcomes = ({ options, answer }: Offer): string[] =>
  options.map((option, index) => {
    const outcome = answer === index ? 'taken' : answer === 'open' ? 'no answer yet' : 'declined'
    return `${sayOption(option)}: ${outcome}.${option.notCovered ? ` Not covered: ${option.notCovered}.` : ''}`
  })
