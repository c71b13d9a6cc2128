/** What is said here, by the file that says it. */
export const TEXT = {
  // order
  frame: (n: number) => `frame ${n}`,
  isMarkedAtNotAfter: (after: string, later: string, before: string, earlier: string) =>
    `“${after}” is marked at ${later}, not after “${before}” at ${earlier}`,
  nothingThatNeedsBoth: (performer: string, where: string) =>
    `${performer}: ${where}. Nothing that needs both is measured until one of them is moved.`,

  // try-rule
  itHasNoRule: 'It has no rule',
  giveItOneOrMark: 'Give it one, or mark it by eye.',
  stillPicturesHaveNoMovement: 'Still pictures have no movement to find it in',
  markItByEye: 'Mark it by eye.',
  clipHasNoPointsYet: 'The clip has no points yet',
  detectOrPlaceThem: 'Detect or place them at Measure.',
  ruleFindsNothingBetweenMoments: 'The rule finds nothing between the moments beside it',
  changeItsLevelOrDirection: 'Change its level or direction, or drag the moment to its place in the order.',
};
