import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import Typography from '@mui/material/Typography';
import { useState, type ReactNode } from 'react';
import type { Clip } from '../../../core/model/clip';
import type { DetectorSetting } from '../../../core/model/kept-detections';
import { LIMITS } from '../../../core/model/limits';
import { JOINT_POINTS } from '../../../core/anatomy/body-points';
import { coverage } from '../../../core/tracks/track';
import { activeOf, type Derived } from '../../../application/analysis/derived';
import { useJobs } from '../../../application/stores/jobs';
import { notify } from '../../../application/stores/notices';
import type { BenchClip } from '../../../application/bench/bench-clips';
import {
  deriveAgain,
  detectedText,
  detectPointsOf,
  goOnDetecting,
  hasEarlierRules,
  stoppedRun,
} from '../../../application/tracks/detection-use-cases';
import { useDocument } from '../../../application/stores/document-store';
import { addPersonOf } from '../../../application/clips/clip-use-cases';
import { setView, useView } from '../../../application/stores/view-store';
import { clipName } from '../../components/clip-name';
import { RoleName } from '../../components/role-name';
import { CameraLines } from './camera-lines';
import { PointFiles } from './point-files';
import { ByHand } from './by-hand';
import { ROW, SMALL } from './card-rows';
import { TravelLines } from './travel-lines';

/** Detecting points, and placing them by hand. */
export function PointsCard({ derived }: { readonly derived: Derived }): ReactNode {
  const setting = useView((state) => state.findSetting);
  const tool = useView((state) => state.tool);
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
      {derived.clips.map((on) => (
        <ClipPoints key={on.id} on={on} setting={setting} />
      ))}
      <TravelLines clips={derived.clips} />
      <CameraLines clips={derived.clips} />
      {chosen && chosen.trial.clip.mediaId !== null && <Whom clip={chosen.trial.clip} name={clipName(chosen)} />}
      {chosen && <PointFiles clip={chosen.trial.clip} name={clipName(chosen)} />}
      {tool === 'points' && chosen && (
        <ByHand movement={derived.movement} trial={chosen.trial} name={clipName(chosen)} />
      )}
    </section>
  );
}

/** What is known of one clip's points, and detecting them, or more of them. */
function ClipPoints({ on, setting }: { readonly on: BenchClip; readonly setting: DetectorSetting }): ReactNode {
  const { clip, raw } = on.trial;
  const isBusy = useJobs((state) => state.jobs.some((j) => j.id === `points-${clip.id}`));
  const person = useView((state) => state.persons[clip.id]) ?? null;
  const session = useDocument((state) => state.session);
  const name = clipName(on);
  const share = JOINT_POINTS.reduce((sum, id) => sum + coverage(raw, id), 0) / JOINT_POINTS.length;
  const stopped = session ? stoppedRun(session, clip) : undefined;
  const tell = async (detecting: ReturnType<typeof detectPointsOf>): Promise<void> => {
    const result = await detecting;
    if (result.ok) notify('info', detectedText(clip, result.value));
    else notify(result.issue.code === 'cancelled' ? 'info' : 'error', result.issue.message);
  };
  return (
    <>
      <div style={{ display: 'flex', alignItems: 'center', gap: 8, fontSize: '.86rem' }}>
        <RoleName role={on.styleKey} name={name.charAt(0).toUpperCase() + name.slice(1)} />
        <span style={{ flex: 1 }}>{share === 0 ? 'no points yet' : `${Math.round(share * 100)} % known`}</span>
        {clip.mediaId !== null && (
          <Button
            variant={share === 0 ? 'contained' : 'text'}
            aria-label={`Detect points of the ${name}`}
            disabled={isBusy}
            onClick={() => void tell(detectPointsOf(clip, setting, person))}
          >
            Detect points
          </Button>
        )}
      </div>
      {stopped && !isBusy && (
        <span className="note">
          Detecting was stopped: {stopped.frames.length} of {clip.frameTimes.length} frames were looked at.{' '}
          <Button
            size="small"
            aria-label={`Go on detecting points of the ${name}`}
            onClick={() => void tell(goOnDetecting(clip))}
          >
            Go on
          </Button>
        </span>
      )}
      {session && hasEarlierRules(session, clip) && !isBusy && (
        <span className="note">
          These points were derived by the rules of an earlier version.{' '}
          <Button size="small" onClick={() => deriveAgain(clip)}>
            Derive them by today’s
          </Button>
        </span>
      )}
    </>
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
