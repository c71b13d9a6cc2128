/** What is said here, by the file that says it. */
export const TEXT = {
  // talk-recorder
  talkingCount: (count: number) => `talking ${count}`,
  messageItIsRecordedWithout: (message: string) => `${message} It is recorded without sound.`,

  // talk-underway
  pageEndedWhileYouTalked: 'The page ended while you talked. What was recorded until then is kept: see “Talk”.',
} as const;
