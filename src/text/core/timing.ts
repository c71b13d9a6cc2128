/** What is said here, by the file that says it. */
export const TEXT = {
  // time-map
  noMomentIsMarked: 'No moment is marked in both clips yet; mark the same moment in each.',
  isMarkedAtSNot: (i: string, time: string, i2: string, time2: string) =>
    `${i} is marked at ${time} s, not after ${i2} at ${time2} s; move one of the two.`,
  isNotMarkedInBoth: (moment: string) => `“${moment}” is not marked in both clips; mark it or lock at another moment.`,

  // repeated-frames
  someFramesShowPictureBefore:
    'Some frames show the picture before them again, or blend those beside them, unevenly: slow motion within the ' +
    'clip, or frames that were lost. Times and speeds are not measured; angles are. Choose the part that plays at ' +
    'one speed, or the camera’s own file; or say at Match where its rate changes.',
  ofEveryFramesOfFile: (cycle: string, again: string, rest: string) =>
    `Of every ${cycle} frames of the file ${again} ${rest} the picture before again`,
  ofEveryFramesOneBlended: (cycle: string) =>
    `Of every ${cycle} frames of the file one is a blend of the pictures before and after it`,
  ofEveryFramesBlended: (cycle: string, blended: string) =>
    `Of every ${cycle} frames of the file ${blended} are blends of the pictures before and after them`,
};
