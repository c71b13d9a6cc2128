import type { Recording } from '../../src/core/tracks/recording';

/**
 * Frames at their own times put on the even steps that a file of points has; a step without a frame is missing.
 * @param times real seconds of every frame
 */
export function evenly(recording: Recording, times: Float64Array): Recording {
  const slots = times.map((time) => Math.round((time - times[0]!) * recording.rate));
  const count = (slots.at(-1) ?? -1) + 1;
  const spread = (values: Float64Array): Float64Array => {
    const out = new Float64Array(count).fill(NaN);
    slots.forEach((slot, i) => (out[slot] = values[i]!));
    return out;
  };
  return {
    ...recording,
    markers: recording.markers.map((m) => ({
      ...m,
      x: spread(m.x),
      y: spread(m.y),
      ...(m.confidence ? { confidence: spread(m.confidence) } : {}),
    })),
  };
}
