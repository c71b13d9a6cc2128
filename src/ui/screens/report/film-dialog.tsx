import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useEffect, useState, type ReactNode } from 'react';
import type { Derived } from '../../../application/analysis/derived';
import { canFilmMp4, filmPlan, makeFilm, type FilmSettings } from '../../../application/export/film';
import { FILM_RATE, FILM_SIZE } from '../../../application/export/film-layout';
import { notify } from '../../../application/stores/notices';
import { download } from '../../../application/files/download';
import { SPEEDS } from '../../../application/stores/view-store';
import { TEXT } from '../../../text/screens/report';

const SPEED_NAMES: Readonly<Record<number, string>> = {
  0.0625: TEXT.sixteenth,
  0.125: TEXT.eighth,
  0.25: TEXT.quarter,
  0.5: TEXT.half,
  1: TEXT.full,
  2: TEXT.double,
};

/** What a film shows and how; made from the panes of the bench as they are matched there. */
export function FilmDialog({
  derived,
  fileName,
  onClose,
}: {
  readonly derived: Derived;
  readonly fileName: string;
  readonly onClose: () => void;
}): ReactNode {
  const lead = derived.panes[0]?.trial;
  const marked = derived.movement.moments.filter((m) => lead?.marks[m.id] !== undefined);
  const [settings, setSettings] = useState<FilmSettings>({
    format: 'mp4',
    speed: 0.25,
    from: marked[0]?.id ?? null,
    to: marked.at(-1)?.id ?? null,
    stopSeconds: 1.5,
    lines: true,
  });
  const [mp4, setMp4] = useState(true);
  useEffect(() => {
    void canFilmMp4().then((can) => {
      setMp4(can);
      if (!can) setSettings((before) => ({ ...before, format: 'webm' }));
    });
  }, []);
  const change = (part: Partial<FilmSettings>): void => setSettings({ ...settings, ...part });
  const plan = lead ? filmPlan(derived, lead, settings) : null;
  const make = async (): Promise<void> => {
    onClose();
    const film = await makeFilm(derived, settings);
    if (film.ok) download(`${fileName}.${settings.format}`, `video/${settings.format}`, film.value);
    else notify(film.issue.code === 'cancelled' ? 'info' : 'error', film.issue.message);
  };
  const moment = (which: 'from' | 'to', label: string, end: string): ReactNode => (
    <TextField
      select
      label={label}
      value={settings[which] ?? ''}
      onChange={(event) => change({ [which]: event.target.value || null })}
      sx={{ flex: 1 }}
    >
      <MenuItem value="">{end}</MenuItem>
      {marked.map((m) => (
        <MenuItem key={m.id} value={m.id}>
          {m.name}
        </MenuItem>
      ))}
    </TextField>
  );
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm">
      <DialogTitle>{TEXT.saveFilm}</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 2 }}>
        <p style={{ margin: 0 }}>
          {derived.panes.length > 1
            ? TEXT.panesMatchedAsOnBench(derived.panes.map((p) => p.trial.clip.performer.name).join(', '))
            : TEXT.pictureOfBenchItHolds}
        </p>
        <div style={{ display: 'flex', gap: 10 }}>
          {moment('from', TEXT.from, TEXT.beginning)}
          {moment('to', TEXT.to, TEXT.end)}
        </div>
        <div style={{ display: 'flex', gap: 10 }}>
          <TextField
            select
            label={TEXT.speed}
            value={settings.speed}
            onChange={(event) => change({ speed: Number(event.target.value) })}
            sx={{ flex: 1 }}
          >
            {SPEEDS.map((speed) => (
              <MenuItem key={speed} value={speed}>
                {SPEED_NAMES[speed]}
              </MenuItem>
            ))}
          </TextField>
          <TextField
            select
            label={TEXT.atEachMoment}
            value={settings.stopSeconds}
            onChange={(event) => change({ stopSeconds: Number(event.target.value) })}
            sx={{ flex: 1 }}
          >
            <MenuItem value={0}>{TEXT.noStop}</MenuItem>
            {[1, 1.5, 3].map((s) => (
              <MenuItem key={s} value={s}>
                {TEXT.stillForS(s)}
              </MenuItem>
            ))}
          </TextField>
          <TextField
            select
            label={TEXT.file}
            value={settings.format}
            onChange={(event) => change({ format: event.target.value as FilmSettings['format'] })}
            sx={{ flex: 1 }}
          >
            <MenuItem value="mp4" disabled={!mp4}>
              {mp4 ? TEXT.mp4H264 : TEXT.mp4H264NotIn}
            </MenuItem>
            <MenuItem value="webm">{TEXT.webMVp9}</MenuItem>
          </TextField>
        </div>
        <FormControlLabel
          control={<Checkbox checked={settings.lines} onChange={(event) => change({ lines: event.target.checked })} />}
          label={TEXT.measuredLinesAndValues}
        />
        {plan && (
          <div className="note" data-testid="film-length">
            {plan.ok
              ? `${(plan.value.length / FILM_RATE).toFixed(1)} s, ${FILM_SIZE.width} \u00d7 ${FILM_SIZE.height}, ` +
                TEXT.filmratePicturesSecond(FILM_RATE)
              : plan.issue.message}
          </div>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{TEXT.cancel}</Button>
        <Button variant="contained" disabled={!plan?.ok} onClick={() => void make()}>
          {TEXT.makeFilm}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
