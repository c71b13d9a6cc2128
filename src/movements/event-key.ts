const KEYS = '123456789qrdijkmsuvxy';

/** The key that marks the n-th moment, from 0; letters that have another use on the bench are passed over. */
export const eventKey = (n: number): string => KEYS[n] ?? KEYS.at(-1)!;
