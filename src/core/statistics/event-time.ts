/**
 * Timing error of what is read off frames: an event lies anywhere within its frame interval T (seconds), uniformly.
 * Standard deviations: event T/sqrt(12), duration within one clip T/sqrt(6).
 */
export const eventSd = (frameInterval: number): number => frameInterval / Math.sqrt(12);
export const durationSd = (frameInterval: number): number => frameInterval / Math.sqrt(6);

/** Standard deviation (seconds) of the difference of two durations from clips with frame intervals T1 and T2. */
export const durationDifferenceSd = (first: number, second: number): number =>
  Math.sqrt((first * first + second * second) / 6);
