import type { NavigateFunction } from 'react-router';
import type { Reading } from '../../core/reading';
import { setView, useView } from '../../application/stores/view-store';

/** Shows frames of clips on the bench, with the lines of a measure where one is given. */
export function goToFrames(
  navigate: NavigateFunction,
  sessionId: string,
  frames: Readonly<Record<string, number>>,
  measureId: string | null,
): void {
  const whole = Object.fromEntries(Object.entries(frames).map(([id, frame]) => [id, Math.round(frame)]));
  setView({
    ...(measureId === null ? {} : { selectedMeasure: measureId }),
    shown: { ...useView.getState().shown, ...whole },
  });
  void navigate(`/s/${sessionId}/measure`);
}

/** The frames that prove readings. */
export const framesOf = (...readings: readonly Reading[]): Record<string, number> =>
  Object.fromEntries(
    readings.flatMap((reading) =>
      reading.measurable ? [[reading.provenance.clipId, reading.provenance.frames[0]!]] : [],
    ),
  );
