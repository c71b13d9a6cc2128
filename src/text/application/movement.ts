/** What is said here, by the file that says it. */
export const TEXT = {
  // movement-editing
  measureName: (name: string | number) => `Measure “${name}”: `,
  momentName: (name: string | number) => `Moment “${name}”: `,
  noSessionIsOpen: 'No session is open.',
  nameToName2: (name: string, name2: string) => `${name} to ${name2}`,
  andCountMoreMeasuresNeed: (count: number) => ` and ${count} more measures need`,
  neededNeedThisMomentRead: (needed: string, need: string) =>
    `${needed}${need} this moment. Read them at another moment, or remove them first.`,
  oneLeadsToOther: 'one leads to the other',
  userNeedsThisPointRead: (user: string) => `“${user}” needs this point. Read it on another point first.`,
  needs: ' needs',
  need: ' need',

  // movement-files
  nameHasSizeMbMovement: (name: string, size: number, largest: number) =>
    `“${name}” has ${size} MB; a movement file has at most ${largest}. Choose another file.`,
  nameIsReadWithoutWhat: (name: string, unknown: string) =>
    `“${name}” is read without what means nothing here: ${unknown}. Check the spelling.`,
} as const;
