/** A list with one of its members replaced. */
export const replacedAt = <T>(list: readonly T[], i: number, next: T): T[] => list.map((v, k) => (k === i ? next : v));
