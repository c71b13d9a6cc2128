/** What is said here, by the file that says it. */
export const TEXT = {
  // file-worker
  readingName: (name: string) => `Reading ${name}`,
  readingNameWithName: (name: string) => `Reading “${name}”`,
  readingNameWasCancelled: (name: string) => `Reading “${name}” was cancelled.`,

  // stored-clips
  videoOfFileNameIs: (fileName: string) =>
    `The video of “${fileName}” is not in this browser. Drop the file on its clip at Intake; its points stay.`,
} as const;
