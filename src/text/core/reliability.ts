/** What is said here, by the file that says it. */
export const TEXT = {
  // agreement
  agreementNeedsAtLeastPerformances: (n: number, k: number) =>
    `Agreement needs at least 3 performances digitised at least twice; there are ${n} digitised ${k} times.`,
  performanceDoesNotHaveValues: (uneven: number, k: number) =>
    `Performance ${uneven} does not have ${k} values; digitise it again or leave it out.`,
  firstDigitisingHasValuesSecond: (first: number, second: number) =>
    `The first digitising has ${first} values, the second ${second}; both must have the same.`,
  limitsOfAgreementNeed: (first: number) => `Limits of agreement need at least 3 pairs; there are ${first}.`,
};
