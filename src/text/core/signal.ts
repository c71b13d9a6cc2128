/** What is said here, by the file that says it. */
export const TEXT = {
  // butterworth
  cutOffOfHzDoes: (cutoff: number, rate: number) =>
    `A cut-off of ${cutoff} Hz does not lie between 0 and half of ${rate} samples per second; choose a lower one.`,
  samplesAreTooFew: (samples: number, leastPad: number) =>
    `${samples} samples are too few to smooth; at least ${leastPad} are needed.`,

  // residual-analysis
  residualAnalysisNeedsAtLeast: (fewestSamples: number, known: number) =>
    `Residual analysis needs at least ${fewestSamples} samples; there are ${known}.`,
  thereIsNoNoise: (x: string, extent: string) =>
    `There is no noise in these samples to choose a cut-off by (${x} of ${extent} pixels). Keep the cut-off as it is.`,
};
