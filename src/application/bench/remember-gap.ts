import { notify } from '../stores/notices';
import { setView, useView } from '../stores/view-store';

/** Remembers a frame that cannot be decoded, to be stepped over; the first of a clip is said. */
export function rememberGap(clipId: string, frame: number, fileName: string): void {
  const { gaps } = useView.getState();
  const known = gaps[clipId] ?? [];
  if (known.includes(frame)) return;
  setView({ gaps: { ...gaps, [clipId]: [...known, frame] } });
  if (known.length === 0)
    notify(
      'error',
      `Frame ${frame + 1} of \u201c${fileName}\u201d cannot be decoded: the file is damaged there. Such frames ` +
        'are stepped over and marked on its ribbon; copy the file from the camera again.',
    );
}
