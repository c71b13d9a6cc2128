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
import { PartnerChoice } from './partner-choice';
import { PointFiles } from './point-files';
import { ByHand } from './by-hand';
import { ROW, SMALL } from './card-rows';
import { TravelLines } from './travel-lines';
import { TEXT } from '../../../text/screens/bench/measure';

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
        {TEXT.points}
      </Typography>
      <div style={{ display: 'flex', gap: 8, alignItems: 'center' }}>
        <TextField
          select
          label={TEXT.setting}
          value={setting}
          onChange={(event) => setView({ findSetting: event.target.value as typeof setting })}
          sx={{ flex: 1 }}
        >
          <MenuItem value="accurate">{TEXT.accurate}</MenuItem>
          <MenuItem value="fast">{TEXT.fast}</MenuItem>
        </TextField>
        <ToggleButton
          value="points"
          size="small"
          selected={tool === 'points'}
          title="P"
          onChange={() => setView({ tool: tool === 'points' ? 'move' : 'points' })}
        >
          {TEXT.correctByHand}
        </ToggleButton>
      </div>
      {derived.clips.map((on) => (
        <ClipPoints key={on.id} on={on} setting={setting} />
      ))}
      <TravelLines clips={derived.clips} />
      <CameraLines clips={derived.clips} />
      {chosen && chosen.trial.clip.mediaId !== null && (
        <Whom derived={derived} clip={chosen.trial.clip} name={clipName(chosen)} />
      )}
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
        <span style={{ flex: 1 }}>{share === 0 ? TEXT.noPointsYet : TEXT.shareKnown(Math.round(share * 100))}</span>
        {clip.mediaId !== null && (
          <Button
            variant={share === 0 ? 'contained' : 'text'}
            aria-label={TEXT.detectPointsOfName(name)}
            disabled={isBusy}
            onClick={() => void tell(detectPointsOf(clip, setting, person))}
          >
            {TEXT.detectPoints}
          </Button>
        )}
      </div>
      {stopped && !isBusy && (
        <span className="note">
          {TEXT.detectingWasStoppedCountOf(stopped.frames.length, clip.frameTimes.length)}{' '}
          <Button
            size="small"
            aria-label={TEXT.goOnDetectingPointsOf(name)}
            onClick={() => void tell(goOnDetecting(clip))}
          >
            {TEXT.goOn}
          </Button>
        </span>
      )}
      {session && hasEarlierRules(session, clip) && !isBusy && (
        <span className="note">
          {TEXT.thesePointsWereDerivedBy}{' '}
          <Button size="small" onClick={() => deriveAgain(clip)}>
            {TEXT.deriveThemByTodays}
          </Button>
        </span>
      )}
    </>
  );
}

/** Of several people, or for one who is small in the picture: whose points are detected. */
function Whom({
  derived,
  clip,
  name,
}: {
  readonly derived: Derived;
  readonly clip: Clip;
  readonly name: string;
}): ReactNode {
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
        {boxing ? TEXT.drawBoxRoundName(name) : TEXT.severalPeopleChooseOne}
      </Button>
      {person && (
        <span>
          {TEXT.personInBoxOnFrame(person.frame + 1)} <Button onClick={clear}>{TEXT.whoeverIsLargest}</Button>
        </span>
      )}
      {clip.mediaId !== null && <OtherPerson clip={clip} />}
      <PartnerChoice derived={derived} clip={clip} />
    </div>
  );
}

/** One more person of the same picture: a partner, a crew, an opponent; each has points and moments of its own. */
function OtherPerson({ clip }: { readonly clip: Clip }): ReactNode {
  const [name, setName] = useState<string | null>(null);
  if (name === null) return <Button onClick={() => setName('')}>{TEXT.anotherPersonInThisPicture}</Button>;
  return (
    <form
      style={ROW}
      onSubmit={(event) => {
        event.preventDefault();
        if (name.trim() === '') return;
        void addPersonOf(clip, name.trim()).then(() => setView({ tool: 'person' }));
        setName(null);
        notify('info', TEXT.nameHasPaneNowDraw(name.trim()));
      }}
    >
      <TextField
        size="small"
        autoFocus
        label={TEXT.nameOrSeat}
        value={name}
        onChange={(event) => setName(event.target.value)}
        slotProps={{ htmlInput: { maxLength: LIMITS.name } }}
      />
      <Button type="submit" disabled={name.trim() === ''}>
        {TEXT.add}
      </Button>
      <Button onClick={() => setName(null)}>{TEXT.leave}</Button>
    </form>
  );
}
