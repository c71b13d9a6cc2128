/** What is said of a measure of a family, in the terms of coaching (common practice). */
export interface Words {
  /** Seen when it is smaller than in the reference, and when it is larger. */
  readonly low: string;
  readonly high: string;
  readonly why: string;
  readonly cue: string;
  /** Hold the position, slow, full. */
  readonly drills: readonly [string, string, string];
}

/** Measure id -> what is said of it. */
export type FamilyWords = Readonly<Record<string, Words>>;
