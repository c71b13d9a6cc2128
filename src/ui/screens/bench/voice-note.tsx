import ClearIcon from '@mui/icons-material/Clear';
import MicNoneIcon from '@mui/icons-material/MicNone';
import StopIcon from '@mui/icons-material/Stop';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import { useEffect, useState, type ReactNode } from 'react';
import type { Note } from '../../../core/model/session';
import { changeNote } from '../../../application/findings/finding-use-cases';
import { useTalk } from '../../../application/talk/talk-recorder';
import { recordVoice, stopVoice, useVoice, voiceOf } from '../../../application/findings/voice-notes';
import { Voice } from '../../components/voice';
import { TEXT } from '../../../text/screens/bench/review';

/** A finding said aloud: spoken, heard again, removed. */
export function VoiceNote({ note }: { readonly note: Note }): ReactNode {
  const { noteId, recording } = useVoice();
  const talking = useTalk(({ phase }) => phase !== 'idle');
  const [sound, setSound] = useState<{ readonly of: string; readonly blob: Blob } | null>(null);
  const { voice } = note;
  const mediaId = voice?.mediaId ?? null;
  useEffect(() => {
    let current = true;
    void voiceOf(note).then((blob) => {
      if (current) setSound(blob && mediaId !== null ? { of: mediaId, blob } : null);
    });
    return () => {
      current = false;
    };
    // Its words may change; what was said is another file each time.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [mediaId]);
  // Whoever leaves does not want to be heard.
  useEffect(
    () => () => {
      if (useVoice.getState().noteId === note.id) stopVoice();
    },
    [note.id],
  );
  if (noteId === note.id)
    return (
      <Button size="small" variant="contained" startIcon={<StopIcon />} disabled={!recording} onClick={stopVoice}>
        {recording ? TEXT.stop : TEXT.openingMicrophone}
      </Button>
    );
  if (voice === null)
    return (
      <Button
        size="small"
        startIcon={<MicNoneIcon />}
        disabled={noteId !== null || talking}
        onClick={() => void recordVoice(note.id)}
      >
        {TEXT.sayIt}
      </Button>
    );
  return (
    <div className="voice-note">
      {sound?.of === mediaId ? (
        <Voice sound={sound.blob} label={TEXT.voiceNoteSeconds(Math.round(voice.seconds))} />
      ) : (
        <span className="note">{TEXT.whatWasSaidIsNot}</span>
      )}
      <IconButton size="small" aria-label={TEXT.removeWhatWasSaid} onClick={() => changeNote(note.id, { voice: null })}>
        <ClearIcon fontSize="small" />
      </IconButton>
    </div>
  );
}
