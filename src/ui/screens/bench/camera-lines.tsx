import Button from '@mui/material/Button';
import type { ReactNode } from 'react';
import { cameraText, observeCameraOf, takeCameraAsStill } from '../../../state/camera-motion-use-cases';
import type { BenchClip } from '../../../state/derived';
import { useJobs } from '../../../state/jobs';
import { notify } from '../../../state/notices';
import type { Clip } from '../../../core/model/clip';
import { clipName } from '../../components/clip-name';

async function observe(clip: Clip): Promise<void> {
  const observed = await observeCameraOf(clip);
  if (!observed.ok && observed.issue.code !== 'cancelled') notify('error', observed.issue.message);
}

/** What each camera does: those that stand still in one line, each that moves by itself, and who has not looked yet. */
export function CameraLines({ clips }: { readonly clips: readonly BenchClip[] }): ReactNode {
  const jobs = useJobs((state) => state.jobs);
  const all = clips.map((on) => ({
    clip: on.trial.clip,
    name: clipName(on),
    camera: cameraText(on.trial),
  }));
  const still = all.filter(({ camera }) => camera && !camera.moves).map(({ name }) => name);
  const lookButton = (clip: Clip, text: string): ReactNode => (
    <Button
      key={clip.id}
      size="small"
      disabled={jobs.some(({ id }) => id === `camera-${clip.id}` || id === `points-${clip.id}`)}
      onClick={() => void observe(clip)}
    >
      {text}
    </Button>
  );
  return (
    <>
      {still.length > 0 && <span className="note">Camera stands still: {still.join(', ')}.</span>}
      {all.map(({ clip, name, camera }) => {
        if (!camera) return clip.mediaId ? lookButton(clip, `Look whether the camera of the ${name} moves`) : null;
        if (!camera.moves) return null;
        return (
          <div key={clip.id} role="note" className={camera.takenOut ? 'note' : 'camera-moves'}>
            <strong>
              Camera of the {name}: {camera.text}.
            </strong>{' '}
            {camera.measured}{' '}
            <Button size="small" onClick={() => takeCameraAsStill(clip)}>
              It stood still
            </Button>
            {clip.mediaId && lookButton(clip, 'Look again')}
          </div>
        );
      })}
    </>
  );
}
