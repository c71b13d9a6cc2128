import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import Typography from '@mui/material/Typography';
import { useMemo, useState, type ReactNode } from 'react';
import type { Clip } from '../../../core/model/clip';
import { LIMITS } from '../../../core/model/limits';
import type { Movement } from '../../../core/model/movement';
import type { Trial } from '../../../core/trial/trial';
import { isOwnPoint, JOINT_POINTS, pointName, type PointId } from '../../../core/anatomy/body-points';
import { coverage, originName } from '../../../core/tracks/track';
import { workList } from '../../../core/judgement/work-list';
import { player } from '../../../state/bench-player';
import { activeOf, type Derived } from '../../../state/derived';
import { useJobs } from '../../../state/jobs';
import { notify } from '../../../state/notices';
import { carryOnLast, follow, hideHere, swapTo } from '../../../state/point-work';
import { detectPointsOf, interpolatePoint } from '../../../state/track-use-cases';
import { addPersonOf } from '../../../state/clip-use-cases';
import { setPointWork, setView, useView, type AfterPlacing } from '../../../state/view-store';
import { clipName } from '../../components/clip-name';
import { RoleName } from '../../components/role-name';
import { CameraLines } from './camera-lines';
import { PointFiles } from './point-files';

const ROW = { display: 'flex', gap: 8, alignItems: 'center', flexWrap: 'wrap' } as const;
const SMALL = { fontSize: '.84rem' } as const;

/** Detecting points, and placing them by hand. */
export function PointsCard({ derived }: { readonly derived: Derived }): ReactNode {
  const setting = useView((state) => state.findSetting);
  const jobs = useJobs((state) => state.jobs);
  const tool = useView((state) => state.tool);
  const persons = useView((state) => state.persons);
  const chosen = activeOf(
    derived,
    useView((state) => state.activeClip),
  );
  return (
    <section className="card" style={{ display: 'grid', gap: 8, padding: '10px 12px' }}>
      <Typography variant="h3" component="h2">
        Points
      </Typography>
      <div style={{ display: 'flex', gap: 8, alignItems: 'center' }}>
        <TextField
          select
          label="Setting"
          value={setting}
          onChange={(event) => setView({ findSetting: event.target.value as typeof setting })}
          sx={{ flex: 1 }}
        >
          <MenuItem value="accurate">Accurate</MenuItem>
          <MenuItem value="fast">Fast</MenuItem>
        </TextField>
        <ToggleButton
          value="points"
          size="small"
          selected={tool === 'points'}
          title="P"
          onChange={() => setView({ tool: tool === 'points' ? 'move' : 'points' })}
        >
          Correct by hand
        </ToggleButton>
      </div>
      {derived.clips.map((on) => {
        const { trial } = on;
        const name = clipName(on);
        const share = JOINT_POINTS.reduce((sum, id) => sum + coverage(trial.raw, id), 0) / JOINT_POINTS.length;
        return (
          <div key={on.id} style={{ display: 'flex', alignItems: 'center', gap: 8, fontSize: '.86rem' }}>
            <RoleName role={on.styleKey} name={name.charAt(0).toUpperCase() + name.slice(1)} />
            <span style={{ flex: 1 }}>
              {share === 0 ? 'no points yet' : `${Math.round(share * 100)} % of points known`}
            </span>
            {trial.clip.mediaId !== null && (
              <Button
                variant={share === 0 ? 'contained' : 'text'}
                aria-label={`Detect points of the ${name}`}
                disabled={jobs.some((j) => j.id === `points-${trial.clip.id}`)}
                onClick={() =>
                  void detectPointsOf(trial.clip, setting, persons[trial.clip.id] ?? null).then((result) =>
                    notify(
                      result.ok || result.issue.code === 'cancelled' ? 'info' : 'error',
                      result.ok
                        ? `Points detected on ${result.value} of ${trial.clip.frameTimes.length} frames of ${trial.clip.performer.name}.`
                        : result.issue.message,
                    ),
                  )
                }
              >
                Detect points
              </Button>
            )}
          </div>
        );
      })}
      <CameraLines clips={derived.clips} />
      {chosen && chosen.trial.clip.mediaId !== null && <Whom clip={chosen.trial.clip} name={clipName(chosen)} />}
      {chosen && <PointFiles clip={chosen.trial.clip} name={clipName(chosen)} />}
      {tool === 'points' && chosen && (
        <ByHand movement={derived.movement} trial={chosen.trial} name={clipName(chosen)} />
      )}
    </section>
  );
}

/** Of several people, or for one who is small in the picture: whose points are detected. */
function Whom({ clip, name }: { readonly clip: Clip; readonly name: string }): ReactNode {
  const person = useView((state) => state.persons[clip.id]);
  const boxing = useView((state) => state.tool === 'person');
  const clear = (): void => {
    setView({
      persons: Object.fromEntries(Object.entries(useView.getState().persons).filter(([id]) => id !== clip.id)),
    });
  };
  return (
    <div style={{ ...ROW, ...SMALL }}>
      <Button variant={boxing ? 'contained' : 'text'} onClick={() => setView({ tool: boxing ? 'move' : 'person' })}>
        {boxing ? `Draw a box round the ${name}` : 'Several people? Choose one'}
      </Button>
      {person && (
        <span>
          the person in the box on frame {person.frame + 1} <Button onClick={clear}>whoever is largest</Button>
        </span>
      )}
      {clip.mediaId !== null && <OtherPerson clip={clip} />}
    </div>
  );
}

/** One more person of the same picture: a partner, a crew, an opponent; each has points and moments of its own. */
function OtherPerson({ clip }: { readonly clip: Clip }): ReactNode {
  const [name, setName] = useState<string | null>(null);
  if (name === null) return <Button onClick={() => setName('')}>Another person in this picture</Button>;
  return (
    <form
      style={ROW}
      onSubmit={(event) => {
        event.preventDefault();
        if (name.trim() === '') return;
        void addPersonOf(clip, name.trim()).then(() => setView({ tool: 'person' }));
        setName(null);
        notify('info', `${name.trim()} has a pane now. Draw a box round that person, then detect the points.`);
      }}
    >
      <TextField
        size="small"
        autoFocus
        label="Name, or seat"
        value={name}
        onChange={(event) => setName(event.target.value)}
        slotProps={{ htmlInput: { maxLength: LIMITS.name } }}
      />
      <Button type="submit" disabled={name.trim() === ''}>
        Add
      </Button>
      <Button onClick={() => setName(null)}>Leave</Button>
    </form>
  );
}

interface ByHandProps {
  readonly movement: Movement;
  readonly trial: Trial;
  readonly name: string;
}

/** Acts on one point of the chosen clip. */
function ByHand({ movement, trial, name }: ByHandProps): ReactNode {
  const { clip } = trial;
  const work = useView((state) => state.pointWork);
  const frame = useView((state) => state.shown[clip.id] ?? 0);
  const { id, placing } = work;
  const series = trial.raw[id];
  const origin = originName(series?.origin[frame] ?? 0);
  const confidence = series?.confidence[frame] ?? 0;
  const own = movement.points.find((p) => p.id === id);
  const says = {
    hand: 'placed by hand',
    detected: `detected, confidence ${confidence.toFixed(2)}`,
    tracked: `tracked, likeness ${confidence.toFixed(2)}`,
    recorded: 'from a file',
    interpolated: 'filled in',
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
