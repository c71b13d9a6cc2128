import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import type { ReactNode } from 'react';
import { repeatsText, UNEVEN_REPEATS } from '../../../core/timing/repeated-frames';
import type { Clip } from '../../../core/model/clip';
import { changeClip, type ProbedFile } from '../../../application/clips/clip-use-cases';
import { TEXT } from '../../../text/screens/intake';

interface RepeatsNoteProps {
  readonly probed: ProbedFile;
  readonly onEveryFrame: () => void;
}

/** What was found of frames of a file that show the picture before them again. */
export function RepeatsNote({ probed, onEveryFrame }: RepeatsNoteProps): ReactNode {
  const { repeats, unevenRepeats, index } = probed;
  if (!repeats) return unevenRepeats ? <Alert severity="warning">{UNEVEN_REPEATS}</Alert> : null;
  return (
    <Alert severity="info">
      {TEXT.repeatsTextEachPictureIs(repeatsText(repeats), index.frameTimes.length, index.fileRate)}{' '}
      <Button size="small" onClick={onEveryFrame}>
        {TEXT.takeEveryFrame}
      </Button>
    </Alert>
  );
}

/** Of a clip in the session that its times are not known, and that they are. */
export function TimesUnsureNote({ clip }: { readonly clip: Clip }): ReactNode {
  if (!clip.timesUnsure || clip.rateChanges.length > 0) return null;
  return (
    <Alert severity="warning">
      {UNEVEN_REPEATS}{' '}
      <Button size="small" onClick={() => changeClip(clip.id, { timesUnsure: false })}>
        {TEXT.itsTimesAreTrue}
      </Button>
    </Alert>
  );
}
