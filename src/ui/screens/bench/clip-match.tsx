import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import Slider from '@mui/material/Slider';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState, type ReactNode } from 'react';
import type { Clip } from '../../../core/model/clip';
import { LIMITS } from '../../../core/model/limits';
import type { Derived } from '../../../application/analysis/derived';
import type { BenchClip } from '../../../application/bench/bench-clips';
import { joinBySound, soundOf, useSounds } from '../../../application/clips/clip-sounds';
import { joinHere } from '../../../application/clips/camera-use-cases';
import { changeClip } from '../../../application/clips/clip-use-cases';
import { compareWith } from '../../../application/comparison/comparison-use-cases';
import { dropWorkCopy, makeWorkCopy } from '../../../application/clips/work-copy';
import { useJobs } from '../../../application/stores/jobs';
import { notify } from '../../../application/stores/notices';
import { setView, useView } from '../../../application/stores/view-store';
import { VIEW_NAMES } from '../../components/clip-name';
import { signedMilliseconds } from '../../components/format';
import { RoleName } from '../../components/role-name';
import { CameraDirection } from './camera-direction';
import { CaptureRate } from './capture-rate';
import { KnownLength } from './known-length';
import { Ground } from './ground-rectangle';
import { TiePoints } from './tie-points';
import { Shots } from './shots-card';
import { TEXT } from '../../../text/screens/bench/match';

export function ClipMatch({ on, derived }: { readonly on: BenchClip; readonly derived: Derived }): ReactNode {
  const { clip } = on.trial;
  const levelling = useView((state) => state.tool === 'level');
  return (
    <section className="card" style={{ display: 'grid', gap: 10 }}>
      <Typography variant="h3" component="h2">
        <RoleName
          role={on.styleKey}
          name={on.join ? TEXT.nameViewnamesView(clip.performer.name, VIEW_NAMES[clip.view.kind]) : clip.performer.name}
        />
      </Typography>
      {on.join && <Joint on={on} />}
      {on.id.startsWith('reference-') && !on.join && (
        <Button variant="outlined" onClick={() => compareWith(derived, clip.id)}>
          {TEXT.compareAthleteWithThisOne}
        </Button>
      )}
      <TextField
        select
        label={TEXT.movesInPicture}
        value={clip.travel}
        onChange={(event) => changeClip(clip.id, { travel: event.target.value as Clip['travel'] })}
      >
        <MenuItem value="right">{TEXT.toRight}</MenuItem>
        <MenuItem value="left">{TEXT.toLeft}</MenuItem>
      </TextField>
      <FormControlLabel
        control={
          <Checkbox
            checked={clip.mirrored}
            onChange={(event) => changeClip(clip.id, { mirrored: event.target.checked })}
          />
        }
        label={TEXT.showMirrored}
      />
      <div style={{ display: 'flex', gap: 8, alignItems: 'center', fontSize: '.86rem' }}>
        <Button
          variant={levelling ? 'contained' : 'outlined'}
          onClick={() => setView({ tool: levelling ? 'move' : 'level' })}
        >
          {levelling ? TEXT.drawAlongLevelOrPlumb : TEXT.levelByLine}
        </Button>
        {clip.levelDegrees !== 0 && (
          <span>
            {TEXT.turnedByLevelDegrees(clip.levelDegrees.toFixed(1))}{' '}
            <Button onClick={() => changeClip(clip.id, { levelDegrees: 0 })}>{TEXT.asFilmed}</Button>
          </span>
        )}
      </div>
      <CameraDirection trial={on.trial} />
      <SoundDistance clip={clip} />
      <KnownLength clip={clip} lengths={derived.movement.knownLengths} />
      <Ground clip={clip} />
      <TiePoints clip={clip} />
      <Shade
        label={TEXT.brightness}
        value={clip.brightness}
        most={4}
        onKeep={(brightness) => changeClip(clip.id, { brightness })}
      />
      <Shade
        label={TEXT.contrast}
        value={clip.contrast}
        most={3}
        onKeep={(contrast) => changeClip(clip.id, { contrast })}
      />
      {!clip.pictures && <CaptureRate key={`${clip.captureRate} ${JSON.stringify(clip.rateChanges)}`} clip={clip} />}
      {!clip.pictures && clip.mediaId !== null && <Shots clip={clip} />}
      {!clip.pictures && <WorkCopy clip={clip} />}
    </section>
  );
}

/** How another camera's clock runs against the first camera's, and the instants that say so. */
function Joint({ on }: { readonly on: BenchClip }): ReactNode {
  const { clip } = on.trial;
  const { pairs } = clip.sync!;
  const { map } = on.join!;
  const drift = TEXT.driftsDriftSSecondFits((map.drift * 1e6).toFixed(0), (map.misfit * 1000).toFixed(1));
  const offset = TEXT.startsAgainstFirstCamera(signedMilliseconds(map.offset), pairs.length > 1 ? drift : '');
  return (
    <div style={{ display: 'grid', gap: 6, fontSize: '.86rem' }}>
      <span>{pairs.length === 0 ? TEXT.stepBothCamerasToOne : TEXT.offsetSecondInstantFarFrom(offset)}</span>
      <div>
        <Button variant={pairs.length === 0 ? 'contained' : 'outlined'} onClick={() => joinHere(clip)}>
          {pairs.length === 0 ? TEXT.sameInstantHere : TEXT.oneMoreInstantHere}
        </Button>
        <BySound clip={clip} />
        {pairs.length > 0 && (
          <Button onClick={() => changeClip(clip.id, { sync: { to: clip.sync!.to, pairs: [] } })}>
            {TEXT.joinAgain}
          </Button>
        )}
      </div>
      {pairs.length > 0 && (
        <span>
          {TEXT.pairsWithThisPictureChosen(
            pairs
              .map((p) =>
                TEXT.frameOwnOther(
                  (p.own + 1).toFixed(1).replace(/\.0$/, ''),
                  (p.other + 1).toFixed(1).replace(/\.0$/, ''),
                ),
              )
              .join('; '),
          )}
        </span>
      )}
    </div>
  );
}

/** Joins the cameras by what both heard. */
function BySound({ clip }: { readonly clip: Clip }): ReactNode {
  const [busy, setBusy] = useState(false);
  const audible = useSounds((state) => soundOf(state, clip) !== null);
  if (!audible) return null;
  return (
    <Button
      disabled={busy}
      onClick={() => {
        setBusy(true);
        void joinBySound(clip).finally(() => setBusy(false));
      }}
    >
      {busy ? TEXT.comparingSounds : TEXT.joinBySound}
    </Button>
  );
}

/** How far the microphone was from what is heard. */
function SoundDistance({ clip }: { readonly clip: Clip }): ReactNode {
  const audible = useSounds((state) => soundOf(state, clip) !== null);
  if (!audible) return null;
  return (
    <TextField
      label={TEXT.distanceToWhatIsHeard}
      type="number"
      defaultValue={clip.soundMetres ?? ''}
      helperText={TEXT.fromCamera29Ms}
      onBlur={(event) => {
        const { value } = event.target;
        const metres = value === '' ? null : Math.min(LIMITS.soundMetres, Math.max(0, Number(value)));
        if (metres !== clip.soundMetres) changeClip(clip.id, { soundMetres: metres });
      }}
    />
  );
}

/** A copy in short groups for clips that jump slowly. */
function WorkCopy({ clip }: { readonly clip: Clip }): ReactNode {
  const job = useJobs((state) => state.jobs.some((j) => j.id === `work-${clip.id}`));
  // Of a part it would be a copy of the whole recording.
  if (clip.part) return null;
  if (clip.workMediaId)
    return (
      <span style={{ fontSize: '.86rem' }}>
        {TEXT.workCopyInShortGroups} <Button onClick={() => void dropWorkCopy(clip)}>{TEXT.backToOriginal}</Button>
      </span>
    );
  return (
    <div>
      <Button
        variant="outlined"
        disabled={job}
        onClick={() =>
          void makeWorkCopy(clip).then((made) => {
            if (!made.ok && made.issue.code !== 'cancelled') notify('error', made.issue.message);
          })
        }
      >
        {TEXT.makeWorkCopyThatJumps}
      </Button>
    </div>
  );
}

/** How light or hard a picture is shown; kept when the slider is let go. */
function Shade({
  label,
  value,
  most,
  onKeep,
}: {
  readonly label: string;
  readonly value: number;
  readonly most: number;
  readonly onKeep: (value: number) => void;
}): ReactNode {
  const [moving, setMoving] = useState<number | null>(null);
  return (
    <div style={{ display: 'flex', alignItems: 'center', gap: 14, fontSize: '.86rem' }}>
      <span style={{ width: 76 }}>{label}</span>
      <Slider
        size="small"
        aria-label={label}
        min={0.5}
        max={most}
        step={0.05}
        value={moving ?? value}
        onChange={(_, next) => setMoving(next as number)}
        onChangeCommitted={(_, next) => {
          setMoving(null);
          if (next !== value) onKeep(next as number);
        }}
      />
    </div>
  );
}
