/** What is said here, in the order of the files that say it. */
export const TEXT = {
  // talk-underway
  pageEndedWhileYouTalked: 'The page ended while you talked. What was recorded until then is kept: see “Talk”.',

  // talk-recorder
  talkingCount: (count: number) => `talking ${count}`,
  messageItIsRecordedWithout: (message: string) => `${message} It is recorded without sound.`,
} as const;
