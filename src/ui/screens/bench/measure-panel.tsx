import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import Typography from '@mui/material/Typography';
import { useState, type ReactNode } from 'react';
import { momentsOf } from '../../../core/model/movement';
import { JOINT_POINTS, pointName, type PointId } from '../../../core/points/body-points';
import { coverage, originName } from '../../../core/points/track';
import { player } from '../../../state/bench-player';
import { activeOf, type Derived } from '../../../state/derived';
import { useJobs } from '../../../state/jobs';
import { notify } from '../../../state/notices';
import { findPointsOf, hidePoint, interpolatePoint } from '../../../state/use-cases';
import { setView, useView } from '../../../state/view-store';
import { clipName } from '../../components/clip-name';
import { RoleName } from '../../components/role-name';
import { PointFiles } from './point-files';
import { SmoothingCard } from './smoothing-card';
import { ReadingSheet } from '../../components/reading-sheet';

interface MeasurePanelProps {
  readonly derived: Derived;
  readonly currentMoment: string | null;
  readonly placing: PointId | null;
  readonly onPlacing: (id: PointId | null) => void;
}

/** The reading sheet of the current moment; below it, finding and correcting points. */
export function MeasurePanel({ derived, currentMoment, placing, onPlacing }: MeasurePanelProps): ReactNode {
  const { movement, judged } = derived;
  const moment = currentMoment ?? movement.moments[0]!.id;
  const rows = judged.filter((j) => momentsOf(j.measure)[0] === moment);
  const name = movement.moments.find((m) => m.id === moment)!.name;
  return (
    <>
      <Typography variant="h2">{name}</Typography>
      {judged.length === 0 ? (
        <p>Readings of both performers stand here once both clips are in. <a href="/demo">Open the demo</a> to see them.</p>
      ) : (
        <ReadingSheet
          rows={rows}
          onChoose={(row) => {
            const selected = useView.getState().selectedMeasure === row.measure.id ? null : row.measure.id;
            setView({ selectedMeasure: selected });
            const frame = row.athlete.measurable ? row.athlete.provenance.frames[0]! : derived.athlete?.marks[moment];
            const clipId = row.athlete.measurable ? row.athlete.provenance.clipId : derived.athlete?.clip.id;
            if (selected && clipId && frame !== undefined) player.goTo(clipId, Math.round(frame));
          }}
        />
      )}
      <PointsCard derived={derived} placing={placing} onPlacing={onPlacing} />
      <SmoothingCard derived={derived} />
    </>
  );
}

function PointsCard({ derived, placing, onPlacing }: Omit<MeasurePanelProps, 'currentMoment'>): ReactNode {
  const [setting, setSetting] = useState<'fast' | 'accurate'>('accurate');
  const [point, setPoint] = useState<PointId>('left-knee');
  const jobs = useJobs((state) => state.jobs);
  const tool = useView((state) => state.tool);
  const chosen = activeOf(derived, useView((state) => state.activeClip));
  const active = chosen?.performance;
  // Only where points are being corrected does the panel follow the pictures.
  const frame = useView((state) => (active && state.tool === 'points' ? (state.shown[active.clip.id] ?? 0) : 0));
  const series = active?.raw[point];
  const origin = originName(series?.origin[frame] ?? 0);
  const confidence = series?.confidence[frame] ?? 0;
  return (
    <section className="card" style={{ display: 'grid', gap: 8, padding: '10px 12px' }}>
      <Typography variant="h3" component="h2">Points</Typography>
      <div style={{ display: 'flex', gap: 8, alignItems: 'center' }}>
        <TextField select label="Setting" value={setting} onChange={(event) => setSetting(event.target.value as typeof setting)} sx={{ flex: 1 }}>
          <MenuItem value="accurate">Accurate</MenuItem>
          <MenuItem value="fast">Fast</MenuItem>
        </TextField>
        <ToggleButton value="points" size="small" selected={tool === 'points'} onChange={() => setView({ tool: tool === 'points' ? 'move' : 'points' })}>Correct by hand</ToggleButton>
      </div>
      {derived.clips.map((on) => {
        const { performance } = on;
        const name = clipName(on);
        const share = JOINT_POINTS.reduce((sum, id) => sum + coverage(performance.raw, id), 0) / JOINT_POINTS.length;
        return (
          <div key={on.id} style={{ display: 'flex', alignItems: 'center', gap: 8, fontSize: '.86rem' }}>
            <RoleName role={on.look} name={name.charAt(0).toUpperCase() + name.slice(1)} />
            <span style={{ flex: 1 }}>{share === 0 ? 'no points yet' : `${Math.round(share * 100)} % of points known`}</span>
            {performance.clip.mediaId !== null && <Button
              variant={share === 0 ? 'contained' : 'text'}
              aria-label={`Find points of the ${name}`}
              disabled={jobs.some((j) => j.id === `points-${performance.clip.id}`)}
              onClick={() =>
                void findPointsOf(performance.clip, setting).then((result) =>
                  notify(result.ok || result.issue.code === 'cancelled' ? 'info' : 'error', result.ok ? `Points found on ${result.value} of ${performance.clip.frameTimes.length} frames of ${performance.clip.performer.name}.` : result.issue.message),
                )
              }
            >
              Find points
            </Button>}
          </div>
        );
      })}
      {active && <PointFiles clip={active.clip} name={clipName(chosen!)} />}
      {tool === 'points' && active && (
        <>
          <div style={{ display: 'flex', gap: 8, alignItems: 'center' }}>
            <TextField select label={`Point of the ${chosen ? clipName(chosen) : ''}`} value={point} onChange={(event) => {
              const chosen = event.target.value as PointId;
              setPoint(chosen);
              if (placing) onPlacing(chosen);
            }} sx={{ flex: 1 }}>
              {JOINT_POINTS.map((id) => <MenuItem key={id} value={id}>{pointName(id)}</MenuItem>)}
            </TextField>
            <Button variant={placing ? 'contained' : 'outlined'} onClick={() => onPlacing(placing ? null : point)}>{placing ? 'Press in the picture' : 'Place'}</Button>
          </div>
          <div style={{ fontSize: '.84rem' }}>
            Frame {frame + 1}: {origin === 'hand' ? 'placed by hand' : origin === 'found' ? `found, confidence ${confidence.toFixed(2)}` : origin}
          </div>
          <div>
            <Button disabled={origin === 'missing'} onClick={() => hidePoint(active.clip, point, frame)}>Hidden here</Button>
            <Button disabled={origin !== 'hand'} onClick={() => interpolatePoint(active.clip, point, frame)}>Fill to the hand-placed neighbours</Button>
          </div>
        </>
      )}
    </section>
  );
}
