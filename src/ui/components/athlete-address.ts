/** The page of an athlete: keys may hold anything that a name does. */
export const athleteAddress = (key: string): string => `/athlete/${encodeURIComponent(key)}`;
