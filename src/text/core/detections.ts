/** What is said here, by the file that says it. */
export const TEXT = {
  // hard-pictures
  pointsNeitherHasSeen: (count: number) =>
    `Through the whole clip the two detectors see ${count} of the points in different places, as in the dark, with ` +
    'few pixels, or from above: these are left out. Place them by hand at the moments, or film nearer and in more light.',

  // person-box
  boxOfByPixels: (width: string, height: string) =>
    `A box of ${width} by ${height} pixels is too small. Draw it from one corner to the other, round the whole person.`,
};
