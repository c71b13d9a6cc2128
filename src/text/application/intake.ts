/** What is said here, by the file that says it. */
export const TEXT = {
  // attempts
  lookingForAttemptsInName: (name: string) => `Looking for attempts in ${name}`,

  // conversions
  anotherClipIsBeingConverted: 'Another clip is being converted for this place. Wait for it, or cancel it first.',
  nameIsConvertedAndWaits: (name: string) => `“${name}” is converted and waits at Intake.`,

  // demo
  demoDataCouldNotBe: (what: string) =>
    `The demo data could not be loaded (${what}). Start the application with "npm run demo".`,
  paceDelivery: 'Pace delivery',
  bowlerFromSideBesideOne: 'a bowler from the side, beside one reference of three, with two sessions before it',
  raceWalking: 'Race walking',
  twoStridesOfWalkerBeside: 'two strides of a walker, beside three performers and their spread',
  hurdleClearance: 'Hurdle clearance',
  oneHurdleFromSideBeside: 'one hurdle from the side, beside one reference of three',
  twoCameras: 'Two cameras',
  bowlerAndReferenceFromSide: 'the bowler and the reference from the side and the front: the body in space',

  // quick-start
  reference: 'Reference',
  ofTextRepeatsTextEach: (ofText: string, repeatsText: string, count: number, fileRate: number) =>
    `${ofText}${repeatsText}. Each picture is taken once: ${count} at ${fileRate} a second.`,
  namePlaysSecondsMinutes: (name: string, seconds: number) => `“${name}” plays ${seconds} minutes.`,
} as const;
