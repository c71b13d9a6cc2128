/** What is said here, in the order of the files that say it. */
export const TEXT = {
  // space
  computingBodyInSpaceName: (name: string) => `Computing the body in space: ${name}`,
  computingBodyInSpace: 'Computing the body in space',
} as const;
