/** What is said here, in the order of the files that say it. */
export const TEXT = {
  // file-worker
  readingName: (name: string) => `Reading ${name}`,
  readingNameWithName: (name: string) => `Reading “${name}”`,
  readingNameWasCancelled: (name: string) => `Reading “${name}” was cancelled.`,

  // stored-clips
  videoOfFileNameIs: (fileName: string) =>
    `The video of “${fileName}” is not in this browser. Drop the file on its clip at Intake; its points stay.`,
} as const;
