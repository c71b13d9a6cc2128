/** What is said here, by the file that says it. */
export const TEXT = {
  // space
  computingBodyInSpaceName: (name: string) => `Computing the body in space: ${name}`,
  computingBodyInSpace: 'Computing the body in space',
} as const;
