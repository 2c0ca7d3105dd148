/** How far what is drawn of every wine lies from the usual, where more than one sum goes by it. Ours. */

/** How brisk a ferment is, in its logarithm. */
export const PACE_SD = 0.5;
/** What of fruit and juice is no sugar, as a share of it. */
export const BODY_SD = 0.14;
