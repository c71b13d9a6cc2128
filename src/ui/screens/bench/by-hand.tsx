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
import { TEXT } from '../../../text/screens/bench/measure';

interface ByHandProps {
  readonly movement: Movement;
  readonly trial: Trial;
  readonly name: string;
}

/** How far apart two detectors put the point, where both did. */
function useApart(clipId: string, id: PointId, frame: number): string {
  const kept = useDocument((state) => state.session?.detections[clipId]);
  const apart = kept ? disagreement(kept, id, frame) : null;
  return apart === null ? '' : TEXT.twoDetectorsApart(apart.toFixed(0));
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
    hand: TEXT.placedByHand,
    detected: TEXT.detectedConfidenceApart(confidence.toFixed(2), apart),
    tracked: TEXT.trackedLikenessConfidence(confidence.toFixed(2)),
    recorded: TEXT.fromFile,
    filled: TEXT.betweenDetectedFramesConfidence(confidence.toFixed(2)),
    interpolated: TEXT.filledInByHand,
    missing: TEXT.notPlaced,
  }[origin];
  return (
    <>
      <TextField
        select
        label={TEXT.pointOfName(name)}
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
      <div style={SMALL}>{own ? TEXT.frameSaysHint(frame + 1, says, own.hint) : TEXT.frameSays(frame + 1, says)}</div>
      <div style={ROW}>
        <Button
          variant={placing ? 'contained' : 'outlined'}
          title={TEXT.nEPlacesItWhere}
          onClick={() => setPointWork({ placing: !placing })}
        >
          {placing ? TEXT.pressInPicture : TEXT.place}
        </Button>
        <TextField
          select
          label={TEXT.then}
          value={work.after}
          onChange={(event) => setPointWork({ after: event.target.value as AfterPlacing })}
          sx={{ flex: 1, minWidth: 150 }}
        >
          <MenuItem value="stay">{TEXT.stayHere}</MenuItem>
          <MenuItem value="next-frame">{TEXT.samePointNextFrame}</MenuItem>
          <MenuItem value="next-point">{TEXT.nextPointSameFrame}</MenuItem>
        </TextField>
      </div>
      <div style={ROW}>
        <Button title="H" disabled={origin === 'missing' && !placing} onClick={() => hideHere(trial)}>
          {TEXT.hiddenHere}
        </Button>
        <Button disabled={origin !== 'hand'} onClick={() => interpolatePoint(clip, id, frame)}>
          {TEXT.fillToHandPlacedNeighbours}
        </Button>
        <Button disabled={work.shift?.clipId !== clip.id} onClick={() => carryOnLast(trial)}>
          {TEXT.moveFramesAfterIt}
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
            {TEXT.trackForward}
          </Button>
          <Button title={TEXT.shiftF} disabled={origin === 'missing'} onClick={() => void follow(trial, -1)}>
            {TEXT.andBackward}
          </Button>
          <TextField
            select
            label={TEXT.itLooks}
            value={work.trackingRadius}
            onChange={(event) => setPointWork({ trackingRadius: Number(event.target.value) })}
            sx={{ flex: 1, minWidth: 110 }}
          >
            <MenuItem value={7}>{TEXT.small}</MenuItem>
            <MenuItem value={12}>{TEXT.middling}</MenuItem>
            <MenuItem value={20}>{TEXT.large}</MenuItem>
          </TextField>
        </div>
      )}
      {work.swapFrom?.clipId === clip.id ? (
        <div style={{ ...ROW, ...SMALL }}>
          <span>{TEXT.exchangeLeftAndRightFrom(work.swapFrom.frame + 1, frame + 1)}</span>
          <Button onClick={() => swapTo(trial, 'legs')}>{TEXT.legs}</Button>
          <Button onClick={() => swapTo(trial, 'arms')}>{TEXT.arms}</Button>
          <Button onClick={() => swapTo(trial, 'body')}>{TEXT.all}</Button>
          <Button onClick={() => setPointWork({ swapFrom: null })}>{TEXT.leaveIt}</Button>
        </div>
      ) : (
        <Button sx={{ justifySelf: 'start' }} onClick={() => setPointWork({ swapFrom: { clipId: clip.id, frame } })}>
          {TEXT.leftAndRightAreExchanged}
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
        label={TEXT.correctionsTellHowDetectorErrs}
        slotProps={{ typography: { sx: { fontSize: 'inherit' } } }}
      />
      {learned &&
        [...learned.values()].map(({ id, corrected, moved }) => (
          <div key={id}>
            {corrected.length === 1
              ? TEXT.pointNameCountCorrectedFrame(pointName(id), corrected.length, share(moved))
              : TEXT.pointNameCountCorrectedFrames(pointName(id), corrected.length, share(moved))}
          </div>
        ))}
      {clip.carryCorrections && !learned && <div>{TEXT.nothingYetCorrectionsWereOf}</div>}
    </div>
  );
}

/** Which points at which moments the measures still wait for; pressing one goes there. */
function StillToDo({ movement, trial }: Omit<ByHandProps, 'name'>): ReactNode {
  const items = useMemo(() => workList(movement, trial), [movement, trial]);
  const marked = movement.moments.filter((m) => trial.marks[m.id] !== undefined);
  if (marked.length === 0) return <div style={SMALL}>{TEXT.onceMomentsAreMarkedPoints}</div>;
  if (items.length === 0) return <div style={SMALL}>{TEXT.everyPointThatMeasuresNeed(marked.length)}</div>;
  return (
    <div style={{ ...SMALL, display: 'grid', gap: 4 }}>
      <strong>{TEXT.stillToPlaceOrCheck(items.length)}</strong>
      {marked.map((moment) => {
        const here = items.filter((item) => item.eventId === moment.id);
        return (
          here.length > 0 && (
            <div key={moment.id}>
              {moment.name}:
              {here.map((item) => (
                <Button
                  key={item.id}
                  title={TEXT.neededForMeasures(item.measures.join(', ').toLowerCase())}
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
