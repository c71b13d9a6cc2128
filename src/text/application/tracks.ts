/** What is said here, by the file that says it. */
export const TEXT = {
  // detection-use-cases
  detectingPointsHasEndedIts:
    'Detecting points has ended: its session is open no more. What was detected so far is kept in it.',
  detectingPointsWasUndoneAnd: 'Detecting points was undone, and has ended.',
  detectingPointsName: (name: string) => `Detecting points: ${name}`,
  whetherCameraMovesIsNot: (message: string) => `Whether the camera moves is not known: ${message}`,
  detectedWereLookedAtPoints: (detected: number) => ` ${detected} were looked at; the points between are interpolated.`,
  detectingWasStoppedWhatWas: (detected: number, all: number, name: string) =>
    `Detecting was stopped. What was detected on ${detected} of ${all} frames of ${name} is kept.`,
  pointsDetectedOnAllFrames: (all: number) => `Points detected on ${all} frames of `,
  pointsDetectedOnSeenOf: (seen: number, all: number) => `Points detected on ${seen} of ${all} frames of `,

  // point-files
  withoutConsentRecordingOfName: (name: string) =>
    `Without consent the recording of ${name} must not be analysed. Ask first, then tick the box.`,
  noMarkerOfFileName: (fileName: string) =>
    `No marker of “${fileName}” is given to a point. Choose markers for the joints first.`,
  pointsOfFileNameLie: (fileName: string, width: number, height: number, pictureSide: number) =>
    `The points of “${fileName}” lie over ${width} by ${height} pixels; a picture has at most ${pictureSide} to a ` +
    'side. If they are not pixels, name their unit in the file.',
  fileNameFeetslideIfCamera: (fileName: string, feetslide: string) =>
    `“${fileName}”: ${feetslide}. If the camera stood still, say so at Measure.`,
  whichWayPerformerOfFile: (fileName: string) =>
    `Which way the performer of “${fileName}” goes could not be told from the points. Check it at Intake: angles ` +
    'against forward depend on it.',
  pointsOfNameLieIn: (name: string) =>
    `The points of “${name}” lie in space, not in this picture. Add the file at Intake as a performance of its own.`,
  countPointsOfNameAre: (count: number, name: string) => `${count} points of ${name} are on the picture.`,
  fileHasOthersMoreSubject: (others: number) => `The file has ${others} more subject, who were passed over.`,
  fileHasOthersMoreSubjects: (others: number) => `The file has ${others} more subjects, who were passed over.`,

  // point-work
  pointNameIsNotPlacedOn: (pointName: string, frame: number) =>
    `The ${pointName} is not placed on frame ${frame}. Place it first.`,
  pointNameIsPlacedBy: (pointName: string) =>
    `The ${pointName} is placed by hand on the next frame; there is nothing to track.`,
  pointNameWasTrackedOver: (pointName: string, frames: number) => `The ${pointName} was tracked over ${frames} frames.`,

  // track-use-cases
  itIsCoveredOrLooks: 'it is covered, or looks too different',
  somethingElseThereLooksAs: 'something else there looks as much like it',
  itLeavesPicture: 'it leaves the picture',
  pointNameIsNotPlaced: (pointName: string, frame: number) =>
    `The ${pointName} is not placed on frame ${frame}. Place it there, then track it.`,
  trackingPointName: (pointName: string, name: string) => `Tracking the ${pointName}: ${name}`,
  itMayHaveSlid: 'it may have slid along what looks alike',
  pointNameIsLostOn: (pointName: string, frame: number, lost: string) =>
    `The ${pointName} is lost on frame ${frame}: ${lost}. Place it there or say that it is hidden, then track on.`,
} as const;
