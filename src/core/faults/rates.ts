import { modelValue } from '@/src/core/units/model-value'
/** A conductor or lead outdoors sees sun, vibration and tools. */
export const OUTDOOR_TIMES = modelValue({ value: 2, unit: 'times', source: 'assumption' })

/** Metal rubbed onto metal. */
export const SOLID_SHORT_OHM = modelValue({ value: 0.2, unit: 'ohm', source: 'assumption' })
/** A coil with its turns shorted. */
export const SHORTED_COIL_OHM = modelValue({ value: 1.2, unit: 'ohm', source: 'assumption' })
/** A contact that welded shut. */
export const WELDED_OHM = modelValue({ value: 0.08, unit: 'ohm', source: 'assumption' })

/** Milder shorts: through dirt, moisture or soot. */
export const RESISTIVE_SHORTS = modelValue({
  value: [
    { ohm: 3, share: 0.1 },
    { ohm: 20, share: 0.06 },
  ] as const,
  unit: 'ohm, share of the cases',
  source: 'assumption; engine.md section 5 asks for log-spaced values',
})
/** Soot, moisture or a relay half made between two contacts of a thermostat. */
export const LEAKING_CONTACT = modelValue({
  value: { ohm: 80, share: 0.3 } as const,
  unit: 'ohm, share of the cases',
  source: 'assumption',
})
/** Two outputs of a thermostat's base that touch, through a spring or a tag. */
export const JOINED_OHM = modelValue({ value: 0.4, unit: 'ohm', source: 'assumption' })
/** What an added relay, a lamp or a humidifier's valve is, across a coil. */
export const ACCESSORY_OHM = modelValue({ value: 16, unit: 'ohm', source: 'assumption' })
/** The same, from a relay that pulls hard to a lamp or a valve. */
export const OTHER_ACCESSORIES = modelValue({
  value: [
    { ohm: 9, share: 0.28 },
    { ohm: 30, share: 0.2 },
  ] as const,
  unit: 'ohm, share of the cases',
  source: 'assumption: coils of added relays read 8 to 40 ohm',
})
/** A coil with a few turns shorted. */
export const WEAK_COIL = modelValue({ value: { ohm: 4, share: 0.25 } as const, unit: 'ohm, share of the cases', source: 'assumption' })
/** A loose joint in the line, warm and sooty to open but for a thread: what is left across its load is any part of the volts. */
export const LOOSE_LINE_JOINTS = modelValue({
  value: [
    { ohm: 60, share: 0.25 },
    { ohm: 2500, share: 0.25 },
  ] as const,
  unit: 'ohm, share of the cases',
  source: 'assumption',
})
/** Pitted faces of a line contact: some volts under a motor's amps, to nearly all of them. */
export const PITTED_FACES = modelValue({
  value: [
    { ohm: 0.2, share: 0.08 },
    { ohm: 0.8, share: 0.08 },
    { ohm: 60, share: 0.2 },
    { ohm: 2500, share: 0.14 },
  ] as const,
  unit: 'ohm, share of the cases',
  source: 'assumption, log-spaced',
})
/** Moisture across a connector. */
export const WET_OHM = modelValue({ value: 800, unit: 'ohm', source: 'engine.md section 5' })
/** A winding that sags under load. */
export const WEAK_WINDING_OHM = modelValue({ value: 25, unit: 'ohm', source: 'assumption' })
/** One that sags more, to where nothing lives on it even at rest, or less: at the least, its volts pass for good until two calls are on. */
export const SAGGING_WINDINGS = modelValue({
  value: [
    { ohm: 55, share: 0.1 },
    { ohm: 13, share: 0.15 },
    { ohm: 7, share: 0.1 },
    { ohm: 4, share: 0.15 },
  ] as const,
  unit: 'ohm, share of the cases',
  source: 'assumption, log-spaced',
})
/** A fuse clip without its spring. */
export const LOOSE_CLIP_OHM = modelValue({ value: 30, unit: 'ohm', source: 'assumption' })
/** A clip or a strap that somebody left between two terminals. */
export const STRAP_OHM = modelValue({ value: 0.05, unit: 'ohm', source: 'assumption' })
/** What joins the commons of two transformers, through a wire or the metal. */
export const COMMONS_JOINED_OHM = modelValue({ value: 0.3, unit: 'ohm', source: 'assumption' })
/** A corroded joint. */
export const CORRODED_JOINT = modelValue({
  value: { ohm: 60, share: 0.12 } as const,
  unit: 'ohm, share of open conductors',
  source: 'engine.md section 5; the share is an assumption',
})
/** Faults that come and go. */
export const INTERMITTENT_SHARE = modelValue({ value: 0.05, unit: 'share of wiring faults', source: 'engine.md section 7' })
/** Such a one shows in a reading; for all readings of a bench that nobody moved, or for none. */
export const INTERMITTENT_SHOWS = modelValue({ value: 0.4, unit: 'chance', source: 'engine.md section 7' })
/** Of faults that come and go in joints, windings and contacts, those that open with the heat. */
export const WARM_SHARE = modelValue({ value: 0.4, unit: 'share', source: 'assumption' })
/** How often such a one is open so long after its call. */
export const WARM_SHOWS = modelValue({
  value: { moment: 0.06, minute: 0.4, minutes: 0.92, long: 0.95 } as const,
  unit: 'chance',
  source: 'assumption',
})
