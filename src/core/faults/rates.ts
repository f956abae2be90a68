/** A conductor or lead outdoors sees sun, vibration and tools: assumption. */
export const outdoorTimes = 2

/** Resistance of metal rubbed onto metal, and of shorted turns: assumption. */
export const SOLID_SHORT_OHM = 0.2
export const SHORTED_COIL_OHM = 1.2
/** A contact that welded shut: assumption. */
export const WELDED_OHM = 0.08

/** Milder damage and its share of the cases: assumptions; engine.md section 5 asks for log-spaced values. */
export const resistiveShorts = [
  { ohm: 3, share: 0.1 },
  { ohm: 20, share: 0.06 },
] as const
/** Soot, moisture or a relay half made between two contacts of a thermostat, and its share: assumption. */
export const LEAKING_CONTACT = { ohm: 80, share: 0.3 } as const
/** Two outputs of a thermostat's base that touch, through a spring or a tag: assumption. */
export const JOINED_OHM = 0.4
/** What an added relay, a lamp or a humidifier's valve draws across a coil: assumption. */
export const ACCESSORY_OHM = 16
export const WEAK_COIL = { ohm: 4, share: 0.25 } as const
/** A loose joint in the line, and moisture across a connector (engine.md section 5: some 800 ohm): assumptions. */
export const LOOSE_LINE_JOINT = { ohm: 60, share: 0.5 } as const
export const WET_OHM = 800
/** A winding that gives way under load, and a fuse clip without its spring: assumptions. */
export const WEAK_WINDING_OHM = 25
export const LOOSE_CLIP_OHM = 30
/** A clip or a strap that somebody left between two terminals: assumption. */
export const STRAP_OHM = 0.05
/** What joins the commons of two transformers, through a wire or the metal: assumption. */
export const COMMONS_JOINED_OHM = 0.3
/** A corroded joint (engine.md section 5), and its share of open conductors: assumption. */
export const CORRODED_JOINT = { ohm: 60, share: 0.12 } as const
/** Share of wiring faults that come and go, and the chance that such a one shows in a reading (engine.md section 7). */
export const INTERMITTENT_SHARE = 0.05
export const INTERMITTENT_SHOWS = 0.4
/** Of faults that come and go, those that open with the heat; and how often such a one is open so long after its call: assumptions. */
export const WARM_SHARE = 0.4
export const WARM_SHOWS = { moment: 0.06, minute: 0.4, minutes: 0.92 } as const
