import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import type { DetectorSetting } from '../../../core/model/kept-detections';
import { JOINT_POINTS } from '../../../core/anatomy/body-points';
import { coverage } from '../../../core/tracks/track';
import { activeOf, type Derived } from '../../../application/analysis/derived';
import type { BenchClip } from '../../../application/bench/bench-clips';
import {
  deriveAgain,
  detectPointsOf,
  goOnDetecting,
  hasEarlierRules,
  stoppedRun,
} from '../../../application/tracks/detection-use-cases';
import { useDocument } from '../../../application/stores/document-store';
import { setView, useView } from '../../../application/stores/view-store';
import { clipName } from '../../components/clip-name';
import { RoleName } from '../../components/role-name';
import { tellDetected, useIsDetecting } from './detecting';
import { CameraLines } from './camera-lines';
import { PointFiles } from './point-files';
import { ByHand } from './by-hand';
import { FollowedPerson, LostStretches } from './followed-person';
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
        <FollowedPerson derived={derived} clip={chosen.trial.clip} name={clipName(chosen)} />
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
  const isBusy = useIsDetecting(clip);
  const person = useView((state) => state.persons[clip.id]) ?? null;
  const session = useDocument((state) => state.session);
  const name = clipName(on);
  const share = JOINT_POINTS.reduce((sum, id) => sum + coverage(raw, id), 0) / JOINT_POINTS.length;
  const stopped = session ? stoppedRun(session, clip) : undefined;
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
            onClick={() => void tellDetected(clip, detectPointsOf(clip, setting, person))}
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
            onClick={() => void tellDetected(clip, goOnDetecting(clip))}
          >
            {TEXT.goOn}
          </Button>
        </span>
      )}
      {!isBusy && <LostStretches on={on} />}
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
