import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import Switch from '@mui/material/Switch';
import TextField from '@mui/material/TextField';
import { useMemo, type ReactNode } from 'react';
import type { Movement } from '../../../core/model/movement';
import type { Trial } from '../../../core/trial/trial';
import { isOwnPoint, JOINT_POINTS, pointName, type PointId } from '../../../core/anatomy/body-points';
import { ORIGIN, originName } from '../../../core/tracks/track';
import { disagreement } from '../../../core/detections/kept-detections';
import { workList } from '../../../core/judgement/work-list';
import { player } from '../../../application/bench/bench-player';
import { useDocument } from '../../../application/stores/document-store';
import { carryOnLast, follow, hideHere, swapTo } from '../../../application/tracks/point-work';
import { changeClip } from '../../../application/clips/clip-use-cases';
import { interpolatePoint } from '../../../application/tracks/track-use-cases';
import { setPointWork, useView, type AfterPlacing } from '../../../application/stores/view-store';
import { ROW, SMALL } from './card-rows';

interface ByHandProps {
  readonly movement: Movement;
  readonly trial: Trial;
  readonly name: string;
}

/** How far apart two detectors put the point, where both did. */
function useApart(clipId: string, id: PointId, frame: number): string {
  const kept = useDocument((state) => state.session?.detections[clipId]);
  const apart = kept ? disagreement(kept, id, frame) : null;
  return apart === null ? '' : `, two detectors ${apart.toFixed(0)} px apart`;
}

/** Acts on one point of the chosen clip. */
export function ByHand({ movement, trial, name }: ByHandProps): ReactNode {
  const { clip } = trial;
  const work = useView((state) => state.pointWork);
  const frame = useView((state) => state.shown[clip.id] ?? 0);
  const { id, placing } = work;
  const series = trial.raw[id];
  const origin = originName(series?.origin[frame] ?? 0);
  const confidence = series?.confidence[frame] ?? 0;
  const apart = useApart(clip.id, id, frame);
  const own = movement.points.find((p) => p.id === id);
  const says = {
    hand: 'placed by hand',
    detected: `detected, confidence ${confidence.toFixed(2)}${apart}`,
    tracked: `tracked, likeness ${confidence.toFixed(2)}`,
    recorded: 'from a file',
    filled: `between detected frames, confidence ${confidence.toFixed(2)}`,
    interpolated: 'filled in by hand',
    missing: 'not placed',
  }[origin];
  return (
    <>
      <TextField
        select
        label={`Point of the ${name}`}
        value={id}
        onChange={(event) => setPointWork({ id: event.target.value as PointId })}
      >
        {movement.points.map((p) => (
          <MenuItem key={p.id} value={p.id}>
            {p.name}
          </MenuItem>
        ))}
        {JOINT_POINTS.map((p) => (
          <MenuItem key={p} value={p}>
            {pointName(p)}
          </MenuItem>
        ))}
      </TextField>
      <div style={SMALL}>
        Frame {frame + 1}: {says}.{own ? ` ${own.hint}` : ''}
      </div>
      <div style={ROW}>
        <Button
          variant={placing ? 'contained' : 'outlined'}
          title="N; E places it where the pointer is"
          onClick={() => setPointWork({ placing: !placing })}
        >
          {placing ? 'Press in the picture' : 'Place'}
        </Button>
        <TextField
          select
          label="Then"
          value={work.after}
          onChange={(event) => setPointWork({ after: event.target.value as AfterPlacing })}
          sx={{ flex: 1, minWidth: 150 }}
        >
          <MenuItem value="stay">stay here</MenuItem>
          <MenuItem value="next-frame">the same point, next frame</MenuItem>
          <MenuItem value="next-point">the next point, same frame</MenuItem>
        </TextField>
      </div>
      <div style={ROW}>
        <Button title="H" disabled={origin === 'missing' && !placing} onClick={() => hideHere(trial)}>
          Hidden here
        </Button>
        <Button disabled={origin !== 'hand'} onClick={() => interpolatePoint(clip, id, frame)}>
          Fill to the hand-placed neighbours
        </Button>
        <Button disabled={work.shift?.clipId !== clip.id} onClick={() => carryOnLast(trial)}>
          Move what follows alike
        </Button>
      </div>
      <CarriedCorrections trial={trial} />
      {clip.mediaId !== null && (
        <div style={ROW}>
          <Button
            variant={isOwnPoint(id) ? 'outlined' : 'text'}
            title="F"
            disabled={origin === 'missing'}
            onClick={() => void follow(trial, 1)}
          >
            Track it on
          </Button>
          <Button title="Shift + F" disabled={origin === 'missing'} onClick={() => void follow(trial, -1)}>
            and back
          </Button>
          <TextField
            select
            label="It looks"
            value={work.trackingRadius}
            onChange={(event) => setPointWork({ trackingRadius: Number(event.target.value) })}
            sx={{ flex: 1, minWidth: 110 }}
          >
            <MenuItem value={7}>small</MenuItem>
            <MenuItem value={12}>middling</MenuItem>
            <MenuItem value={20}>large</MenuItem>
          </TextField>
        </div>
      )}
      {work.swapFrom?.clipId === clip.id ? (
        <div style={{ ...ROW, ...SMALL }}>
          <span>
            Exchange left and right from frame {work.swapFrom.frame + 1} to {frame + 1}:
          </span>
          <Button onClick={() => swapTo(trial, 'legs')}>legs</Button>
          <Button onClick={() => swapTo(trial, 'arms')}>arms</Button>
          <Button onClick={() => swapTo(trial, 'body')}>all</Button>
          <Button onClick={() => setPointWork({ swapFrom: null })}>leave it</Button>
        </div>
      ) : (
        <Button sx={{ justifySelf: 'start' }} onClick={() => setPointWork({ swapFrom: { clipId: clip.id, frame } })}>
          Left and right are exchanged from here
        </Button>
      )}
      <StillToDo movement={movement} trial={trial} />
    </>
  );
}

/** What corrections tell of the frames that nobody corrected, and whether they are moved by it. */
function CarriedCorrections({ trial }: { readonly trial: Trial }): ReactNode {
  const { clip, learned, raw, bodyHeight } = trial;
  const isCorrected = Object.values(raw).some(
    (series) => series!.origin.includes(ORIGIN.hand) && series!.origin.includes(ORIGIN.detected),
  );
  if (!isCorrected) return null;
  const share = (pixels: number): string => `${((100 * pixels) / bodyHeight).toFixed(1)} %`;
  return (
    <div style={SMALL} data-testid="carried-corrections">
      <FormControlLabel
        control={
          <Switch
            size="small"
            checked={clip.carryCorrections}
            onChange={(event) => changeClip(clip.id, { carryCorrections: event.target.checked })}
          />
        }
        label="Corrections tell how the detector errs on the other frames"
        slotProps={{ typography: { sx: { fontSize: 'inherit' } } }}
      />
      {learned &&
        [...learned.values()].map(({ id, corrected, moved }) => (
          <div key={id}>
            {pointName(id)}: {corrected.length} corrected {corrected.length === 1 ? 'frame' : 'frames'}; the others are
            moved by {share(moved)} of body height on average.
          </div>
        ))}
      {clip.carryCorrections && !learned && <div>Nothing yet: the corrections were of single wrong frames.</div>}
    </div>
  );
}

/** Which points at which moments the measures still wait for; pressing one goes there. */
function StillToDo({ movement, trial }: Omit<ByHandProps, 'name'>): ReactNode {
  const items = useMemo(() => workList(movement, trial), [movement, trial]);
  const marked = movement.moments.filter((m) => trial.marks[m.id] !== undefined);
  if (marked.length === 0)
    return <div style={SMALL}>Once moments are marked, the points that are still missing at them stand here.</div>;
  if (items.length === 0)
    return <div style={SMALL}>Every point that the measures need is known at all {marked.length} marked moments.</div>;
  return (
    <div style={{ ...SMALL, display: 'grid', gap: 4 }}>
      <strong>Still to place or check: {items.length}</strong>
      {marked.map((moment) => {
        const here = items.filter((item) => item.momentId === moment.id);
        return (
          here.length > 0 && (
            <div key={moment.id}>
              {moment.name}:
              {here.map((item) => (
                <Button
                  key={item.id}
                  title={`Needed for ${item.measures.join(', ').toLowerCase()}`}
                  onClick={() => {
                    player.goTo(trial.clip.id, item.frame);
                    setPointWork({ id: item.id, placing: item.state === 'missing' });
                  }}
                >
                  {pointName(item.id)}, {item.state}
                </Button>
              ))}
            </div>
          )
        );
      })}
    </div>
  );
}
