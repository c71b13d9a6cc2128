import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { format } from 'date-fns';
import { useState, type FormEvent, type ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { LIMITS } from '../../../core/model/limits';
import { DOCUMENTS } from '../../../movements/documents';
import { notify } from '../../../application/stores/notices';
import { FileButton } from '../../components/file-button';
import { TEXT } from '../../../text/screens/home';

/** A session begins with videos, or with a name and a movement. */
export function NewSession({ onFiles }: { readonly onFiles: (files: readonly File[]) => void }): ReactNode {
  const navigate = useNavigate();
  const [name, setName] = useState('');
  const [movementId, setMovementId] = useState(DOCUMENTS[0]!.id);
  const onCreate = async (event: FormEvent): Promise<void> => {
    event.preventDefault();
    const { createSession } = await import('../../../application/session/session-use-cases');
    const created = await createSession(
      name.trim() || TEXT.sessionOfFormat(format(new Date(), 'd MMMM yyyy')),
      movementId,
    );
    if (created.ok) void navigate(`/s/${created.value}/intake`);
    else notify('error', created.issue.message);
  };
  return (
    <section className="card">
      <Typography variant="h2" gutterBottom>
        {TEXT.newSession}
      </Typography>
      <FileButton
        variant="contained"
        fieldName={TEXT.videosToBeginWith}
        accept="video/*,image/*,.mkv,.mts,.m2ts,.ts,.avi,.mxf"
        multiple
        onFiles={onFiles}
      >
        {TEXT.beginWithOneOrTwo}
      </FileButton>
      <p className="note" style={{ margin: '4px 0 12px' }}>
        {TEXT.orDropThemAnywhereOn}
      </p>
      <form onSubmit={(event) => void onCreate(event)} style={{ display: 'grid', gap: 10 }}>
        <TextField
          label={TEXT.name}
          size="small"
          value={name}
          onChange={(event) => setName(event.target.value)}
          fullWidth
          slotProps={{ htmlInput: { maxLength: LIMITS.name } }}
        />
        <TextField
          select
          label={TEXT.movement}
          size="small"
          value={movementId}
          onChange={(event) => setMovementId(event.target.value)}
          fullWidth
        >
          {DOCUMENTS.map((m) => (
            <MenuItem key={m.id} value={m.id}>
              {m.sport}: {m.name}
            </MenuItem>
          ))}
        </TextField>
        <Button type="submit" variant="outlined" sx={{ justifySelf: 'start' }}>
          {TEXT.create}
        </Button>
      </form>
    </section>
  );
}
