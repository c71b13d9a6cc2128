/** What is said here, by the file that says it. */
export const TEXT = {
  // practice-calendar
  proudFalcon: 'Proud Falcon',
  stageTitleStageRest: (title: string, stage: number, rest: string) => `${title}, stage ${stage}${rest}`,
  stage: (title: string, stage: number, ladder: number, drill: string, doseText: string) =>
    `${title}, stage ${stage} of ${ladder}: ${drill}, ${doseText}.`,
  cueCue: (cue: string) => `Cue: ${cue}`,
  ifNot: (ifNot: string) => `If not: ${ifNot}`,
  practiceSaid: (said: string) => `Practice: ${said}`,
  nothingNewIsBegun: 'Nothing new is begun from here',
  whatIsBegunGoes: 'What is begun goes on.',

  // csv
  inSpace: 'in space',

  // text-report
  becausePlaceReason: (place: string, reason: string) => `${place} because ${reason}.`,
  seenSeen: (seen: string) => `- Seen: ${seen}`,
  should: (shouldBe: string) => `- Should be: ${shouldBe}`,
  whyWhy: (why: string) => `- Why: ${why}`,
  cueCue2: (cue: string) => `- Cue: ${cue}`,
  drillNDrill: (n: number, drill: string) => `- Drill ${n}: ${drill}`,
  loadLoad: (load: string) => `- Load: ${load}`,
  checkSelfCheck: (selfCheck: string) => `- Check: ${selfCheck}`,
  willFollow: (f: string) => `- Will follow: ${f}`,
  cautionCaution: (caution: string) => `- Caution: ${caution}`,
  againstAthleteReference: (athlete: string, reference: string) => `${athlete} against ${reference}.`,
  readings: '## Readings',
  measureMomentAthleteReferenceDifference: '| measure | moment | athlete | reference | difference | state |',
  notMeasured: 'Not measured',
  filmNextTime: 'Film next time',
  aboutFiles: 'About the files',
};
