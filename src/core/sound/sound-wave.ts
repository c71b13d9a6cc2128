/** The sound of a clip, one channel, from the clip's first frame on. */
export interface SoundWave {
  /** Samples a second. */
  readonly rate: number;
  /** -1..1. */
  readonly samples: Float32Array;
}

/** Levels are kept this finely, a second: a column of a ribbon is seldom narrower. */
const LEVELS_A_SECOND = 400;
/** Share of the levels that may be above what is drawn at full height: one blow must not flatten all the rest. */
const LOUDEST = 0.999;

/** How loud a sound is in each 1/400 s from its first sample on, 0..1 of its loudest. */
export function levelsOf({ rate, samples }: SoundWave): Float32Array {
  const levels = new Float32Array(Math.ceil((samples.length / rate) * LEVELS_A_SECOND));
  for (let i = 0; i < samples.length; i++) {
    const k = Math.floor((i / rate) * LEVELS_A_SECOND);
    levels[k] = Math.max(levels[k]!, Math.abs(samples[i]!));
  }
  const loudest = levels.slice().sort()[Math.floor(LOUDEST * (levels.length - 1))] ?? 0;
  return loudest === 0 ? levels : levels.map((level) => Math.min(1, level / loudest));
}

/**
 * Heights of a drawn wave, 0..1, for columns beside each other.
 * @param edges where the columns begin and the last one ends, seconds after the first sample, increasing
 */
export function waveColumns(levels: Float32Array, edges: readonly number[]): readonly number[] {
  return edges.slice(1).map((to, c) => {
    const first = Math.floor(edges[c]! * LEVELS_A_SECOND);
    const last = Math.max(first + 1, Math.floor(to * LEVELS_A_SECOND));
    let height = 0;
    for (let k = Math.max(0, first); k < Math.min(levels.length, last); k++) height = Math.max(height, levels[k]!);
    return height;
  });
}
