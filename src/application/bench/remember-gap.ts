import { notify } from '../stores/notices';
import { setView, useView } from '../stores/view-store';
import { TEXT } from '../../text/application/bench';

/** Remembers a frame that cannot be decoded, to be stepped over; the first of a clip is said. */
export function rememberGap(clipId: string, frame: number, fileName: string): void {
  const { gaps } = useView.getState();
  const known = gaps[clipId] ?? [];
  if (known.includes(frame)) return;
  setView({ gaps: { ...gaps, [clipId]: [...known, frame] } });
  if (known.length === 0) notify('error', TEXT.frameOfFileNameCannot(frame + 1, fileName));
}
