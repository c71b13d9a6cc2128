/** What is said here, by the file that says it. */
export const TEXT = {
  // similarity
  twoFiguresNeedSamePoints: (from: number, to: number) =>
    `Two figures need the same points, at least two; they have ${from} and ${to}.`,
  allPointsOfFigureLie: 'All points of a figure lie on each other.',
};
