/** What is said here, by the file that says it. */
export const TEXT = {
  // person-box
  boxOfByPixels: (width: string, height: string) =>
    `A box of ${width} by ${height} pixels is too small. Draw it from one corner to the other, round the whole person.`,
};
