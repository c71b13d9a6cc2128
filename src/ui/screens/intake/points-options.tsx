import Accordion from '@mui/material/Accordion';
import AccordionDetails from '@mui/material/AccordionDetails';
import AccordionSummary from '@mui/material/AccordionSummary';
import Alert from '@mui/material/Alert';
import Autocomplete from '@mui/material/Autocomplete';
import MenuItem from '@mui/material/MenuItem';
import Slider from '@mui/material/Slider';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMemo, useState, type ReactNode } from 'react';
import { pointName } from '../../../core/anatomy/body-points';
import { figureOf, metresByHeight, USUAL_HEIGHT, withFrames, type FigureAnswers } from '../../../core/tracks/figure';
import { MAPPED_POINTS } from '../../../core/tracks/marker-map';
import { framesOf, LENGTH_UNITS } from '../../../core/tracks/recording';
import type { ProbedPoints } from '../../../application/tracks/point-files';
import { FigureFromAbove } from './figure-from-above';
import { TEXT } from '../../../text/screens/intake';

interface PointsOptionsProps {
  readonly probed: ProbedPoints;
  readonly answers: FigureAnswers;
  readonly onChange: (answers: FigureAnswers) => void;
}

/**
 * What a file of points must be told before it is a trial: whose, which markers are which joints, how large, seen
 * from where.
 */
export function PointsOptions({ probed, answers, onChange }: PointsOptionsProps): ReactNode {
  const { recording, map, camera } = answers;
  const [height, setHeight] = useState(String(USUAL_HEIGHT));
  const names = recording.markers.map((m) => m.name);
  const known = MAPPED_POINTS.filter((id) => (map[id]?.length ?? 0) > 0).length;
  const { use } = answers;
  const { spatial } = useMemo(
    () =>
      figureOf({
        recording,
        use,
        map,
        metresPerUnit: answers.metresPerUnit,
        camera: { azimuthDegrees: 0, elevationDegrees: 0 },
      }),
    [recording, use, map, answers.metresPerUnit],
  );
  const last = framesOf(recording) - 1;
  const [draft, setDraft] = useState<readonly number[] | null>(null);
  const [from, to] = (draft ?? [use.first, use.last]) as [number, number];
  const needsHeight = spatial !== null && LENGTH_UNITS[recording.unit] === null;
  const tall = Number(height);
  return (
    <div style={{ display: 'grid', gap: 12, marginTop: 12 }}>
      <div style={{ fontSize: '.86rem' }}>
        {TEXT.whatFileHolds(
          probed.fileName,
          names.length,
          framesOf(recording),
          Math.round(recording.rate * 100) / 100,
          spatial ? TEXT.inSpace : TEXT.inPicture,
          recording.unit === 'unknown' ? TEXT.unitOfLengthNotStated : TEXT.inUnit(recording.unit),
        )}
      </div>
      {probed.warnings.map((warning) => (
        <Alert key={warning} severity="info">
          {warning}
        </Alert>
      ))}
      {probed.recordings.length > 1 && (
        <TextField
          select
          label={TEXT.subject}
          value={probed.recordings.indexOf(recording)}
          onChange={(event) => onChange(probed.proposals[Number(event.target.value)]!)}
        >
          {probed.recordings.map((r, i) => (
            <MenuItem key={r.name} value={i}>
              {r.name}
            </MenuItem>
          ))}
        </TextField>
      )}
      {needsHeight && (
        <TextField
          label={TEXT.standingHeightMetres}
          value={height}
          error={!(tall > 0.5 && tall < 2.6)}
          helperText={tall > 0.5 && tall < 2.6 ? TEXT.fileDoesNotSayHow : TEXT.heightIsNotHeightIn(height)}
          onChange={(event) => {
            setHeight(event.target.value);
            const value = Number(event.target.value);
            if (value > 0.5 && value < 2.6)
              onChange({ ...answers, metresPerUnit: metresByHeight(recording, map, value) });
          }}
        />
      )}
      <div>
        <Typography id="frames-used" sx={{ fontSize: '.84rem' }}>
          {TEXT.framesUsedFromToTo2(from + 1, to + 1, ((to - from) / recording.rate).toFixed(2))}
        </Typography>
        <Slider
          size="small"
          aria-labelledby="frames-used"
          min={0}
          max={last}
          value={[from, to]}
          onChange={(_, value) => setDraft(value as number[])}
          onChangeCommitted={(_, value) => {
            const [first, end] = value as [number, number];
            setDraft(null);
            if (end > first) onChange(withFrames(answers, { first, last: end }));
          }}
        />
      </div>
      {spatial && (
        <FigureFromAbove points={spatial} camera={camera} onChange={(next) => onChange({ ...answers, camera: next })} />
      )}
      <Accordion disableGutters elevation={0} variant="outlined" defaultExpanded={known < MAPPED_POINTS.length / 2}>
        <AccordionSummary>{TEXT.knownOfCountJointsHave(known, MAPPED_POINTS.length)}</AccordionSummary>
        <AccordionDetails
          sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(230px, 1fr))', gap: 1 }}
        >
          {MAPPED_POINTS.map((id) => (
            <Autocomplete
              key={id}
              multiple
              size="small"
              options={names}
              value={[...(map[id] ?? [])].filter((name) => names.includes(name))}
              onChange={(_, chosen) => onChange({ ...answers, map: { ...map, [id]: chosen } })}
              renderInput={(params) => <TextField {...params} label={pointName(id)} />}
            />
          ))}
        </AccordionDetails>
      </Accordion>
    </div>
  );
}
