/** A stretch of a recording, seconds. */
export interface Stretch {
  readonly from: number;
  readonly to: number;
}

/** How much changed in the picture until a time, in any unit. */
export interface Activity {
  readonly at: number;
  readonly amount: number;
}

/** Quiet that parts two attempts, seconds. */
const PAUSE = 1.5;
/** What is kept before and after an attempt, seconds. */
export interface Around {
  readonly before: number;
  readonly after: number;
}
/** Motion tells the whole attempt; a contact is heard near its end (common practice). */
export const AROUND_MOTION: Around = { before: 0.75, after: 0.75 };
export const AROUND_CONTACT: Around = { before: 2.5, after: 1.5 };
/** Share of all variance that must lie between quiet and active for there to be two kinds at all. */
const APART = 0.6;
/** How many times as much changes in the active kind, at least. */
const CLEARLY = 1.5;

/**
 * The threshold that parts a list into two kinds best: least variance within them, most between (Otsu 1979, *A Threshold
 * Selection Method from Gray-Level Histograms*), here over the values themselves.
 * @returns null where they are not two kinds
 */
function parting(values: readonly number[]): number | null {
  const sorted = [...values].sort((a, b) => a - b);
  const total = sorted.reduce((sum, v) => sum + v, 0);
  const mean = total / sorted.length;
  const variance = sorted.reduce((sum, v) => sum + (v - mean) ** 2, 0);
  let below = 0;
  let best = { between: 0, threshold: NaN, gain: 0 };
  for (let n = 1; n < sorted.length; n++) {
    below += sorted[n - 1]!;
    const [low, high] = [below / n, (total - below) / (sorted.length - n)];
    const between = n * (low - mean) ** 2 + (sorted.length - n) * (high - mean) ** 2;
    if (between > best.between) best = { between, threshold: (sorted[n - 1]! + sorted[n]!) / 2, gain: high - low };
  }
  return best.between >= APART * variance && best.gain >= Math.log(CLEARLY) ? best.threshold : null;
}

/**
 * Where something happens in a long recording: stretches in which clearly more changes than in the rest, each with some
 * quiet before and after. Empty where nothing stands out.
 * @param activity in time order; each amount is what changed since the one before
 */
export function activeStretches(activity: readonly Activity[], around = AROUND_MOTION): readonly Stretch[] {
  const least = activity.reduce((low, { amount }) => (amount > 0 ? Math.min(low, amount) : low), Infinity);
  if (activity.length < 3 || !Number.isFinite(least)) return [];
  // What changes spans powers of ten: kinds are told apart by ratios.
  const amounts = activity.map(({ amount }) => Math.log(Math.max(amount, least)));
  const threshold = parting(amounts);
  if (threshold === null) return [];
  const stretches: { from: number; to: number }[] = [];
  activity.forEach(({ at }, i) => {
    if (amounts[i]! <= threshold) return;
    const from = activity[i - 1]?.at ?? at;
    const last = stretches.at(-1);
    if (last && from - last.to <= PAUSE) last.to = at;
    else stretches.push({ from, to: at });
  });
  const end = activity.at(-1)!.at;
  return stretches.map(({ from, to }, i) => ({
    // What belongs to the attempt before is not shown twice.
    from: Math.max(stretches[i - 1]?.to ?? 0, from - around.before),
    to: Math.min(stretches[i + 1]?.from ?? end, end, to + around.after),
  }));
}
